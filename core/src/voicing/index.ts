/**
 * Voicing: a chord placed on strings.
 *   VoicingQuery ─searchVoicings→ VoicingsFound (compact) ─voicingAt→ Voicing (every string's degree and note)
 *   text ─readShape→ Frets ─voicingOf(chord)→ Voicing
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
export { fretSounding, morph } from './morph.ts'
export type { OpenStrings, VoicingQuery, VoicingsFound } from './query.ts'
export { rotate, rotations, slide } from './rotate.ts'
export { everyStringSet, MOST_VOICINGS, searchVoicings } from './search.ts'
export { readShape, writeShape } from './shapeText.ts'
export type { Arrangement, Frets, NamedArrangement, Place, Voicing } from './types.ts'
export type { GhostTone } from './voicing.ts'
export { fretsAt, ghostTones, midisOf, voicingAt, voicingOf, voicingReader } from './voicing.ts'
