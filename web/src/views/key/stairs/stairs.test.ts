import { MEDIUM_HAND } from '@nestling/core/hand'
import { chordScale, type Depth, readKey } from '@nestling/core/key'
import { type LaneAsk, laneOf } from '@nestling/core/lane'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { stairLayout } from './stairs.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const lane = (depth: Depth, ask: LaneAsk) =>
  laneOf(chordScale(must(readKey('Bb')), depth), ask, neck, MEDIUM_HAND, { fretMax: 17 })
const facing = { width: 392, height: 438, lowOnTop: false, leftHanded: false }

test('only strings that sound, and silent ones between them, take room; a silent one takes less', () => {
  const { strings, silent, stringY } = stairLayout(lane('sevenths', { kind: 'root', string: 0 }), neck, 17, facing)
  expect(strings).toEqual([0, 1, 2, 3, 4])
  expect([...silent]).toEqual([1])
  expect(stringY(1, 0) - stringY(1, 2)).toBeLessThan(2 * (stringY(1, 2) - stringY(1, 3)))
})

test('whatever the lane and facing: steps rise, strings keep their order, no row reaches into the next, and no two eggs touch', () => {
  const asks: readonly LaneAsk[] = [
    { kind: 'root', string: 0 },
    { kind: 'root', string: 1 },
    { kind: 'order', strings: [3, 4, 5], order: [1, 3, 5] },
    {
      kind: 'tones',
      tones: [
        { number: 1, string: 0 },
        { number: 3, string: 5 },
      ],
      ring: [2],
    },
  ]
  fc.assert(
    fc.property(
      fc.constantFrom(...asks),
      fc.constantFrom<Depth>('triads', 'sevenths', 'ninths'),
      fc.boolean(),
      fc.boolean(),
      (ask, depth, lowOnTop, leftHanded) => {
        const layout = stairLayout(lane(depth, ask), neck, 17, { ...facing, lowOnTop, leftHanded })
        const { strings, stringY, rowTop, rowHeight, pitch, silent, tipX } = layout
        for (let step = 1; step <= 7; step++) {
          const ys = strings.map((string) => stringY(step, string))
          expect(ys).toEqual(ys.toSorted((a, b) => (lowOnTop ? a - b : b - a)))
          for (const y of ys) {
            // Half an egg stands over its string.
            expect(y - pitch / 2).toBeGreaterThanOrEqual(rowTop(step) - 1e-9)
            expect(y + pitch / 2).toBeLessThanOrEqual(rowTop(step) + rowHeight + 1e-9)
          }
          const sounding = strings.filter((string) => !silent.has(string)).map((string) => stringY(step, string))
          for (const [index, y] of sounding.entries())
            if (index > 0) expect(Math.abs(y - (sounding[index - 1] as number))).toBeGreaterThanOrEqual(pitch - 1e-9)
        }
        for (let fret = 1; fret < 17; fret++) expect(Math.sign(tipX(fret + 1) - tipX(fret))).toBe(leftHanded ? -1 : 1)
      },
    ),
  )
})
