import fc from 'fast-check'
import { expect, test } from 'vitest'
import { barsOf, beatOf, isAccented, NOTE_VALUES, NOTES_A_BEAT } from './rhythm.ts'

test.each([
  [8, 'eighth', 4, [[8, 0, 0]]],
  [
    9,
    'eighth',
    4,
    [
      [8, 0, 0],
      [1, 1, 3],
    ],
  ],
  [7, 'triplet', 3, [[7, 2, 0]]],
  [
    5,
    'quarter',
    4,
    [
      [4, 0, 0],
      [1, 0, 3],
    ],
  ],
  [
    18,
    'sixteenth',
    4,
    [
      [16, 0, 0],
      [2, 2, 3],
    ],
  ],
  [0, 'eighth', 4, []],
] as const)('%d notes as %s in %d', (count, value, beatsPerBar, expected) =>
  expect(
    barsOf(count, value, beatsPerBar).map(({ notes, shortRests, restBeats }) => [notes.length, shortRests, restBeats]),
  ).toEqual(expected),
)

test('every bar is full, every note stands in it once, in order', () => {
  fc.assert(
    fc.property(fc.nat(200), fc.constantFrom(...NOTE_VALUES), fc.integer({ min: 2, max: 7 }), (count, value, beats) => {
      const bars = barsOf(count, value, beats)
      expect(bars.flatMap(({ notes }) => notes)).toEqual(Array.from({ length: count }, (_, index) => index))
      for (const { notes, shortRests, restBeats } of bars)
        expect((notes.length + shortRests) / NOTES_A_BEAT[value] + restBeats).toBeCloseTo(beats, 9)
    }),
  )
})

test('the fifth triplet note comes a beat and a third after the first', () =>
  expect(beatOf(4, 'triplet')).toBeCloseTo(4 / 3))

test.each([
  ['beat', [0, 2, 4]],
  ['bar', [0]],
  ['root', [3]],
  ['none', []],
] as const)('accents by %s', (accent, expected) => {
  const rule = { accent, value: 'eighth', beatsPerBar: 3 } as const
  expect([0, 1, 2, 3, 4, 5].filter((index) => isAccented(index, index === 3, rule))).toEqual(expected)
})
