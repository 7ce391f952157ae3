/**
 * The instrument to scale: where each of its measures lies in the drawing, and what a measure becomes when it is pulled there.
 *   Instrument ─benchScale→ x of a place in mm, y of a string ─handleAt→ the handle;  a point ─pulledTo→ the measure's value
 */
import {
  fingertipMm,
  fretDistanceMm,
  type Instrument,
  type InstrumentMeasure,
  measureLimits,
  measureOf,
} from '@nestling/core/neck'

export const WIDTH = 1232
const LEFT = 140
const RIGHT = 70
/** No guitar is drawn wider than this would be, so that a common one leaves room to be pulled longer. */
const LEAST_LONGEST_MM = 720
/** Across the strings all is drawn wider, or a tenth of a millimetre could not be pulled. */
const ACROSS = 1.6
const TALLEST = 132
export const MIDDLE_Y = 106
/** From the outer string to the edge of the board. */
export const EDGE = 9
/** Where a capo lies that is not on the neck. */
const CAPO_ASIDE = 44

export interface Point {
  readonly x: number
  readonly y: number
}

export interface BenchScale {
  readonly direction: 1 | -1
  readonly perMm: number
  /** Of a place so many mm from the nut. */
  readonly x: (mm: number) => number
  readonly mm: (x: number) => number
  readonly nut: number
  readonly bridge: number
  readonly fretX: (fret: number) => number
  readonly tipX: (fret: number) => number
  /** A string's height where a share of its length has gone by: 0 at the nut, 1 at the bridge. */
  readonly stringY: (string: number, share: number) => number
  /** Half the board's height there. */
  readonly halfAt: (share: number) => number
  readonly acrossPerMm: number
  readonly strings: number
  readonly lowOnTop: boolean
}

/** @param others All that is drawn to the same millimetres. */
export function benchScale(
  instrument: Instrument,
  others: readonly Pick<Instrument, 'scaleLengthMm'>[],
  lowOnTop: boolean,
): BenchScale {
  const direction = instrument.handed === 'left' ? -1 : 1
  const longest = Math.max(LEAST_LONGEST_MM, ...others.map(({ scaleLengthMm }) => scaleLengthMm))
  const perMm = (WIDTH - LEFT - RIGHT) / longest
  const flip = (x: number) => (direction === 1 ? x : WIDTH - x)
  const x = (mm: number) => flip(LEFT + mm * perMm)
  const strings = instrument.tuning.strings.length
  const gaps = Math.max(1, strings - 1)
  const acrossPerMm = Math.min(perMm * ACROSS, TALLEST / (gaps * Math.max(instrument.spacingBridgeMm, 9)))
  const { scaleLengthMm, spacingNutMm, spacingBridgeMm } = instrument
  const spacing = (share: number) => (spacingNutMm + (spacingBridgeMm - spacingNutMm) * share) * acrossPerMm
  const row = (string: number) => (lowOnTop ? string : strings - 1 - string)
  return {
    direction,
    perMm,
    x,
    mm: (at) => (flip(at) - LEFT) / perMm,
    nut: x(0),
    bridge: x(scaleLengthMm),
    fretX: (fret) => x(fretDistanceMm(scaleLengthMm, fret)),
    tipX: (fret) => x(fingertipMm(scaleLengthMm, fret)),
    stringY: (string, share) => MIDDLE_Y + (row(string) - gaps / 2) * spacing(share),
    halfAt: (share) => (gaps / 2) * spacing(share) + EDGE,
    acrossPerMm,
    strings,
    lowOnTop,
  }
}

