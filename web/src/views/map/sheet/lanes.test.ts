import { mapOf, placesOf } from '@nestling/core/map'
import { neckOf, readKnownTuning, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../../contracts/settings.ts'
import { readMap } from '../address.ts'
import { laneSheet, placeAt, placeBeside, type SheetRoom } from './lanes.ts'

const room = (more: Partial<SheetRoom> = {}): SheetRoom => ({
  width: 890,
  height: 553,
  lowOnTop: false,
  leftHanded: false,
  wordsOf: ({ reachMm }) => ({ name: 'Gm7', told: `${Math.round(reachMm)} mm` }),
  ...more,
})
const TUNINGS = ['standard', 'D A D F# A D', 'C2,G2,C3,G3,C4,E4', 'seven strings, low B'] as const

const drawn = (
  {
    chord,
    arrangement,
    tuning,
    add,
    open,
  }: Readonly<Record<'chord' | 'arrangement' | 'tuning' | 'open', string>> & { readonly add: string | undefined },
  more: Partial<SheetRoom> = {},
) => {
  const instrument = { ...STANDARD_INSTRUMENT, tuning: must(readKnownTuning(tuning)) }
  const player = playerOf(DEFAULT_SETTINGS, instrument)
  const query = new URLSearchParams({
    chord,
    arrangement,
    open,
    ...(add === undefined ? {} : { add, way: 'root-moves' }),
  })
  const { asked } = readMap(query, player)
  const map = mapOf(asked.question, player, asked.change)
  const neck = neckOf(instrument)
  return { map, neck, sheet: laneSheet(map.rows, neck, room(more)) }
}
const ASKED = fc.record({
  chord: fc.constantFrom('Ebmaj7', 'G', 'Am9', 'C13#11', 'F#m7b5', 'Bb6'),
  arrangement: fc.constantFrom('close', 'drop-2', 'drop-3', 'any', 'shell'),
  tuning: fc.constantFrom(...TUNINGS),
  add: fc.constantFrom(undefined, '9', '13'),
  open: fc.constantFrom('never', 'allow'),
})
const FACING = fc.record({ lowOnTop: fc.boolean(), leftHanded: fc.boolean() })

test('what is drawn is what the engine lists: each place once, each tone on its string at its fret, each set drawn or told', () => {
  fc.assert(
    fc.property(ASKED, FACING, (asked, facing) => {
      const { map, neck, sheet } = drawn(asked, facing)
      const listed = map.rows.flatMap(placesOf)
      expect(sheet.lanes.flatMap(({ places }) => places.map(({ place }) => place))).toEqual(listed)
      for (const lane of sheet.lanes)
        for (const { place, tones } of lane.places) {
          // Read back from the drawing: the nearest wire of the lane, and the fret whose space holds the tone.
          const frets: (number | null)[] = neck.open.map(() => null)
          for (const tone of tones) {
            const wire = lane.wires.toSorted((a, b) => Math.abs(a.y - tone.y) - Math.abs(b.y - tone.y))[0]
            const fret = sheet.frets.find(({ middle, width }) => Math.abs(middle - tone.x) <= width / 2)?.fret
            if (wire) frets[wire.string] = fret ?? 0
          }
          expect(frets).toEqual(place.frets)
          expect(tones.filter(({ moved }) => moved).length).toBe(place.from.length)
        }
      for (const lane of sheet.lanes)
        expect(lane.missing).toEqual(map.rows[lane.row]?.cells.filter(({ kind }) => kind === 'gap'))
      const told = [...sheet.lanes.map(({ strings }) => strings), ...sheet.folded.flatMap(({ strings }) => strings)]
      expect(told.map(String).toSorted()).toEqual(map.rows.map(({ strings }) => String(strings)).toSorted())
    }),
    { numRuns: 40 },
  )
})

test('lanes lie under one another, and no words of a lane overlap', () => {
  fc.assert(
    fc.property(ASKED, (asked) => {
      const { lanes, height } = drawn(asked).sheet
      let end = 0
      for (const lane of lanes) {
        expect(lane.top).toBeCloseTo(end)
        end = lane.top + lane.height
        for (const { y } of lane.wires) expect(y > lane.top && y < end).toBe(true)
        const words = lane.places.flatMap(({ words }) => words ?? []).toSorted((a, b) => a.x - b.x)
        for (const [at, { x, name, told }] of words.entries()) {
          const next = words[at + 1]
          const half = (text: string) => (text.length * 6.1) / 2
          if (next) expect(x + half(name + told)).toBeLessThanOrEqual(next.x - half(next.name + next.told) + 0.01)
        }
      }
      expect(height).toBeCloseTo(end)
    }),
    { numRuns: 30 },
  )
})

const EBMAJ9 = { chord: 'Ebmaj7', arrangement: 'drop-2', tuning: 'standard', add: '9', open: 'never' }

test('a seventh chord in drop 2 fits without scrolling', () =>
  expect(drawn(EBMAJ9).sheet.height).toBeLessThanOrEqual(555))

test('pointing at any tone finds a place that has it; far from all there is none', () => {
  const { sheet } = drawn(EBMAJ9)
  for (const lane of sheet.lanes)
    for (const { tones } of lane.places)
      for (const { string, fret, x, y } of tones) expect(placeAt(lane, x, y)?.place.frets[string]).toBe(fret)
  const [lane] = sheet.lanes
  expect(lane && placeAt(lane, sheet.left, lane.top - 80)).toBeUndefined()
})

test('arrows go along a lane and across lanes, end at its ends, and reach every place', () => {
  const { map, sheet } = drawn(EBMAJ9)
  const all = map.rows.flatMap(placesOf)
  const [first] = all
  if (!first) throw new Error('an empty map')
  const seen = new Set([first])
  for (const at of seen)
    for (const way of ['left', 'right', 'up', 'down'] as const) {
      const next = placeBeside(sheet.lanes, at, way)
      if (next) seen.add(next)
    }
  expect(seen.size).toBe(all.length)
  expect(placeBeside(sheet.lanes, first, 'left')).toBeUndefined()
  expect(placeBeside(sheet.lanes, first, 'up')).toBeUndefined()
})

test('for a left hand the nut is at the right, and frets go to the left', () => {
  const { left, right } = drawn(EBMAJ9, { leftHanded: true }).sheet
  expect(left).toBeGreaterThan(right)
})
