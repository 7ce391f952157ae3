import { expect, test } from 'vitest'
import { writeSymbol } from '../chord/index.ts'
import { must } from '../result/index.ts'
import { readKey, triadsOf } from './index.ts'

test.each([
  ['Bb', 'Bb C D Eb F G A'],
  ['F# minor', 'F# G# A B C# D E'],
  ['Gm', 'G A Bb C D Eb F'],
  ['A♭ major', 'Ab Bb C Db Eb F G'],
  ['C#', 'C# D# E# F# G# A# B#'],
])('%s has %s', (text, notes) => {
  const key = readKey(text)
  expect(key.ok && key.value.notes.join(' ')).toBe(notes)
})

test('la mineur is no key in letters; a sharp ninth neither', () => {
  expect(readKey('H dur', ['german'])).toMatchObject({ ok: true, value: { tonic: 'B', scale: 'major' } })
  expect(readKey('C7#9')).toMatchObject({ ok: false, error: { at: 0, code: 'not_a_key' } })
  expect(readKey('')).toMatchObject({ ok: false })
})

test.each([
  ['Bb', 'Bb Cm Dm Eb F Gm Adim'],
  ['F#m', 'F#m G#dim A Bm C#m D E'],
  ['Ab', 'Ab Bbm Cm Db Eb Fm Gdim'],
])('the triads of %s are %s', (text, symbols) =>
  expect(
    triadsOf(must(readKey(text)))
      .map((chord) => writeSymbol(chord, { ascii: true }))
      .join(' '),
  ).toBe(symbols),
)
