import { changedMap, mapOf } from '@nestling/core/map'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readMap } from './address.ts'
import type { FoundMap } from './useMap.ts'
import { rowsOf } from './useRowByRow.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
function found(chord: string, arrangement: string): FoundMap {
  const { asked } = readMap({ texts: { chord, arrangement }, morph: undefined, add: undefined, way: undefined }, player)
  const map = mapOf(asked.question, player)
  const changed = changedMap(map, asked.question, player, asked.change)
  return { ...asked, player, neck: neckOf(STANDARD_INSTRUMENT), map, changed }
}
const triads = found('C', 'close')
const sevenths = found('Ebmaj7', 'drop-2')

test('at every step the upper rows are new and the lower ones those before; in the end all are new', () => {
  expect(triads.map.rows.length).not.toBe(sevenths.map.rows.length)
  fc.assert(
    fc.property(fc.constantFrom([triads, sevenths], [sevenths, triads]), fc.nat(20), ([now, before], count) => {
      if (!now || !before) return
      const rows = rowsOf(now, before, count)
      const fresh = rows.filter(({ of }) => of === now).length
      expect(fresh).toBe(Math.min(count, now.map.rows.length))
      expect(rows.slice(0, fresh).map(({ strings }) => strings)).toEqual(
        now.map.rows.slice(0, fresh).map(({ strings }) => strings),
      )
      if (count >= now.map.rows.length) expect(rows.length).toBe(now.map.rows.length)
      // Each row is drawn at its own place of its own answer.
      for (const [index, { strings, of }] of rows.entries()) expect(of.map.rows[index]?.strings).toEqual(strings)
    }),
  )
})
