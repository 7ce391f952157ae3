import { expect, test } from 'vitest'
import { renderPluck } from './pluckedString.ts'

const RATE = 44_100
const loudness = (samples: Float32Array, from: number, to: number) =>
  Math.sqrt(samples.slice(from * RATE, to * RATE).reduce((sum, sample) => sum + sample * sample, 0))

/** Where the sound repeats itself best, near the expected period, in cents from it. Parabola through the peak. */
function centsOff(samples: Float32Array, expectedHz: number): number {
  const start = Math.floor(0.25 * RATE)
  const length = 12_000
  const likeness = (lag: number) => {
    let sum = 0
    for (let at = start; at < start + length; at++) sum += (samples[at] as number) * (samples[at + lag] as number)
    return sum
  }
  // Many periods at once, so that one sample more or less is a small part of the whole.
  const periods = Math.max(1, Math.floor(8000 / (RATE / expectedHz)))
  const around = Math.round((periods * RATE) / expectedHz)
  let best = around
  for (let lag = around - 8; lag <= around + 8; lag++) if (likeness(lag) > likeness(best)) best = lag
  const [left, middle, right] = [likeness(best - 1), likeness(best), likeness(best + 1)]
  const exact = best + (left - right) / (2 * (left - 2 * middle + right))
  return 1200 * Math.log2((periods * RATE) / exact / expectedHz)
}

test.each([28, 40, 52, 60, 64, 76, 84])('MIDI %d sounds within three cents of equal temperament', (midi) => {
  const hz = 440 * 2 ** ((midi - 69) / 12)
  expect(Math.abs(centsOff(renderPluck(midi, RATE), hz))).toBeLessThan(3)
})

test('a string is loud when it is plucked, dies away, ends in silence, and never clips', () => {
  const samples = renderPluck(52, RATE)
  expect(loudness(samples, 0, 0.3)).toBeGreaterThan(3 * loudness(samples, 1.5, 1.8))
  expect(loudness(samples, 1.5, 1.8)).toBeGreaterThan(0)
  expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.001)
  expect(samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)).toBeLessThanOrEqual(0.9)
})

test('the same note sounds the same whenever it is rendered', () =>
  expect(renderPluck(57, RATE)).toEqual(renderPluck(57, RATE)))
