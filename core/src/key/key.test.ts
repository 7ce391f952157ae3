import { expect, test } from 'vitest'
import { writeSymbol } from '../chord/index.ts'
import { NOTE_NAMES } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { chordScale, keyOf, MAJOR, readKey, SCALES, writeKey } from './index.ts'

test.each([
  ['Bb', 'Bb C D Eb F G A'],
  ['F# minor', 'F# G# A B C# D E'],
  ['Gm', 'G A Bb C D Eb F'],
  ['A♭ major', 'Ab Bb C Db Eb F G'],
  ['C#', 'C# D# E# F# G# A# B#'],
  ['F# Dorian', 'F# G# A B C# D# E'],
  ['c harmonic minor', 'C D Eb F G Ab B'],
  ['CM', 'C D E F G A B'],
  ['Cm', 'C D Eb F G Ab Bb'],
  ['B altered', 'B C D Eb F G A'],
])('%s has %s', (text, notes) => {
  const key = readKey(text)
  expect(key.ok && key.value.notes.join(' ')).toBe(notes)
})

test('la mineur is no key in letters; a sharp ninth neither', () => {
  expect(readKey('H dur', ['german'])).toMatchObject({ ok: true, value: { tonic: 'B', scale: MAJOR } })
  expect(readKey('C7#9')).toMatchObject({ ok: false, error: { at: 0, code: 'not_a_key' } })
  expect(readKey('')).toMatchObject({ ok: false })
})

test.each([
  ['Bb', 'Bb Cm Dm Eb F Gm Adim'],
  ['F#m', 'F#m G#dim A Bm C#m D E'],
  ['Ab', 'Ab Bbm Cm Db Eb Fm Gdim'],
])('the triads of %s are %s', (text, symbols) =>
  expect(
    chordScale(must(readKey(text)), 'triads')
      .map(({ chord }) => writeSymbol(chord, { ascii: true }))
      .join(' '),
  ).toBe(symbols),
)

test('every key of every seven-note scale is written and read back, in every way of naming notes', () => {
  let keys = 0
  for (const scale of SCALES.filter(({ degrees }) => degrees.length === 7))
    for (const tonic of NOTE_NAMES) {
      const key = keyOf(tonic, scale)
      if (!key) continue
      keys++
      for (const naming of ['letters', 'syllables', 'german'] as const)
        expect(must(readKey(writeKey(key, { naming }), [naming, 'letters']))).toEqual(key)
      expect(must(readKey(writeKey(key, { ascii: true })))).toEqual(key)
    }
  expect(keys).toBeGreaterThan(400)
  // A copy, as a worker sends it.
  expect(writeKey(structuredClone(must(readKey('D major'))))).toBe('D major')
})

test('a tonic whose scale needs three accidentals is told as such', () =>
  expect(readKey('G## major')).toMatchObject({ ok: false, error: { code: 'key_unspellable', tonic: 'G##' } }))

test.each([
  ['AM', 'A major'],
  ['Am', 'A minor'],
  ['do majeur', 'C major'],
  ['la mineur', 'A minor'],
  ['A moll', 'A minor'],
  ['C-Dur', 'C major'],
  ['Es-Dur', 'Eb major'],
  ['h-moll', 'B minor'],
])('the key %s is %s', (text, key) => expect(writeKey(must(readKey(text)), { ascii: true })).toBe(key))
