import { CATALOGUE, writeSymbol } from '@nestling/core/chord'
import { EXTENSIONS } from '@nestling/core/near'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { type AskedMap, readMap, readMapAddress, writeMap } from './address.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)

/** As the page reads it. */
const opened = (address: string) => readMap(readMapAddress(new URL(address, 'http://here').searchParams), player)

test('whatever is asked is in the address, with a morph into any chord of the catalogue', () => {
  const change = fc.oneof(
    fc.constant({ kind: 'none' as const }),
    fc.constantFrom(...CATALOGUE).map(({ formula }) => ({ kind: 'morph' as const, formula })),
    fc.record({
      kind: fc.constant('extend' as const),
      extension: fc.constantFrom(...EXTENSIONS),
      way: fc.constantFrom('root-moves' as const, 'fifth-gives-way' as const),
    }),
  )
  const first = opened('/map?chord=Ebmaj7&arrangement=drop-2').asked
  fc.assert(
    fc.property(change, fc.integer({ min: 1, max: 9 }), (changed, fretMin) => {
      const asked: AskedMap = { question: { ...first.question, fretMin, fretMax: fretMin + 6 }, change: changed }
      const { asked: again, typed } = opened(writeMap(asked, 6))
      expect(typed).toBeUndefined()
      expect(again).toEqual(asked)
    }),
  )
})

test('without a question it opens with C major triads; what can’t be read is told, and they open as well', () => {
  expect(opened('/map').typed).toBeUndefined()
  expect(writeSymbol(opened('/map').asked.question.chord)).toBe('C')
  const wrong = opened('/map?chord=C7x9')
  expect(wrong.typed?.problem?.message).toContain('x9 is not a tension')
  expect(writeSymbol(wrong.asked.question.chord)).toBe('C')
  expect(opened('/map?chord=C&add=12').asked.change).toEqual({ kind: 'none' })
})
