import { CATALOGUE } from '@nestling/core/chord'
import { EXTENSIONS } from '@nestling/core/name'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, settingOf } from '../../contracts/settings.ts'
import { readAddress } from '../../state/build/address.ts'
import { type AskedMap, readMap, writeMap } from './address.ts'

const setting = settingOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)

/** As the page reads it. */
function opened(address: string) {
  const query = new URL(address, 'http://here').searchParams
  const word = (name: string) => query.get(name) ?? undefined
  return readMap(
    { params: readAddress(query).params, morph: word('morph'), add: word('add'), way: word('way') },
    setting,
  )
}

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
      const asked: AskedMap = { build: { ...first.build, fretMin, fretMax: fretMin + 6 }, change: changed }
      const { asked: again, problem } = opened(writeMap(asked, 6))
      expect(problem).toBeUndefined()
      expect(again).toEqual(asked)
    }),
  )
})

test('without a question it opens with C major triads; what can’t be read is told, and they open as well', () => {
  expect(opened('/map').problem).toBeUndefined()
  expect(opened('/map').asked.build.symbol).toBe('C')
  const wrong = opened('/map?chord=C7x9')
  expect(wrong.problem).toContain('x9 is not a tension')
  expect(wrong.asked.build.symbol).toBe('C')
  expect(opened('/map?chord=C&add=12').asked.change).toEqual({ kind: 'none' })
})
