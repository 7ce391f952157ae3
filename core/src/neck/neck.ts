import { type Midi, midiOf, type NoteName, pitchClassOf } from '../pitch/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import type { InstrumentProblem, StringSetError } from './errors.ts'
import { STANDARD_TUNING } from './tuning.ts'
import type { Capo, Fret, Instrument, Neck, StringIndex, StringNumber } from './types.ts'

/** The number players call a string by: 1 for the highest, n for the lowest. */
export const stringNumber = (index: StringIndex, strings: number): StringNumber => strings - index
export const stringIndex = (number: StringNumber, strings: number): StringIndex => strings - number

const holds = (capo: Capo, index: StringIndex, strings: number): boolean =>
  capo.strings === 'all' || capo.strings.includes(stringNumber(index, strings))

/**
 * An instrument's neck as the hand meets it. Frets always count from the nut. A held string rings from the capo;
 * where a partial capo lets a string pass, that string rings from the nut, but no finger gets behind the clamp:
 * on every string the first fret that can be pressed is the one above the capo.
 */
export function neckOf(instrument: Instrument): Neck {
  const { tuning, capo } = instrument
  const count = tuning.strings.length
  return {
    nut: tuning.strings.map(midiOf),
    open: tuning.strings.map((pitch, index) => midiOf(pitch) + (capo && holds(capo, index, count) ? capo.fret : 0)),
    firstFret: tuning.strings.map(() => (capo ? capo.fret + 1 : 1)),
    lastFret: Math.min(instrument.frets, instrument.lastReachableFret),
    scaleLengthMm: instrument.scaleLengthMm,
    spacingNutMm: instrument.spacingNutMm,
    spacingBridgeMm: instrument.spacingBridgeMm,
  }
}

/** MIDI of a string pressed at a fret, or ringing open (0). */
export const soundingMidi = (neck: Neck, index: StringIndex, fret: Fret): Midi => {
  const pitch = fret === 0 ? neck.open[index] : neck.nut[index]
  if (pitch === undefined) throw new RangeError(`there is no string ${index} on this neck`)
  return pitch + fret
}

/** Where a note lies on one string, within the frets that can be pressed. */
export function fretsOfNote(neck: Neck, index: StringIndex, note: NoteName): readonly Fret[] {
  const nut = neck.nut[index] as number
  const frets: number[] = []
  for (let fret = neck.firstFret[index] as number; fret <= neck.lastFret; fret++)
    if ((nut + fret) % 12 === pitchClassOf(note)) frets.push(fret)
  return frets
}

export const STANDARD_INSTRUMENT: Instrument = {
  name: 'Guitar',
  tuning: STANDARD_TUNING,
  frets: 20,
  scaleLengthMm: 648,
  spacingNutMm: 7.2,
  spacingBridgeMm: 10.5,
  lastReachableFret: 17,
  handed: 'right',
  pluck: 'fingers',
  timbre: 'steel',
}

/** An instrument's own numbers: each can be measured, and each has its limits. */
export type InstrumentMeasure =
  | 'frets'
  | 'scaleLengthMm'
  | 'spacingNutMm'
  | 'spacingBridgeMm'
  | 'lastReachableFret'
  | 'capo'

interface Limits {
  readonly least: number
  readonly most: number
  readonly unit: 'frets' | 'mm'
}

/** Frets that must be left over a capo. */
const OVER_CAPO = 3
const FEWEST_FRETS = 5

/** Within which each of an instrument's numbers makes sense; those of frets depend on one another. */
export function measureLimits(
  measure: InstrumentMeasure,
  { frets, lastReachableFret }: Pick<Instrument, 'frets' | 'lastReachableFret'>,
): Limits {
  switch (measure) {
    case 'frets':
      return { least: FEWEST_FRETS, most: 36, unit: 'frets' }
    case 'scaleLengthMm':
      return { least: 300, most: 900, unit: 'mm' }
    case 'spacingNutMm':
      return { least: 4, most: 15, unit: 'mm' }
    case 'spacingBridgeMm':
      return { least: 5, most: 25, unit: 'mm' }
    case 'lastReachableFret':
      return { least: FEWEST_FRETS, most: frets, unit: 'frets' }
    case 'capo':
      return { least: 1, most: lastReachableFret - OVER_CAPO, unit: 'frets' }
  }
}

