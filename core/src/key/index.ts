/**
 * Key: tonics and scales, of one table; their chords, and chords as numbers.
 *   text ─readKey→ Key ─chordScale(depth, school)→ seven steps ─writeNumber→ text ─readNumbers→ chords
 *   chord ─scalesFor→ the scales that hold it
 */
export type { Between, BetweenReason } from './between.ts'
export { BETWEEN_REASONS, betweenChords, waysBetween } from './between.ts'
export type { Depth, DepthSchool, KeyFunction, LeftTone, ScaleStep } from './chordScale.ts'
export { chordScale, DEPTH_SCHOOLS, DEPTHS } from './chordScale.ts'
export type { Key, KeyError } from './key.ts'
export { keyOf, MAJOR, NATURAL_MINOR, readKey, writeKey } from './key.ts'
export type { NumberSchool, NumbersError } from './numbers.ts'
export { NUMBER_SCHOOLS, readNumbers, writeNumber, writeStep } from './numbers.ts'
export type { Scale, ScaleFamily } from './scale.ts'
export { requireScale, SCALES, scaleNamed } from './scale.ts'
export type { ScaleFit, ScaleTone } from './scaleFit.ts'
export { scalesFor } from './scaleFit.ts'
export type { Signature } from './signature.ts'
export { MODES, signatureOf } from './signature.ts'
export type { StandIn, StandInKind, ToneMove } from './standIns.ts'
export { leastMoves, STAND_IN_KINDS, stackAround, standIns } from './standIns.ts'
export { keysByFourths, plainestKey, sharedChords } from './together.ts'
