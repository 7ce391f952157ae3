/** The string measured: what a player hears from fret to fret and from string to string. */
import { TIMBRES } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { clean } from './headroom.ts'
import {
  amplitude,
  centroid,
  centsOff,
  db,
  hzOf,
  loudnessDb,
  peakOf,
  peakTogether,
  RATE,
  slice,
} from './measured.testkit.ts'
import { renderPluck, type StringKind } from './pluckedString.ts'

/** Every pitch from the lowest string of a baritone to the last fret. */
const PITCHES = Array.from({ length: 88 - 33 + 1 }, (_, index) => 33 + index)

describe.each(TIMBRES)('%s', (timbre: StringKind) => {
  const rendered = new Map(PITCHES.map((midi) => [midi, renderPluck(midi, RATE, timbre)]))
  const of = (midi: number) => rendered.get(midi) as Float32Array

  test('neighbouring frets differ by less than 1.5 dB in their first partial', () => {
    const firsts = PITCHES.map((midi) => db(amplitude(slice(of(midi), 0.02, 0.35), hzOf(midi))))
    for (const [index, first] of firsts.slice(1).entries())
      expect(Math.abs(first - (firsts[index] as number))).toBeLessThan(1.5)
  })
  test('every fret of every string is as loud as every other, within half a decibel', () => {
    const loud = PITCHES.map((midi) => loudnessDb(slice(of(midi), 0, 0.5)))
    expect(Math.max(...loud) - Math.min(...loud)).toBeLessThan(0.5)
  })
  test('it begins from nothing, without a click, and never passes 0.9', () => {
    for (const midi of PITCHES) {
      const samples = of(midi)
      expect(Math.abs(samples[0] as number)).toBeLessThan(0.02)
      expect(peakOf(samples)).toBeLessThanOrEqual(0.9)
      // A click would be a step: none is larger than what its own highest partials make.
      const steps = (part: Float32Array) =>
        part.reduce((most, value, at) => (at === 0 ? 0 : Math.max(most, Math.abs(value - (part[at - 1] as number)))), 0)
      expect(steps(slice(samples, 0, 0.002))).toBeLessThanOrEqual(1.2 * steps(slice(samples, 0.002, 0.03)))
    }
  })
  test('high partials die before low ones', () => {
    const f0 = hzOf(45)
    const falls = (n: number) =>
      db(amplitude(slice(of(45), 0.05, 0.2), n * f0) / amplitude(slice(of(45), 1.05, 0.2), n * f0))
    expect(falls(8)).toBeGreaterThan(falls(1) + 4)
  })
})

test('the sixth string of an archtop falls by 60 dB in about six seconds, the first in half that', () => {
  const seconds = (midi: number) => {
    const samples = renderPluck(midi, RATE)
    const [early, late] = [0.2, 1.7].map((from) => amplitude(slice(samples, from, 0.3), hzOf(midi))) as [number, number]
    return (60 * 1.5) / db(early / late)
  }
  expect(seconds(40)).toBeGreaterThan(5.5)
  expect(seconds(40)).toBeLessThan(6.5)
  expect(seconds(64)).toBeGreaterThan(2.5)
  expect(seconds(64)).toBeLessThan(3.8)
})

test('nylon is the darkest, steel the brightest', () => {
  const bright = (timbre: StringKind) => centroid(slice(renderPluck(52, RATE, timbre), 0.02, 0.2), hzOf(52))
  expect(bright('nylon')).toBeLessThan(bright('archtop'))
  expect(bright('archtop')).toBeLessThan(bright('steel'))
})

test.each([28, 31, 35, 40, 45, 50, 55])('bass %d is round: its middle lies below 700 Hz after 0.3 s', (midi) =>
  expect(centroid(slice(renderPluck(midi, RATE, 'bass'), 0.3, 0.3), hzOf(midi))).toBeLessThan(700),
)

test('what is soft enough leaves as it came, and nothing leaves at full scale', () => {
  for (const sample of [0, 0.1, -0.5, 0.7, -0.7]) expect(clean(sample)).toBe(sample)
  for (const sample of [0.8, 1, 3, 8, -8]) {
    expect(Math.abs(clean(sample))).toBeLessThanOrEqual(0.98)
    expect(Math.sign(clean(sample))).toBe(Math.sign(sample))
  }
  // The knee is soft: its slope begins at one.
  expect((clean(0.701) - clean(0.7)) / 0.001).toBeCloseTo(1, 1)
})

test.each([
  ['an open chord', [40, 47, 52, 56, 59, 64]],
  ['a barre', [41, 48, 53, 56, 60, 65]],
  ['fourths', [40, 45, 50, 55, 59, 64]],
  ['high up', [52, 57, 62, 67, 71, 76]],
])('six strings plucked together at full volume stay below the knee: %s', (_, midis) => {
  for (const timbre of TIMBRES) expect(peakTogether(midis, timbre)).toBeLessThanOrEqual(0.7)
})

test.each(TIMBRES)('every fret of %s sounds its pitch within half a cent', (timbre) => {
  for (let midi = 33; midi <= 88; midi += 5)
    expect(Math.abs(centsOff(renderPluck(midi, RATE, timbre), hzOf(midi)))).toBeLessThan(0.5)
  // What is out of tune is seen to be.
  expect(centsOff(renderPluck(60, RATE, timbre), hzOf(60.1))).toBeCloseTo(-10, 0)
})
