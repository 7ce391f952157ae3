/**
 * Practice: a chord through its roots, and questions about it.
 *   a cycle ─cycleOf→ roots ─runOf (place rule, neck, hand)→ RunStep[], every hop told, the hand moving least
 *   a shape ─cardsOf→ Card[] ─checkCard→ right, nearly or wrong, and what would be right
 */
export type { Card, CardAnswer, Checked, Nearly } from './cards.ts'
export { cardsOf, checkCard, keyCards, rightAnswers } from './cards.ts'
export type { Cycle, CycleAsk, SpelledRoot } from './cycle.ts'
export { CYCLES, chanceOf, cycleOf, spelledFor } from './cycle.ts'
export type { PlaceRule, RunAsk, RunPlace, RunStep } from './run.ts'
export { leastRun, movedShapes, runOf } from './run.ts'