/** Where a measure is taken hold of. */
export function handleAt(measure: InstrumentMeasure, instrument: Instrument, scale: BenchScale): Point {
  // The outer string that lies lower in the drawing.
  const outer = scale.lowOnTop ? scale.strings - 1 : 0
  switch (measure) {
    case 'scaleLengthMm':
      return { x: scale.bridge, y: MIDDLE_Y }
    case 'spacingNutMm':
      return { x: scale.nut, y: scale.stringY(outer, 0) }
    case 'spacingBridgeMm':
      return { x: scale.bridge, y: scale.stringY(outer, 1) }
    case 'frets':
      return { x: scale.fretX(instrument.frets), y: MIDDLE_Y }
    case 'lastReachableFret':
      return { x: scale.fretX(instrument.lastReachableFret), y: MIDDLE_Y }
    case 'capo':
      return {
        x: instrument.capo ? scale.tipX(instrument.capo.fret) : scale.nut - scale.direction * CAPO_ASIDE,
        y: MIDDLE_Y,
      }
  }
}

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))
/** Millimetres are pulled by whole ones along the string, by tenths across. */
const FINENESS: Readonly<Record<InstrumentMeasure, number>> = {
  scaleLengthMm: 1,
  spacingNutMm: 10,
  spacingBridgeMm: 10,
  frets: 1,
  lastReachableFret: 1,
  capo: 1,
}
const rounded = (measure: InstrumentMeasure, value: number): number =>
  Math.round(value * FINENESS[measure]) / FINENESS[measure]

/** What a measure becomes where its handle is pulled to; always a value that can be kept. */
export function pulledTo(
  measure: InstrumentMeasure,
  { x, y }: Point,
  instrument: Instrument,
  scale: BenchScale,
): number {
  const { least, most } = measureLimits(measure, instrument)
  const mm = scale.mm(x)
  const { scaleLengthMm } = instrument
  switch (measure) {
    case 'scaleLengthMm':
      return within(rounded(measure, mm), least, most)
    case 'spacingNutMm':
    case 'spacingBridgeMm': {
      const half = Math.abs(y - MIDDLE_Y) / Math.max(1, scale.strings - 1)
      return within(rounded(measure, (half * 2) / scale.acrossPerMm), least, most)
    }
    case 'frets':
    case 'lastReachableFret':
      return nearestFret(mm, least, most, (fret) => fretDistanceMm(scaleLengthMm, fret))
    case 'capo':
      // Before the nut it lies aside.
      return mm < 0 || most < 1 ? 0 : nearestFret(mm, 1, most, (fret) => fingertipMm(scaleLengthMm, fret))
  }
}

function nearestFret(mm: number, least: number, most: number, at: (fret: number) => number): number {
  let best = least
  for (let fret = least; fret <= most; fret++) if (Math.abs(at(fret) - mm) < Math.abs(at(best) - mm)) best = fret
  return best
}

/** One step of the keyboard: a millimetre, a tenth of one across the strings, a fret; with `large` ten of them. */
export function steppedBy(measure: InstrumentMeasure, instrument: Instrument, by: 1 | -1, large: boolean): number {
  const { least, most } = measureLimits(measure, instrument)
  const step = (by * (large ? (measureLimits(measure, instrument).unit === 'mm' ? 10 : 3) : 1)) / FINENESS[measure]
  return within(
    rounded(measure, measureOf(instrument, measure) + step),
    measure === 'capo' ? 0 : least,
    Math.max(most, 0),
  )
}

/** The hand at one place: where its index stands, where ease and stretch end, and how many frets it spans at ease. */
export interface HandPlace {
  readonly fret: number
  readonly start: number
  readonly easeEnd: number
  readonly stretchEnd: number
  /** Frets under the hand, its own included. */
  readonly spans: number
}

const HAND_FRETS = [1, 5, 10] as const
export const LEAST_EASE_MM = 50
export const MOST_EASE_MM = 150

export function handPlaces(
  instrument: Instrument,
  easeMm: number,
  stretchMm: number,
  scale: BenchScale,
): readonly HandPlace[] {
  const { scaleLengthMm, lastReachableFret, frets } = instrument
  return HAND_FRETS.filter((fret) => fret < lastReachableFret).map((fret) => {
    const start = fingertipMm(scaleLengthMm, fret)
    let last = fret
    while (last < frets && fingertipMm(scaleLengthMm, last + 1) - start <= easeMm) last++
    return {
      fret,
      start: scale.x(start),
      easeEnd: scale.x(start + easeMm),
      stretchEnd: scale.x(start + stretchMm),
      spans: last - fret + 1,
    }
  })
}

/** The ease that a pulled end tells. */
export const easePulledTo = (x: number, fret: number, { scaleLengthMm }: Instrument, scale: BenchScale): number =>
  within(Math.round(scale.mm(x) - fingertipMm(scaleLengthMm, fret)), LEAST_EASE_MM, MOST_EASE_MM)
