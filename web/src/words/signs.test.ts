import { expect, test } from 'vitest'
import { lineSigns } from './signs.ts'

test.each([
  ['Bbm7b5 drop 2', 'B♭m7♭5 drop 2'],
  ['F#m7/Eb no b3', 'F♯m7/E♭ no ♭3'],
  ['Ebb R b3', 'E♭b R ♭3'],
  ['C 3rd bass', 'C 3rd bass'],
])('%s: %s', (line, signed) => expect(lineSigns(line)).toBe(signed))
