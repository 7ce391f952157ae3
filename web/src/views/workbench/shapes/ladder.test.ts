import { shapesFor } from '@nestling/core/answer'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { type Player, readTypedLine } from '@nestling/core/request'
import { readFrets, travel, writeFrets } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { filtered, type LadderShape, ladderOf, positionOf, shapesIn } from './ladder.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const player: Player = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [], hand: MEDIUM_HAND, school: 'drop-fifth', thumb: false, naming: ['letters'], withBassPlayer: false,
} // biome-ignore format: one breath
const found = (line: string) => {
  const question = readTypedLine(line, player)
  if (!question.ok) throw new Error(question.error.code)
  return shapesIn(shapesFor(question.value, player), question.value.chord, neck)
}
const shape = (text: string) => {
  const read = readFrets(text)
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}
const shapesOf = (rows: ReturnType<typeof ladderOf>) => rows.filter((row): row is LadderShape => row.kind === 'shape')

test('a few single shapes need no heads', () =>
  expect(ladderOf(found('Ebmaj7 drop2 5432'), 'ease', undefined).map(({ kind }) => kind)).not.toContain('head'))

test('over many string sets the shapes stay in the order of the ranking', () => {
  const shapes = found('Bm')
  expect(ladderOf(shapes, 'ease', undefined)).toEqual(shapes)
  expect(shapes.slice(0, 6).map(({ frets }) => writeFrets(frets))).toContain('x24432')
})

test('on one set each shape stands once, under the head of its bass tone', () => {
  const shapes = found('Cm7 any 5432')
  const rows = ladderOf(shapes, 'ease', undefined)
  expect(shapesOf(rows)).toHaveLength(shapes.length)
  expect(rows.length).toBeGreaterThan(shapes.length)
  let head: (typeof rows)[number] | undefined
  for (const row of rows) {
    if (row.kind === 'head') head = row
    else expect(head).toMatchObject({ bass: row.bass })
  }
  const heads = rows.flatMap((row) => (row.kind === 'head' ? [`${row.strings} ${row.bass}`] : []))
  expect(new Set(heads).size).toBe(heads.length)
  expect(heads).toContain('5 4 3 2 R')
})

test('by ease the easiest is first; along the neck the lowest; by closeness the shape in hand', () => {
  const shapes = found('Ebmaj7 drop2 5432')
  expect(shapesOf(ladderOf(shapes, 'ease', undefined))[0]).toBe(shapes[0])
  expect(shapesOf(ladderOf(shapes, 'neck', undefined))[0]?.lowest).toBe(Math.min(...shapes.map(({ lowest }) => lowest)))
  const inHand = shape('x-10-12-8-11-x')
  const nearest = shapesOf(ladderOf(shapes, 'near', inHand))[0]
  expect(nearest && writeFrets(nearest.frets)).toBe('x-10-12-8-11-x')
})

test('filters keep what they say, and together no more than each alone', () => {
  const shapes = found('Cm7')
  const third = filtered(shapes, { bass: 'b3', position: undefined, playable: false })
  const low = filtered(shapes, { bass: undefined, position: '1–4', playable: false })
  const both = filtered(shapes, { bass: 'b3', position: '1–4', playable: false })
  expect(third.every(({ bass }) => bass === 'b3')).toBe(true)
  expect(low.every((one) => positionOf(one) === '1–4')).toBe(true)
  expect(both.length).toBeGreaterThan(0)
  expect(both.length).toBeLessThan(Math.min(third.length, low.length))
})

test.each([
  ['x6878x', 'x6878x', 0],
  ['x6878x', 'x6868x', 1],
  ['x6878x', 'xx878x', 3],
])('from %s to %s it is %d', (a, b, way) => expect(travel(shape(a), shape(b))).toBe(way))
