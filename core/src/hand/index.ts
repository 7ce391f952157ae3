/**
 * Hand: whether a shape can be held, by which fingers, which strings they damp, and how it sits in the register.
 *   Frets + Neck + HandProfile ─fingeringsOf→ Fingering (best first) ─silentStrings→ who damps what
 */

export type { HandOnNeck, Hold } from './bestFingering.ts'
export { handOn } from './bestFingering.ts'
export type { FingeringOptions } from './fingering.ts'
export { fingeringsOf, pairReachMm } from './fingering.ts'
export { FINGERTIP_WIDTH_MM } from './fingeringCost.ts'
export type { Plucker, SilentString } from './muting.ts'
export { pluckersOf, silentStrings } from './muting.ts'
export {
  calibratedHand,
  MEDIUM_HAND,
  pairEaseMm,
  reachBetweenMm,
  reachMm,
  reachVerdict,
  scaledHand,
} from './profile.ts'
export type { NarrowInterval, RegisterWarning } from './register.ts'
export { BASS_RANGE_BELOW, isMuddy, registerWarnings } from './register.ts'
export type { Barre, Finger, Fingering, FingeringCost, HandProfile, ReachVerdict } from './types.ts'
export type { HandLimit, HandVerdict } from './verdict.ts'
export { handVerdict } from './verdict.ts'
