import { expect, test } from 'vitest'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { handOn, handVerdict, MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { changedCell, type MapChange } from './mapChange.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const { bestFingering } = handOn(neck, MEDIUM_HAND)
const chord = (text: string) => {
  const read = readSymbol(text)
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}
const cell = (symbol: string, text: string, change: MapChange) => {
  const shape = readFrets(text)
  const voicing = shape.ok ? voicingOf(chord(symbol), shape.value, neck) : undefined
  if (!voicing) throw new Error(text)
  return changedCell(voicing, change, neck, (frets) => handVerdict(frets, neck, MEDIUM_HAND, bestFingering(frets)))
}

test.each([
  ['C', 'xx555x', 'm', 'xx554x', [[4, -1]]],
  [
    'C',
    'xx555x',
    'dim',
    'xx454x',
    [
      [2, -1],
      [4, -1],
    ],
  ],
  ['C', 'xx555x', 'sus4', 'xx556x', [[4, 1]]],
])('%s %s becomes C%s as %s', (symbol, shape, suffix, expected, moves) => {
  const changed = cell(symbol, shape, { kind: 'morph', formula: chord(`C${suffix}`).formula })
  expect(
    changed.kind === 'shape' && [
      writeFrets(changed.voicing.frets),
      changed.moves.map(({ string, by }) => [string, by]),
    ],
  ).toEqual([expected, moves])
})

test('a ninth by the moved root makes a shape that is known already', () => {
  const changed = cell('Ebmaj7', 'x6878x', { kind: 'extend', extension: '9', way: 'root-moves' })
  expect(changed.kind === 'shape' && changed.knownAs && writeSymbol(changed.knownAs)).toBe('Gm7')
})

test('what can’t go along is told', () =>
  expect(cell('Ebmaj7', 'x6878x', { kind: 'morph', formula: chord('C').formula })).toMatchObject({ kind: 'lost' }))

test('a shape that no other usual chord has is known as nothing else', () => {
  const changed = cell('Ebmaj7', 'x6878x', { kind: 'none' })
  expect(changed.kind === 'shape' && changed.knownAs).toBeUndefined()
})

test('a row of cells is known by one family: every rootless cell of Cmaj9 is Em7', () => {
  const known = ['x5545x', 'x7978x', 'x-10-12-9-12-x', 'x-14-14-12-15-x'].map((text) => {
    const one = cell('Cmaj9', text, { kind: 'none' })
    return one.kind === 'shape' ? one.knownAs && writeSymbol(one.knownAs) : undefined
  })
  expect(new Set(known)).toEqual(new Set(['Em7']))
})
