/**
 * Practice: a chord through its roots.
 *   a cycle ─cycleOf→ roots ─runOf (place rule, neck, hand)→ RunStep[], every hop told, the hand moving least
 */
export type { Cycle, CycleAsk, SpelledRoot } from './cycle.ts'
export { CYCLES, chanceOf, cycleOf, spelledFor } from './cycle.ts'
export type { PlaceRule, RunAsk, RunPlace, RunStep } from './run.ts'
export { leastRun, movedShapes, runOf } from './run.ts'
