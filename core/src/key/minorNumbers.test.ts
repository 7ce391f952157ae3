/** Numbers in minor as players say them: an accidental names what natural minor has, capitals beside small letters are major. */
import { expect, test } from 'vitest'
import { writeSymbol } from '../chord/index.ts'
import { must } from '../result/index.ts'
import type { Depth } from './chordScale.ts'
import { readKey } from './key.ts'
import { readNumbers } from './numbers.ts'

const chords = (key: string, text: string, depth: Depth = 'triads') =>
  must(readNumbers(text, must(readKey(key)), depth))
    .map((chord) => writeSymbol(chord, { ascii: true }))
    .join(' ')

test.each([
  ['Em', 'i bVII bVI V', 'Em D C B'],
  ['Em', 'i VII VI V', 'Em D C B'],
  ['Em', 'i bIII', 'Em G'],
  ['Em', 'i iv v', 'Em Am Bm'],
  ['Em', 'i IV', 'Em A'],
  ['Em', 'I IV V', 'Em Am B'],
  ['Em', '1 4 5', 'Em Am B'],
  ['Em', '1 b7 b6 5', 'Em D C B'],
  ['Am', 'i bII V i', 'Am Bb E Am'],
  ['Am', 'ii° V i', 'Bdim E Am'],
  ['C', 'I bVII IV I', 'C Bb F C'],
  ['C', 'ii V I', 'Dm G C'],
  ['C', 'I bIII bVI bVII', 'C Eb Ab Bb'],
])('in %s, %s is %s', (key, text, expected) => expect(chords(key, text)).toBe(expected))

test('with their sevenths too', () => {
  expect(chords('Cm', 'ii V i', 'sevenths')).toBe('Dm7b5 G7 Cm7')
  expect(chords('Cm', 'i bVII bVI V', 'sevenths')).toBe('Cm7 Bb7 Abmaj7 G7')
})
