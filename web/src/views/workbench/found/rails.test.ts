import { shapesFor } from '@nestling/core/answer'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { readTypedLine } from '@nestling/core/request'
import { writeFrets } from '@nestling/core/voicing'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../../contracts/settings.ts'
import { neckLayout, TOLD_MARGINS } from '../../../neck/layout.ts'
import { lanesOf, railsOf } from './rails.ts'
import { shapesIn, stringsMask } from './shapes.ts'

const player = playerOf(DEFAULT_SETTINGS)
const neck = neckOf(STANDARD_INSTRUMENT)
const found = (line: string) => {
  const read = readTypedLine(line, player)
  if (!read.ok) throw new Error(read.error.code)
  return shapesIn(shapesFor(read.value.question, player), read.value.question.chord, neck)
}

test('every shape has a bar, each exactly once, on the rail of its strings', () => {
  const shapes = found('Am7 open')
  const rails = railsOf(shapes, neckLayout(neck, 15, { lowOnTop: false, leftHanded: false }), undefined)
  const drawn = rails.flatMap(({ mask, bars }) =>
    bars.map(({ shape }) => {
      expect(stringsMask(shape.frets)).toBe(mask)
      return writeFrets(shape.frets)
    }),
  )
  expect(drawn.toSorted()).toEqual(shapes.map(({ frets }) => writeFrets(frets)).toSorted())
  expect(new Set(rails.map(({ mask }) => mask)).size).toBe(rails.length)
})

test('no bar covers another, on either side of the nut, and there are no more lanes than shapes at one place', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('Cmaj9', 'E7 open', 'F#m7b5', 'C open', 'Dm9 rootless'),
      fc.boolean(),
      (line, leftHanded) => {
        const layout = neckLayout(neck, 15, { lowOnTop: false, leftHanded }, TOLD_MARGINS)
        for (const { bars, lanes } of railsOf(found(line), layout, undefined)) {
          const covered = bars.filter((bar, index) =>
            bars
              .slice(0, index)
              .some(
                (other) =>
                  bar.lane === other.lane && other.left + other.width > bar.left && bar.left + bar.width > other.left,
              ),
          )
          expect(covered).toEqual([])
          const crowd = bars.map(({ left }) =>
            bars.filter((one) => one.left <= left && one.left + one.width + 3 > left),
          )
          expect(lanes).toBe(Math.max(...crowd.map((at) => at.length)))
        }
      },
    ),
    { numRuns: 12 },
  )
})

test('the lanes hold every bar, each where its rail has it', () => {
  const layout = neckLayout(neck, 15, { lowOnTop: false, leftHanded: false })
  const rails = railsOf(found('C open'), layout, undefined)
  const lanes = lanesOf(rails)
  expect(lanes).toHaveLength(rails.reduce((sum, rail) => sum + rail.lanes, 0))
  for (const { mask, lane, bars } of lanes)
    for (const bar of bars) expect([stringsMask(bar.shape.frets), bar.lane]).toEqual([mask, lane])
  expect(lanes.flatMap(({ bars }) => bars)).toHaveLength(found('C open').length)
})

test('a bar reaches from the lowest to the highest fingertip, the nut where a string rings open', () => {
  const layout = neckLayout(neck, 15, { lowOnTop: false, leftHanded: false })
  const bars = railsOf(found('C open'), layout, undefined).flatMap((rail) => rail.bars)
  const at = (frets: string) => bars.find(({ shape }) => writeFrets(shape.frets) === frets)
  const open = at('x32010')
  expect(open && [open.left + 14, open.left + open.width - 14]).toEqual([layout.tipX(0), layout.tipX(3)])
  const barre = at('x35553')
  expect(barre && [barre.left + 14, barre.left + barre.width - 14].map(Math.round)).toEqual(
    [layout.tipX(3), layout.tipX(5)].map(Math.round),
  )
})

test('the rail that is asked for comes first, the others as they were ranked', () => {
  const layout = neckLayout(neck, 15, { lowOnTop: false, leftHanded: false })
  const shapes = found('Cmaj7 drop2')
  const ranked = [...new Set(shapes.map(({ frets }) => stringsMask(frets)))]
  const hand = ranked.at(-1)
  expect(railsOf(shapes, layout, hand).map(({ mask }) => mask)).toEqual([hand, ...ranked.slice(0, -1)])
})
