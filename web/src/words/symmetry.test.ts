import { readSymbol } from '@nestling/core/chord'
import { must } from '@nestling/core/result'
import { expect, test } from 'vitest'
import { symmetryWords } from './symmetry.ts'

test.each([
  ['Cdim7', 'Three frets: the same four notes, now E♭dim7'],
  ['Caug', 'Four frets: the same three notes, now Eaug'],
  ['Cdim', 'Three frets: only ♭3 and ♭5 stay'],
  ['C7', undefined],
  ['Cm7b5', undefined],
])('%s: %s', (symbol, words) => expect(symmetryWords(must(readSymbol(symbol)), 'letters')).toBe(words))

test('a shape that leaves a tone out says which of its own stay', () => {
  const dim7 = must(readSymbol('Cdim7'))
  expect(symmetryWords(dim7, 'letters', ['b3', 'b5', 'bb7'])).toBe('Three frets: ♭5 and 𝄫7 stay, now E♭dim7')
  expect(symmetryWords(must(readSymbol('Caug')), 'letters', ['R', '3'])).toBe('Four frets: only 3 stays, now Eaug')
})
