/**
 * Practice: a material through its roots, questions about it, and what weeks of both say.
 *   a cycle ─cycleOf→ roots ─runOf (material, place rule, neck, hand)→ RunStep[], every hop told, the hand moving least
 *   a shape ─cardsOf→ Card[] ─checkCard→ right, nearly or wrong, and what would be right
 *   scheduled cards ─dayPlan→ what is asked today; LogEntry[] ─weakOf→ what asks for more
 */
export type { Card, CardAnswer, Checked, Nearly } from './cards.ts'
export { cardsOf, checkCard, keyCards, rightAnswers } from './cards.ts'
export { readCard, writeCard } from './cardText.ts'
export { chanceOf } from './chance.ts'
export { completeRunLine } from './completeRun.ts'
export type { Cycle, CycleAsk, SpelledRoot } from './cycle.ts'
export { CYCLES, cycleOf, spelledFor } from './cycle.ts'
export type { DayAsk, DayDone, DayLimits, DayPlan, ScheduledCard } from './dayPlan.ts'
export { CARD_SECONDS, dayPlan } from './dayPlan.ts'
export { deckOf } from './deck.ts'
export type { Grade, Judge, LogGrade } from './grade.ts'
export { GRADES, graded, gradeHeard, isClean, isWeak, JUDGES, LATE_MS, LOG_GRADES } from './grade.ts'
export type { HomeCell, HomeRow, LogDay, LogEntry, TempoDay, Weak } from './logbook.ts'
export { dayNumber, dayText, middleOf, rowKey, WEAK_LOOKS_BACK, weakOf, withRest } from './logbook.ts'
export type { Material, MaterialError, OwnShape } from './material.ts'
export { formOf, MOST_RUN_SHAPES, readMaterial, readSuffix, writeMaterial, writeSuffix } from './material.ts'
export type { PlaceRule, RunAsk, RunPlace, RunPlaces, RunStep } from './run.ts'
export { leastRun, movedShapes, runOf } from './run.ts'
export type { RunLine, RunLineError, RunLineLimits } from './runLine.ts'
export { nearestRule, readRunLine, ruleFor } from './runLine.ts'
