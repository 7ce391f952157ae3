/**
 * Pitch: a note is spelled (letter and accidental), placed in an octave, or told as a degree of a root.
 *   NoteName ─spellDegree(root, degree)→ NoteName ─pitchClassOf→ 0–11;  Pitch ─midiOf→ MIDI number
 */
export {
  degreeAlteration,
  degreeBetween,
  degreePitchClass,
  degreeSemitones,
  parseDegree,
  spellDegree,
  stepOf,
} from './degree.ts'
export type { NoteRead } from './naming.ts'
export { readNote, readNotes, readPitch, spokenIn, writeNote, writePitch } from './naming.ts'
export {
  alterationOf,
  LETTERS,
  letterIndexOf,
  letterOf,
  midiOf,
  NOTE_NAMES,
  noteNameOf,
  pitchAt,
  pitchClassOf,
  plainName,
  spellingsOf,
} from './noteName.ts'
export { holdsPitchClass, periodOf, pitchClassSetOf, seenFrom, sizeOfSet, transposedSet } from './pitchClassSet.ts'
export { signOf, withSigns } from './signs.ts'
export type {
  Accidental,
  Counting,
  Degree,
  Letter,
  Midi,
  NamingSystem,
  NoteName,
  Pitch,
  PitchClass,
  PitchClassSet,
} from './types.ts'
export type { ToneWeight } from './weight.ts'
export { toneWeight } from './weight.ts'
