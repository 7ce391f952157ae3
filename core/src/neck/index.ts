/**
 * Neck: an instrument's strings, where they can be pressed, and how far things are apart on it.
 *   Instrument ─neckOf→ Neck (open strings, first and last fret) → search, hand, drawing
 */
export type { InstrumentProblem, StringSetError, TuningError } from './errors.ts'
export { FINGERTIP_BEHIND_WIRE, fingertipMm, fretDistanceMm, fretSpaceMm, stringSpacingMm } from './geometry.ts'
export type { InstrumentMeasure, StringSet } from './neck.ts'
export {
  fretsOfNote,
  instrumentProblems,
  measureLimits,
  measureOf,
  neckOf,
  readStringSet,
  STANDARD_INSTRUMENT,
  soundingMidi,
  stringIndex,
  stringNumber,
  withMeasure,
  writeStringSet,
} from './neck.ts'
export type { StringChange, StringGauge } from './retune.ts'
export { MOST_SEMITONES_UP, retuning, tensionN, usualGauge } from './retune.ts'
export {
  COMMON_TUNINGS,
  FEWEST_STRINGS,
  MOST_STRINGS,
  readKnownTuning,
  readTuning,
  STANDARD_TUNING,
  tuningLetters,
  writeTuning,
} from './tuning.ts'
export type { Capo, Fret, Instrument, Neck, PluckStyle, StringIndex, StringNumber, Timbre, Tuning } from './types.ts'
export { TIMBRES } from './types.ts'
