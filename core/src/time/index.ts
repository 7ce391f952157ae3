/**
 * Time: metres, rhythm, and notes in time.
 *   shapes, lines, progressions ─→ Score (beats; real string, fret, finger, spelling) ─→ sound, ear, files
 *   Score ─writtenBars→ bars of notes, chords and rests ─→ staff and TAB
 */
export type { Band, BandBar, BandChord, BassLine, DrumStyle } from './band/index.ts'
export { BASS_LINES, bandEvents, barsOf, bassFor, DRUM_STYLES, drumsFor } from './band/index.ts'
export type { Metre, MetreError } from './metre.ts'
export { beatLengths, beatsInBar, FOUR_FOUR, METRES, pulses, readMetre, THREE_FOUR, writeMetre } from './metre.ts'
export type { Pattern, PatternError, PatternName, PatternSpan, Pluck, Stroke, TimedStroke } from './pattern.ts'
export {
  beatsOf,
  PLUCKS,
  patternEvents,
  readPattern,
  STROKE_PATTERNS,
  struckBy,
  writePattern,
  writeStroke,
} from './pattern.ts'
export type { Accent, NoteValue } from './rhythm.ts'
export { ACCENTS, beatOf, isAccented, NOTE_VALUES, NOTES_A_BEAT } from './rhythm.ts'
export type {
  BassEvent,
  ClickEvent,
  Drum,
  DrumEvent,
  Pace,
  Part,
  Score,
  ScoreEvent,
  StringEvent,
  StringNote,
} from './score.ts'
export { bassNote, clicks, DRUMS, PARTS, paceAt, secondsOf, stringEvents, withCountIn } from './score.ts'
export type { WrittenValue } from './signs.ts'
export { soundedNotes } from './sounded.ts'
export type { Swing, Swung } from './swing.ts'
export { STRAIGHT, SWUNG, swingDelay, swungNote } from './swing.ts'
export type { MetreBar, OverBar, WrittenBar, WrittenEvent } from './written.ts'
export { playedAgain, writtenBars } from './written.ts'
