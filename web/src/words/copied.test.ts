import { readShape, type Shape } from '@nestling/core/shape'
import { expect, test } from 'vitest'
import { lineCopied, shapesCopied } from './copied.ts'

const shape = (chord: string, frets: string, tuning = 'E2,A2,D3,G3,B3,E4'): Shape => {
  const read = readShape({ chord, frets, tuning, fingers: '' })
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}

test('shapes are copied a line each, and as TAB under their symbols', () => {
  const { text, tab } = shapesCopied(
    [shape('Ebmaj7', 'x6878x'), shape('Ab9', '4x344x'), shape('Cmaj7', 'x-10-x-9-12-x')],
    {},
  )
  expect(text).toBe('E♭maj7 x6878x\nA♭9 4x344x\nCmaj7 x-10-x-9-12-x')
  expect(tab.split('\n')).toEqual([
    '   E♭maj7  A♭9  Cmaj7',
    'E|---------------------|',
    'B|-8-------4----12-----|',
    'G|-7-------4----9------|',
    'D|-8-------3-----------|',
    'A|-6------------10-----|',
    'E|---------4-----------|',
  ])
  expect(
    new Set(
      tab
        .split('\n')
        .slice(1)
        .map((line) => line.length),
    ).size,
  ).toBe(1)
})

test('a shape of another instrument stays in the text and is no column', () => {
  const { text, tab } = shapesCopied([shape('Cmaj7', 'x32000'), shape('C', '2010', 'D3,G3,B3,E4')], {})
  expect(text.split('\n')).toHaveLength(2)
  expect(tab.split('\n')).toHaveLength(7)
  expect(shapesCopied([], {})).toEqual({ text: '', tab: '' })
})

test('a line is copied note by note, strings named as the player names them', () => {
  const { tuning } = shape('Cmaj7', 'x32000')
  const notes = [
    { string: 1, fret: 3 },
    { string: 2, fret: 2 },
    { string: 5, fret: 12 },
  ]
  const { text, tab } = lineCopied('Cmaj7', notes, tuning.strings, 'german')
  expect(text).toBe('Cmaj7: 5/3 4/2 1/12')
  expect(tab.split('\n')).toEqual([
    '   Cmaj7',
    'E|----------12-|',
    'H|-------------|',
    'G|-------------|',
    'D|--------2----|',
    'A|-3-----------|',
    'E|-------------|',
  ])
})
