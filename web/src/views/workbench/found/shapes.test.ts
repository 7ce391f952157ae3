import { shapesFor } from '@nestling/core/answer'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { readTypedLine } from '@nestling/core/request'
import { voicingOf, writeFrets } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../../contracts/settings.ts'
import { foundShapeOf, shapesIn, stringsMask, stringsOfMask } from './shapes.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const player = playerOf(DEFAULT_SETTINGS)
const found = (line: string) => {
  const read = readTypedLine(line, player)
  if (!read.ok) throw new Error(read.error.code)
  return shapesIn(shapesFor(read.value.question, player), read.value.question.chord, neck)
}

test('a shape tells its bass, its lowest and highest fret, in the order of the ranking', () => {
  const shapes = found('C open')
  const at = (frets: string) => shapes.find((shape) => writeFrets(shape.frets) === frets)
  expect(at('x32010')).toMatchObject({ bass: 'R', lowest: 1, highest: 3, playable: true })
  expect(at('332010')).toMatchObject({ bass: '5' })
  expect(found('D/F#')[0]).toMatchObject({ bass: '3' })
  expect(found('C/D')[0]).toMatchObject({ bass: 'foreign' })
  expect(
    found('Bm')
      .slice(0, 6)
      .map(({ frets }) => writeFrets(frets)),
  ).toContain('x24432')
})

test('the strings of a shape as one number, and back', () => {
  const [shape] = found('Ebmaj7 drop2 5432')
  const mask = shape && stringsMask(shape.frets)
  expect(stringsOfMask(mask ?? 0, 6)).toEqual([1, 2, 3, 4])
})

test('a shape from elsewhere has the same bar as one that was found', () => {
  for (const { playable: _, ...shape } of found('Cmaj9 open').slice(0, 60)) {
    const chord = { root: 'C', formula: ['R', '3', '5', '7', '9'] } as const
    const voicing = voicingOf(chord, shape.frets, neck)
    const bar = voicing && foundShapeOf(voicing, neck)
    expect({ ...bar, reachMm: Math.round(bar?.reachMm ?? 0) }).toEqual({ ...shape, reachMm: Math.round(shape.reachMm) })
  }
})
