import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { neckOf, readKnownTuning, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { dronesOver } from './index.ts'

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