/** What is wrong with an instrument's numbers, each with its field; empty when nothing is. */
export function instrumentProblems(instrument: Instrument): readonly InstrumentProblem[] {
  const { capo } = instrument
  const values: readonly (readonly [InstrumentMeasure, number])[] = [
    ['frets', instrument.frets],
    ['scaleLengthMm', instrument.scaleLengthMm],
    ['spacingNutMm', instrument.spacingNutMm],
    ['spacingBridgeMm', instrument.spacingBridgeMm],
    ['lastReachableFret', instrument.lastReachableFret],
    ...(capo ? [['capo', capo.fret] as const] : []),
  ]
  const problems = values.flatMap(([field, value]): readonly InstrumentProblem[] => {
    const { least, most, unit } = measureLimits(field, instrument)
    const isWithin = Number.isFinite(value) && value >= least && value <= most
    return isWithin ? [] : [{ code: 'out_of_range', field, value, least, most, unit }]
  })
  const count = instrument.tuning.strings.length
  const isCapoWrong =
    capo !== undefined &&
    capo.strings !== 'all' &&
    (capo.strings.length === 0 ||
      capo.strings.some((number) => !Number.isInteger(number) || number < 1 || number > count))
  return isCapoWrong ? [...problems, { code: 'capo_strings', field: 'capo', strings: count }] : problems
}

/**
 * An instrument with one of its numbers changed, and what hangs on it brought along: a shorter fingerboard ends the hand's
 * reach, and a capo stays below it. The number itself is taken as it is, right or wrong.
 * @param value Of a capo 0 takes it off.
 */
export function withMeasure(instrument: Instrument, measure: InstrumentMeasure, value: number): Instrument {
  if (measure === 'capo')
    return {
      ...instrument,
      capo: value === 0 ? undefined : { fret: value, strings: instrument.capo?.strings ?? 'all' },
    }
  const changed = { ...instrument, [measure]: value }
  const reached =
    measure === 'frets'
      ? Math.min(instrument.lastReachableFret, Math.max(FEWEST_FRETS, value))
      : changed.lastReachableFret
  const { capo } = changed
  const highest = measureLimits('capo', { ...changed, lastReachableFret: reached }).most
  return {
    ...changed,
    lastReachableFret: reached,
    capo: capo && (capo.fret <= highest ? capo : { ...capo, fret: Math.max(1, highest) }),
  }
}

/** The number itself; 0 where there is no capo. */
export const measureOf = (instrument: Instrument, measure: InstrumentMeasure): number =>
  measure === 'capo' ? (instrument.capo?.fret ?? 0) : instrument[measure]

/** Strings as indices from the lowest. */
export type StringSet = readonly StringIndex[]

/** Reads `5432`, `5 4 3 2` or `10,9,8`: string numbers, each once, in any order. */
export function readStringSet(text: string, strings: number): Result<StringSet, StringSetError> {
  const words = [...text.matchAll(/[\s,]/.test(text.trim()) || strings > 9 ? /[^\s,]+/gu : /[^\s,]/gu)]
  const split =
    words.length === 1 && strings > 9 && !/^10$|^\d$/.test(text.trim()) ? [...text.matchAll(/10|\S/gu)] : words
  const indices: StringIndex[] = []
  for (const word of split) {
    const number: StringNumber = /^\d+$/.test(word[0]) ? Number(word[0]) : Number.NaN
    const index = stringIndex(number, strings)
    if (!(number >= 1 && number <= strings) || indices.includes(index))
      return fail({ code: 'not_a_string', at: word.index, text: piece(word[0], 8), strings })
    indices.push(index)
  }
  if (indices.length < 2) return fail({ code: 'too_few_strings', at: 0, text: piece(text, 8), strings })
  return ok(indices.sort((a, b) => a - b))
}

/** `5432` from the lowest string to the highest; with spaces once a number has two digits. */
export const writeStringSet = (set: StringSet, strings: number): string =>
  set.map((index) => stringNumber(index, strings)).join(strings > 9 ? ' ' : '')
