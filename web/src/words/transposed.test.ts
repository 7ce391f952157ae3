import { expect, test } from 'vitest'
import { transposedWords } from './transposed.ts'

const shape = (chord: number, to: readonly (number | null)[] | undefined) =>
  ({ what: 'shape', chord, from: [0], to }) as const

test('what could not stay in another key is told with its bars; nothing where all went along', () => {
  expect(transposedWords([], () => 0)).toBeUndefined()
  expect(transposedWords([shape(0, [12])], (chord) => chord)).toBe(
    'In the new key: 1 held shape an octave elsewhere (bar 1).',
  )
  const all = [shape(0, undefined), shape(3, undefined), { what: 'tone', chord: 2, from: 40, to: undefined }] as const
  expect(transposedWords(all, (chord) => chord)).toBe(
    'In the new key: 2 held shapes let go, no hand holds the form there (bars 1, 4); 1 top tone an octave elsewhere or let go (bar 3).',
  )
})
