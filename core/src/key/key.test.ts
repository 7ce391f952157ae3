import { expect, test } from 'vitest'
import { readKey } from './index.ts'

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
