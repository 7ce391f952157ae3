import { DRUMS } from '@nestling/core/time'
import { describe, expect, test } from 'vitest'
import { renderClick } from './drumSounds.ts'
import { renderSound } from './renderSound.ts'

const RATE = 44_100
const energy = (samples: Float32Array, from: number, to: number) =>
  samples.slice(from * RATE, to * RATE).reduce((sum, sample) => sum + sample * sample, 0)

describe('every sound of the band', () => {
  test.each([
    ...DRUMS.map((drum) => `drum ${drum}`),
    'click accent',
    'click plain',
    'pluck 52 nylon',
    'pluck 52 archtop',
    'bass 33',
  ])('%s begins at once, never clips, and ends in silence', (sound) => {
    const samples = renderSound(sound, RATE)
    const peak = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
    expect(peak).toBeLessThanOrEqual(0.9001)
    expect(samples.slice(0, 0.02 * RATE).some((sample) => Math.abs(sample) > 0.1 * peak)).toBe(true)
    expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.01)
  })

  test('a name that no part uses is refused', () => expect(() => renderSound('drum gong', RATE)).toThrow(/drum gong/))
})

test('a click is over before the next one could come at 300 beats per minute', () => {
  const samples = renderClick(true, RATE)
  expect(energy(samples, 0, 0.02)).toBeGreaterThan(20 * energy(samples, 0.02, 0.05))
})

test('a bass string is darker than a guitar string of the same pitch', () => {
  const steps = (sound: string) => {
    const samples = renderSound(sound, RATE)
    return samples.reduce((sum, value, index) => sum + Math.abs(value - (samples[index - 1] ?? 0)), 0)
  }
  expect(steps('bass 40')).toBeLessThan(steps('pluck 40 archtop'))
})
