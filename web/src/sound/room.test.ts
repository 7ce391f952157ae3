import { expect, test } from 'vitest'
import { reflections } from './room.ts'

test.each([44_100, 48_000])(
  'a room at %d Hz answers after its first wall, dies within a fifth of a second, and has power one',
  (rate) => {
    const answer = reflections(rate)
    const power = (from: number, to: number) =>
      answer.slice(Math.round(from * rate), Math.round(to * rate)).reduce((sum, sample) => sum + sample * sample, 0)
    expect(power(0, 1)).toBeCloseTo(1, 5)
    expect(power(0, 0.007)).toBe(0)
    expect(power(0.15, 1)).toBeLessThan(0.01)
    expect(reflections(rate)).toEqual(answer)
  },
)
