import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { midiOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import {
  COMMON_TUNINGS,
  fingertipMm,
  fretDistanceMm,
  fretsOfNote,
  type InstrumentMeasure,
  instrumentProblems,
  measureLimits,
  measureOf,
  neckOf,
  readStringSet,
  readTuning,
  STANDARD_INSTRUMENT,
  soundingMidi,
  stringSpacingMm,
  withMeasure,
  writeStringSet,
  writeTuning,
} from './index.ts'

describe('tunings', () => {
  test.each(COMMON_TUNINGS.map((tuning) => [tuning.name, tuning] as const))(
    '%s is read back as written',
    (_, tuning) => {
      expect(must(readTuning(writeTuning(tuning))).strings).toEqual(tuning.strings)
      expect(tuning.strings.length).toBeGreaterThanOrEqual(4)
    },
  )
  test('standard tuning is fourths but for the third between strings 3 and 2', () => {
    const midis = must(readTuning('E2 A2 D3 G3 B3 E4')).strings.map(midiOf)
    expect(midis.slice(1).map((midi, index) => midi - (midis[index] as number))).toEqual([5, 5, 5, 4, 5])
  })
  test('a string below the one before it is refused with its place', () =>
    expect(readTuning('E2,A2,G2,B3')).toMatchObject({ ok: false, error: { code: 'strings_fall', at: 6 } }))
  test.each([
    ['E2,A2,D3', 'string_count', 0],
    ['E2,A2,D3,Q3', 'not_a_pitch', 9],
    ['E2,A2,D3,G', 'not_a_pitch', 9],
    ['E2,A2,D3,G9', 'open_out_of_range', 9],
  ])('%s is refused: %s at %d', (text, code, at) =>
    expect(readTuning(text)).toMatchObject({ ok: false, error: { code, at } }),
  )
})

describe('string sets', () => {
  test.each([
    ['5432', 6, [1, 2, 3, 4]],
    ['6 4 3 2', 6, [0, 2, 3, 4]],
    ['2345', 6, [1, 2, 3, 4]],
    ['10 9 8', 10, [0, 1, 2]],
    ['1098', 10, [0, 1, 2]],
  ])('%s of %d strings', (text, strings, set) => expect(must(readStringSet(text, strings))).toEqual(set))
  test.each(['7543', '5543', '5', 'x', '50'])('%s is refused on six strings', (text) =>
    expect(readStringSet(text, 6).ok).toBe(false),
  )
  test('what is written is read back', () => {
    for (const [set, strings] of [
      [[0, 2, 3], 6],
      [[0, 9], 10],
      [[1, 2, 3, 4], 7],
    ] as const)
      expect(must(readStringSet(writeStringSet(set, strings), strings))).toEqual(set)
  })
})

describe('a neck with a capo', () => {
  const capo = (strings: 'all' | readonly number[]) => neckOf({ ...STANDARD_INSTRUMENT, capo: { fret: 2, strings } })
  test('over all strings raises every open string, and leaves the frets where they are', () => {
    const neck = capo('all')
    expect(neck.open).toEqual([42, 47, 52, 57, 61, 66])
    expect(soundingMidi(neck, 0, 3)).toBe(43)
    expect(neck.firstFret).toEqual([3, 3, 3, 3, 3, 3])
  })
  test('over strings 5 4 3 lets the others ring from the nut', () =>
    expect(capo([5, 4, 3]).open).toEqual([40, 47, 52, 57, 59, 64]))
})

describe('geometry of a 648 mm scale', () => {
  test.each([
    [12, 324], // half the string
    [0, 0],
    [5, 162.5], // 648 · (1 − 2^(−5/12))
    [1, 36.37],
  ])('fret %d lies %d mm from the nut', (fret, mm) => expect(fretDistanceMm(648, fret)).toBeCloseTo(mm, 1))
  test('a fingertip sits three tenths of the fret space behind the wire', () =>
    expect(fingertipMm(648, 1)).toBeCloseTo(0.7 * 36.37, 1))
  test('the strings spread from the nut to the bridge', () => {
    const neck = neckOf(STANDARD_INSTRUMENT)
    expect(stringSpacingMm(neck, 0)).toBeCloseTo(7.2, 5)
    expect(stringSpacingMm(neck, 12)).toBeGreaterThan(stringSpacingMm(neck, 1))
    expect(stringSpacingMm(neck, 12)).toBeLessThan(10.5)
  })
})

test('C lies at frets 3 and 15 of the A string', () =>
  expect(fretsOfNote(neckOf(STANDARD_INSTRUMENT), 1, 'C')).toEqual([3, 15]))

test.each([
  [{ frets: 3 }, 'frets'],
  [{ scaleLengthMm: 2000 }, 'scaleLengthMm'],
  [{ lastReachableFret: 30 }, 'lastReachableFret'],
  [{ capo: { fret: 2, strings: [9] } }, 'capo'],
])('an instrument with %j is told what is wrong', (change, field) => {
  expect(instrumentProblems({ ...STANDARD_INSTRUMENT, ...change }).map((problem) => problem.field)).toContain(field)
  expect(instrumentProblems(STANDARD_INSTRUMENT)).toEqual([])
})

describe('the measures of an instrument', () => {
  const MEASURES: readonly InstrumentMeasure[] = [
    'frets',
    'scaleLengthMm',
    'spacingNutMm',
    'spacingBridgeMm',
    'lastReachableFret',
    'capo',
  ]

  test('any row of numbers within their limits leaves an instrument that is right', () => {
    const change = fc.tuple(fc.constantFrom(...MEASURES), fc.double({ min: 0, max: 1, noNaN: true }))
    fc.assert(
      fc.property(fc.array(change, { maxLength: 12 }), (changes) => {
        let instrument = STANDARD_INSTRUMENT
        for (const [measure, share] of changes) {
          const { least, most, unit } = measureLimits(measure, instrument)
          const value = least + share * (most - least)
          const exact = unit === 'frets' ? Math.round(value) : value
          instrument = withMeasure(instrument, measure, exact)
          expect(measureOf(instrument, measure)).toBe(exact)
          expect(instrumentProblems(instrument)).toEqual([])
        }
      }),
    )
  })

  test('a number outside is taken as it is and told; its limits are the next values on either side', () => {
    for (const measure of MEASURES) {
      const { least, most } = measureLimits(measure, STANDARD_INSTRUMENT)
      for (const wrong of measure === 'capo' ? [most + 1] : [least - 1, most + 1])
        expect(
          instrumentProblems(withMeasure(STANDARD_INSTRUMENT, measure, wrong)).map(({ field }) => field),
        ).toContain(measure)
    }
  })

  test('fewer frets bring the reach and the capo along; a capo at 0 is off', () => {
    const short = withMeasure(withMeasure(STANDARD_INSTRUMENT, 'capo', 9), 'frets', 10)
    expect([short.frets, short.lastReachableFret, short.capo?.fret]).toEqual([10, 10, 7])
    expect(withMeasure(short, 'capo', 0).capo).toBeUndefined()
  })
})
