import { CATALOGUE, readFormula, readSymbol, readThirds, writeSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { readKey } from '@nestling/core/key'
import { instrumentProblems, readStringSet, readTuning, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { type Player, readQuestion, readTypedLine } from '@nestling/core/request'
import { readArrangement, readFrets } from '@nestling/core/voicing'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { instrumentWords, messageOf, type ToldError, wordsOf } from './errors.ts'

const player: Player = {
  instrument: STANDARD_INSTRUMENT,
  ownTunings: [],
  hand: MEDIUM_HAND,
  school: 'drop-fifth',
  thumb: false,
  naming: ['letters'],
  withBassPlayer: false,
}
const told = (read: { ok: true } | { ok: false; error: ToldError }) => (read.ok ? undefined : messageOf(read.error))

test.each([
  ['C7x9', 'x9 is not a tension; expected b9, 9 or #9'],
  ['C7b9b9', 'b9 is named twice; once is enough'],
  ['C7b5#11', '#11 sounds as b5, which the chord already has; keep one of them'],
  ['', 'nothing to read; expected a note name such as C, F# or Bb first'],
  ['xyz', 'xyz does not start with a note; expected a note name such as C, F# or Bb first'],
  ['C7(b9', '( is never closed; expected ) after the tensions'],
  ['C2', '2 alone is read in two ways; write sus2 or add9'],
  ['C/', 'nothing is not a bass note; expected a note name after /'],
  ['C7/Q', 'Q is not a bass note; expected a note name after /'],
])('%s: %s', (symbol, message) => expect(told(readSymbol(symbol))).toBe(message))

test.each([
  [readFormula('R 3 5 8'), '8 is not a degree; expected degrees such as R b3 5 b7 9 #11'],
  [readThirds('m3 P4'), 'P4 is not a third; expected m3 or M3'],
  [readTuning('E2,Q2'), "Q2 is not a string's pitch; expected a note with its octave, such as E2 or F#3"],
  [
    readStringSet('99', 6),
    '9 is not another string of 6; expected string numbers from 6 (lowest) to 1, each once, such as 5432',
  ],
  [
    readFrets('x3201', 6),
    '5 strings where the tuning has 6; expected one fret, 0 or x per string, low to high, such as x35343 or x-10-12-10-12-x',
  ],
  [readKey('Blue'), 'Blue is not a key; expected a key such as Bb, Bb major, Gm, G minor or F# Dorian'],
  [
    readArrangement('sideways'),
    'sideways is no arrangement and no degree; expected close, drop-2, drop-3, drop-2-4, drop-2-3, spread, shell, any, or degrees such as R-7-3-5',
  ],
  [readQuestion({ chord: 'C', bass: '7' }, player), '7 is not in the chord; expected a tone of the chord: R 3 5'],
  [readQuestion({ chord: 'C', fretMin: '99' }, player), '99 is no such number; expected a whole number from 1 to 36'],
  [
    readTypedLine('Cmaj7 drop2 sideways', player),
    'sideways is not part of the line here; expected close, drop 2, a string set such as 5432, 3rd bass, or no 5',
  ],
] as const)('%#: %s', (read, message) => expect(told(read as Parameters<typeof told>[0])).toBe(message))

test('an instrument’s numbers say what they are and what they may be', () =>
  expect(
    instrumentProblems({ ...STANDARD_INSTRUMENT, frets: 2, capo: { fret: 2, strings: [] } }).map(
      (problem) => instrumentWords(problem).message,
    ),
  ).toEqual([
    'the number of frets is 2; expected 5 to 36 frets',
    'the highest fret within reach is 17; expected 5 to 2 frets',
    'a partial capo holds some of the strings 1 to 6',
  ]))

test('whatever is typed, a refusal is one short sentence with what would be right', () => {
  const symbols = CATALOGUE.map(({ formula }) => writeSymbol({ root: 'C', formula }, { ascii: true }))
  const any = fc.oneof(
    fc.string({ maxLength: 200, unit: 'grapheme' }),
    fc.tuple(fc.constantFrom(...symbols), fc.string({ maxLength: 12, unit: 'grapheme' })).map((both) => both.join('')),
  )
  let refused = 0
  fc.assert(
    fc.property(any, (text) => {
      const read = readTypedLine(text, player)
      if (read.ok) return
      refused++
      const { message, expected } = wordsOf(read.error)
      expect(message).toMatch(/expected|enough|keep|write|add|at most/)
      expect(message.length).toBeLessThan(260)
      expect(expected.length).toBeGreaterThan(1)
    }),
  )
  expect(refused).toBeGreaterThan(20)
})
