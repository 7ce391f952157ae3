import {
  type Instrument,
  type InstrumentMeasure,
  instrumentProblems,
  measureLimits,
  measureOf,
  readKnownTuning,
  STANDARD_INSTRUMENT,
  withMeasure,
} from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { benchScale, easePulledTo, handleAt, handPlaces, pulledTo, steppedBy, WIDTH } from './scale.ts'

const MEASURES: readonly InstrumentMeasure[] = [
  'scaleLengthMm',
  'spacingNutMm',
  'spacingBridgeMm',
  'frets',
  'lastReachableFret',
  'capo',
]
const INSTRUMENTS: fc.Arbitrary<Instrument> = fc
  .record({
    scaleLengthMm: fc.integer({ min: 560, max: 700 }),
    spacingNutMm: fc.integer({ min: 60, max: 90 }).map((tenths) => tenths / 10),
    spacingBridgeMm: fc.integer({ min: 90, max: 120 }).map((tenths) => tenths / 10),
    frets: fc.integer({ min: 12, max: 24 }),
    lastReachableFret: fc.integer({ min: 10, max: 12 }),
    capo: fc.constantFrom(undefined, { fret: 2, strings: 'all' as const }),
    handed: fc.constantFrom('right' as const, 'left' as const),
    tuning: fc.constantFrom(
      ...['standard', 'seven strings, low B', 'D2,A2,D3,G3,A3,D4'].map((text) => must(readKnownTuning(text))),
    ),
  })
  .map((numbers) => ({ ...STANDARD_INSTRUMENT, ...numbers }))
const FLIPPED = fc.boolean()
const scaleOf = (instrument: Instrument, lowOnTop = false) => benchScale(instrument, [instrument], lowOnTop)

test('a handle that is let go where it stands changes nothing', () => {
  fc.assert(
    fc.property(INSTRUMENTS, FLIPPED, fc.constantFrom(...MEASURES), (instrument, lowOnTop, measure) => {
      const scale = scaleOf(instrument, lowOnTop)
      expect(pulledTo(measure, handleAt(measure, instrument, scale), instrument, scale)).toBeCloseTo(
        measureOf(instrument, measure),
        6,
      )
    }),
  )
})

test('wherever a handle is pulled, and however it is stepped, the instrument is one that can be kept', () => {
  const point = fc.record({
    x: fc.double({ min: -50, max: WIDTH + 50, noNaN: true }),
    y: fc.double({ min: -50, max: 400, noNaN: true }),
  })
  fc.assert(
    fc.property(
      INSTRUMENTS,
      fc.constantFrom(...MEASURES),
      point,
      fc.constantFrom(1 as const, -1 as const),
      fc.boolean(),
      (instrument, measure, at, by, large) => {
        const scale = scaleOf(instrument)
        for (const value of [pulledTo(measure, at, instrument, scale), steppedBy(measure, instrument, by, large)])
          expect(instrumentProblems(withMeasure(instrument, measure, value))).toEqual([])
      },
    ),
  )
})

test('a step goes one way, by a millimetre, a tenth or a fret, and ends at the limits', () => {
  const near = (measure: InstrumentMeasure, by: 1 | -1) =>
    steppedBy(measure, STANDARD_INSTRUMENT, by, false) - measureOf(STANDARD_INSTRUMENT, measure)
  expect(MEASURES.map((measure) => Math.round(near(measure, 1) * 10) / 10)).toEqual([1, 0.1, 0.1, 1, 1, 1])
  expect(near('capo', -1)).toBe(0)
  const { most } = measureLimits('lastReachableFret', STANDARD_INSTRUMENT)
  expect(steppedBy('lastReachableFret', withMeasure(STANDARD_INSTRUMENT, 'lastReachableFret', most), 1, true)).toBe(
    most,
  )
})

test('one millimetre is as long on every instrument of the drawing', () => {
  const long = { ...STANDARD_INSTRUMENT, scaleLengthMm: 760 }
  const scale = benchScale(STANDARD_INSTRUMENT, [STANDARD_INSTRUMENT, long], false)
  expect(scale.x(long.scaleLengthMm)).toBeLessThanOrEqual(WIDTH)
  expect(scale.fretX(12) - scale.nut).toBeCloseTo((scale.bridge - scale.nut) / 2)
})

test('at ease a medium hand spans four frets from the first, five from the fifth, six from the tenth', () => {
  const archtop = { ...STANDARD_INSTRUMENT, scaleLengthMm: 635 }
  const scale = scaleOf(archtop)
  expect(handPlaces(archtop, 100, 118, scale).map(({ fret, spans }) => [fret, spans])).toEqual([
    [1, 4],
    [5, 5],
    [10, 6],
  ])
  for (const { fret, easeEnd } of handPlaces(archtop, 87, 100, scale))
    expect(easePulledTo(easeEnd, fret, archtop, scale)).toBe(87)
  expect(easePulledTo(-500, 5, archtop, scale)).toBe(50)
})
