import { expect, test } from 'vitest'
import { matches } from './matches.ts'

const shape = {
  id: 1, name: 'Low Tide Waltz, turn', chord: 'Cm7b5', frets: 'x3434x', tuning: '', fingers: '', note: 'No fifth; the bass has it.', createdAt: '', version: 1,
} // biome-ignore format: one breath

test.each([
  ['', true],
  ['waltz', true],
  ['TIDE turn', true],
  ['waltz kettle', false],
  ['kettle waltz', false],
  ['Cm7♭5', true],
  ['x3434x low', true],
  ['bass', true],
  ['drums', false],
])('“%s” finds it: %s', (find, found) => expect(matches(shape, find)).toBe(found))
