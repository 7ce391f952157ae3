import { CATALOGUE, readSymbol } from '@nestling/core/chord'
import { expect, test } from 'vitest'
import { spokenChord, spokenNote } from './spoken.ts'

test.each([
  ['C', 'C'],
  ['Ebmaj7', 'E flat major seven'],
  ['F#m7b5', 'F sharp minor seven flat five'],
  ['Bbdim7', 'B flat diminished seven'],
  ['G7#9', 'G seven sharp nine'],
  ['C6/9', 'C six nine'],
  ['Cm(maj7)', 'C minor major seven'],
  ['Asus4', 'A suspended four'],
  ['Cadd9', 'C add nine'],
  ['E5', 'E five'],
  ['D/F#', 'D over F sharp'],
  ['C13#11', 'C thirteen sharp eleven'],
])('%s is said "%s"', (symbol, said) => {
  const chord = readSymbol(symbol)
  expect(chord.ok && spokenChord(chord.value)).toBe(said)
})

test('in German and in syllables roots and basses are said as they are named', () => {
  const chord = readSymbol('Ebmaj7/B')
  expect(chord.ok && spokenChord(chord.value, 'german')).toBe('Es major seven over H')
  expect(chord.ok && spokenChord(chord.value, 'syllables')).toBe('mi flat major seven over si')
  expect(spokenNote('Bbb')).toBe('B double flat')
})

test('no chord of the catalogue is said with a sign or a bracket', () => {
  for (const { formula } of CATALOGUE) expect(spokenChord({ root: 'Db', formula })).toMatch(/^D flat( [a-z]+)*$/)
})
