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
}

/** What is wrong with an instrument's numbers, each with its field; empty when nothing is. */
export function instrumentProblems(instrument: Instrument): readonly InstrumentProblem[] {
  const problems: InstrumentProblem[] = []
  type Range = Extract<InstrumentProblem, { readonly code: 'out_of_range' }>
  const within = (field: Range['field'], value: number, least: number, most: number, unit: Range['unit']) => {
    if (!Number.isFinite(value) || value < least || value > most)
      problems.push({ code: 'out_of_range', field, value, least, most, unit })
  }
  within('frets', instrument.frets, 5, 36, 'frets')
  within('scaleLengthMm', instrument.scaleLengthMm, 300, 900, 'mm')
  within('spacingNutMm', instrument.spacingNutMm, 4, 15, 'mm')
  within('spacingBridgeMm', instrument.spacingBridgeMm, 5, 25, 'mm')
  within('lastReachableFret', instrument.lastReachableFret, 5, instrument.frets, 'frets')
  if (instrument.capo) {
    within('capo', instrument.capo.fret, 1, instrument.lastReachableFret - 3, 'frets')
    const count = instrument.tuning.strings.length
    const { strings } = instrument.capo
    if (
      strings !== 'all' &&
      (strings.length === 0 || strings.some((number) => !Number.isInteger(number) || number < 1 || number > count))
    )
      problems.push({ code: 'capo_strings', field: 'capo', strings: count })
  }
  return problems
}

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
