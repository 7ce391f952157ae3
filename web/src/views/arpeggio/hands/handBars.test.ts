import { positionsOf } from '@nestling/core/arpeggio'
import { readSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { LINE_MARGINS, neckLayout } from '../../../neck/layout.ts'
import { handBars } from './handBars.ts'

const neck = neckOf(STANDARD_INSTRUMENT)

test('a bar reaches from the lowest to the highest fret that the hand presses', () => {
  const positions = positionsOf(must(readSymbol('Ebmaj7')), neck, MEDIUM_HAND)
  const layout = neckLayout(neck, 15, { lowOnTop: false, leftHanded: false }, LINE_MARGINS)
  const bars = handBars(positions, 6, layout)
  expect(bars.map(({ position }) => position.at)).toEqual([1, 3, 5, 6, 8, 10, 12])
  const six = bars.find(({ position }) => position.at === 6)
  expect(six?.position).toMatchObject({ low: 6, high: 10, stretches: 3 })
  expect(six?.left).toBeCloseTo(layout.tipX(6) - 16, 6)
  expect((six?.left ?? 0) + (six?.width ?? 0)).toBeCloseTo(layout.tipX(10) + 16, 6)
})

test('for any chord, facing and place: each place that lies well once, the taken one too, and none over another', () => {
  const chords = ['Ebmaj7', 'C', 'F#m7b5', 'G13', 'Bb7alt', 'E5', 'Dm9', 'Caug']
  fc.assert(
    fc.property(
      fc.constantFrom(...chords),
      fc.option(fc.integer({ min: 1, max: 12 }), { nil: undefined }),
      fc.boolean(),
      fc.constantFrom(15, 22),
      (symbol, taken, leftHanded, lastFret) => {
        const positions = positionsOf(must(readSymbol(symbol)), neck, MEDIUM_HAND)
        const layout = neckLayout(neck, lastFret, { lowOnTop: false, leftHanded }, LINE_MARGINS)
        const bars = handBars(positions, taken, layout)
        const wanted = positions.filter(({ at, liesWell, high }) => at === taken || (liesWell && high <= lastFret))
        expect(bars.map(({ position }) => position.at).toSorted((a, b) => a - b)).toEqual(wanted.map(({ at }) => at))
        for (const a of bars)
          for (const b of bars)
            if (a !== b && a.lane === b.lane)
              expect(a.left + a.width <= b.left || b.left + b.width <= a.left).toBe(true)
      },
    ),
  )
})
