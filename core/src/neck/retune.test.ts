import { expect, test } from 'vitest'
import { midiOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { readKnownTuning, retuning, STANDARD_TUNING, tensionN, usualGauge } from './index.ts'

const tuning = (name: string) => must(readKnownTuning(name))

test('from standard to D A D G A D three strings go down a whole step', () =>
  expect(
    retuning(STANDARD_TUNING, tuning('dadgad'), STANDARD_TUNING)?.map(({ number, semitones }) => [number, semitones]),
  ).toEqual([
    [6, -2],
    [5, 0],
    [4, 0],
    [3, 0],
    [2, -2],
    [1, -2],
  ]))

test('C G C G C E takes no string more than two up; from there back to standard neither', () => {
  const open = tuning('C G C G C E')
  expect(retuning(STANDARD_TUNING, open, STANDARD_TUNING)?.some(({ risky }) => risky)).toBe(false)
  expect(retuning(open, STANDARD_TUNING, STANDARD_TUNING)?.map(({ semitones }) => semitones)).toEqual([
    4, 2, 2, 0, -1, 0,
  ])
})

test('all fifths would take strings 2 and 1 far above what they were made for', () =>
  expect(
    retuning(STANDARD_TUNING, tuning('all fifths'), STANDARD_TUNING)
      ?.filter(({ risky }) => risky)
      .map(({ number, semitones }) => [number, semitones]),
  ).toEqual([
    [2, 5],
    [1, 7],
  ]))

test('there and back is no way at all', () => {
  const there = retuning(STANDARD_TUNING, tuning('D G D G B D'), STANDARD_TUNING) ?? []
  const back = retuning(tuning('D G D G B D'), STANDARD_TUNING, STANDARD_TUNING) ?? []
  expect(there.map((one, index) => one.semitones + (back[index]?.semitones ?? 99))).toEqual([0, 0, 0, 0, 0, 0])
})

test('another number of strings has no directions', () =>
  expect(retuning(STANDARD_TUNING, tuning('seven strings, low B'), STANDARD_TUNING)).toBeUndefined())

test('a .012 plain string at E4 on 648 mm pulls about 105 N, and twice the length four times as much', () => {
  // 7850 · π · (0.1524 mm)² · (2 · 0.648 m · 329.63 Hz)², worked by hand.
  const first = { diameterMm: 0.3048, wound: false }
  expect(tensionN(first, 648, 64)).toBeCloseTo(104.5, 0)
  expect(tensionN(first, 1296, 64) / tensionN(first, 648, 64)).toBeCloseTo(4, 9)
  expect(tensionN(first, 648, 66) / tensionN(first, 648, 64)).toBeCloseTo(2 ** (4 / 12), 9)
})

test('usual gauges grow thicker as strings go lower, and are wound from the fourth down', () => {
  const gauges = STANDARD_TUNING.strings.map((pitch) => usualGauge(648, midiOf(pitch)))
  for (let index = 1; index < gauges.length; index++)
    expect(gauges[index]?.diameterMm).toBeLessThan(gauges[index - 1]?.diameterMm ?? 0)
  expect(gauges.map(({ wound }) => wound)).toEqual([true, true, true, false, false, false])
})
