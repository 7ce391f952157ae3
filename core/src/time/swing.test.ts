import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FOUR_FOUR, STRAIGHT, swingDelay, swungNote } from './index.ts'

const FULL = { percent: 100, of: 'eighths' } as const

describe('swing', () => {
  test.each([
    [0, 0],
    [0.5, 1 / 6],
    [3.5, 1 / 6],
    [0.25, 0],
    [0.75, 0],
    [1 / 3, 0],
    [2 / 3, 0],
    [7 + 2 / 3, 0],
  ])('at beat %d a note comes %d later: eighths go to the triplet, triplets and sixteenths stay', (beat, later) =>
    expect(swingDelay(beat, FOUR_FOUR, FULL)).toBeCloseTo(later, 9),
  )
  test.each([
    [0.25, 1 / 12],
    [0.5, 0],
    [0.75, 1 / 12],
    [1 / 3, 0],
  ])('sixteenths swing by choice: at %d by %d', (beat, later) =>
    expect(swingDelay(beat, FOUR_FOUR, { percent: 100, of: 'sixteenths' })).toBeCloseTo(later, 9),
  )
  test('half of it is half as late', () =>
    expect(swingDelay(0.5, FOUR_FOUR, { percent: 50, of: 'eighths' })).toBeCloseTo(1 / 12, 9))
  test('where eighths are the beat nothing swings', () => expect(swingDelay(0.5, { count: 6, unit: 8 }, FULL)).toBe(0))
  test('straight leaves all as it is', () =>
    fc.assert(fc.property(fc.nat(400), (eighth) => swingDelay(eighth / 8, FOUR_FOUR, STRAIGHT) === 0)))

  test('notes that join still join: each ends where the next begins, whatever the values', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(0.25, 0.5, 1 / 3, 1, 1.5), { minLength: 2, maxLength: 30 }),
        fc.integer({ min: 0, max: 100 }),
        fc.constantFrom('eighths' as const, 'sixteenths' as const),
        (lengths, percent, of) => {
          let at = 0
          const notes = lengths.map((length) => {
            const note = swungNote({ at, length }, FOUR_FOUR, { percent, of })
            at += length
            return note
          })
          for (const [index, next] of notes.slice(1).entries()) {
            const before = notes[index] as (typeof notes)[number]
            expect(before.at + (before.length ?? 0)).toBeCloseTo(next.at, 9)
            expect(next.at).toBeGreaterThan(before.at)
          }
        },
      ),
    ))
})
