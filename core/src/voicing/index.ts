/**
 * Voicing: a chord placed on strings.
 *   VoicingQuery ─searchVoicings→ VoicingsFound (compact) ─voicingAt→ Voicing (every string's degree and note)
 *   text ─readFrets→ Frets ─voicingOf(chord)→ Voicing
 */

export type { ArrangementChoice } from './arrangement.ts'
export {
  ARRANGEMENT_NAMES,
  answersTo,
  arrangementOf,
  inversionOf,
  readArrangement,
  writeArrangement,
} from './arrangement.ts'
export type { RelocateOptions } from './elsewhere.ts'
export { carry, relocate, sameFingers, samePitches, samePitchesIn } from './elsewhere.ts'
export type { ArrangementError, FretsError } from './errors.ts'
export { centreOf, highestPressed, lowestPressed, pressedFrets, soundingStrings } from './frets.ts'
export { readFrets, writeFrets } from './fretsText.ts'
export { counterpartOf, fretSounding, morph } from './morph.ts'
export type { StringMove } from './moves.ts'
export { movesBetween, START_OR_STOP, travel } from './moves.ts'
export type { OpenStrings, SearchBudget, SearchCut, VoicingQuery, VoicingsFound } from './query.ts'
export { rotate, rotations, slide } from './rotate.ts'
export { everyStringSet, MOST_VOICINGS, searchVoicings } from './search.ts'
export type { Arrangement, Frets, NamedArrangement, Place, Voicing } from './types.ts'
export type { GhostTone, SoundedTones } from './voicing.ts'
export { fretsAt, ghostTones, midisOf, tonesReader, voicingAt, voicingOf, voicingReader } from './voicing.ts'
