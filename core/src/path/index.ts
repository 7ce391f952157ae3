/**
 * Path: a tune as shapes in time, chosen so that all of it together costs least.
 *   PathQuestion ─pathSolver→ best: PathFound, every term of every step told;  alternatives: another shape, and what then
 */

export type { PathCut } from './budget.ts'
export { indexPlace } from './candidates.ts'
export type { Alternative, PathSolver } from './path.ts'
export { findPath, MOST_PATH_CHORDS, pathSolver, rememberingSolver, stepsOf } from './path.ts'
export { pairVoices, stepBetween } from './stepCost.ts'
export type {
  PathFound,
  PathGap,
  PathGapReason,
  PathQuestion,
  PathShape,
  PathStep,
  PathWay,
  PathWishes,
  SettledWishes,
  ShapeParts,
  StepParts,
} from './types.ts'
export { type WantedShape, wantedTests } from './wanted.ts'
export { PATH_WISHES, settledWishes } from './weights.ts'
