import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND, shapeJudge } from '@nestling/core/hand'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { readShape, voicingOf, writeShape } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { changedCell, type MapChange, movesWords } from './change.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const judge = shapeJudge(neck, MEDIUM_HAND)
const chord = (text: string) => {
  const read = readSymbol(text)
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}
const cell = (symbol: string, text: string, change: MapChange) => {
  const shape = readShape(text)
  const voicing = shape.ok ? voicingOf(chord(symbol), shape.value, neck) : undefined
  if (!voicing) throw new Error(text)
  return changedCell(voicing, change, neck, judge)
}

test.each([
  ['C', 'xx555x', 'm', 'xx554x', 'string 2 −1'],
  ['C', 'xx555x', 'dim', 'xx454x', 'string 4 −1, string 2 −1'],
  ['C', 'xx555x', 'sus4', 'xx556x', 'string 2 +1'],
])('%s %s becomes C%s as %s: %s', (symbol, shape, suffix, expected, words) => {
  const changed = cell(symbol, shape, { kind: 'morph', formula: chord(`C${suffix}`).formula })
  expect(changed.kind === 'shape' && [writeShape(changed.voicing.frets), movesWords(changed.moves, 6)]).toEqual([
    expected,
    words,
  ])
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
