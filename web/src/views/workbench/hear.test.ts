import { expect, test } from 'vitest'
import { withoutFifth } from './hear.ts'

test.each([
  ['a perfect fifth goes, wherever it is doubled', ['R', '5', 'R', '3', '5', 'R'], [0, null, 2, 1, null, 0]],
  ['a flat fifth is what the chord is named for', ['R', null, 'b7', 'b3', 'b5', null], [0, 2, 2, 1, 0, 0]],
  ['so is a sharp one', [null, 'R', '3', '#5', null, null], [0, 2, 2, 1, 0, 0]],
  ['a fifteenth is none', [null, null, '#15', 'bb5', null, null], [0, 2, 2, 1, 0, 0]],
])('%s', (_, degrees, kept) => expect(withoutFifth([0, 2, 2, 1, 0, 0], degrees)).toEqual(kept))
