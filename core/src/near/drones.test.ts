import { describe, expect, test } from 'vitest'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { neckOf, readKnownTuning, STANDARD_INSTRUMENT, stringIndex } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { droneShapes, dronesOver } from './index.ts'

const tuned = (name: string) => neckOf({ ...STANDARD_INSTRUMENT, tuning: must(readKnownTuning(name)) })
const chord = (symbol: string) => must(readSymbol(symbol))

test.each([
  ['standard', 'E', '6 R, 5 11, 4 b7, 3 #9, 2 5, 1 R'],
  ['D A D F# A D', 'G', '6 5, 5 9, 4 5, 3 7, 2 9, 1 5'],
])('in %s the open strings are over %s: %s', (tuning, symbol, expected) =>
  expect(
    dronesOver(chord(symbol), tuned(tuning))
      .map(({ string, degree }) => `${6 - string} ${degree}`)
      .join(', '),
  ).toBe(expected),
)

describe('root, third and fifth on strings 5 4 3 while the others ring, in D A D F♯ A D', () => {
  const neck = tuned('D A D F# A D')
  const strings = [5, 4, 3].map((number) => stringIndex(number, 6)).sort((a, b) => a - b)
  const shapes = droneShapes(chord('D'), strings, neck, 130)
  test('every shape presses those strings only, and all open strings ring', () => {
    expect(shapes.length).toBeGreaterThan(0)
    for (const { frets } of shapes) {
      expect(frets.filter((fret) => fret === 0)).toHaveLength(3)
      for (const string of strings) expect(frets[string]).toBeGreaterThan(0)
    }
  })
  test('over D the drones D, A and D add nothing to its name', () =>
    expect(shapes.map(({ name }) => writeSymbol({ root: name.chord.root, formula: name.chord.formula }))).toEqual(
      shapes.map(() => 'D'),
    ))
  test('G takes the open D and A as fifth and ninth', () => {
    const [first] = droneShapes(chord('G'), strings, neck, 130)
    expect(
      first && `${writeFrets(first.frets)} ${first.name.chord.root} ${first.name.chord.formula.join(' ')}`,
    ).toMatch(/ G R 3 5 9$/)
  })
})
