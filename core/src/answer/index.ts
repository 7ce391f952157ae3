/**
 * Answer: every shape that a question is answered with, in the order of the player's hand.
 *   Question + Player ─queryOf→ VoicingQuery ─shapesFor→ compact rows, for the page;  ─answerTo→ told in full
 */
export type { Answer, AnsweredShape, AnswerOptions } from './answer.ts'
export { answerTo } from './answer.ts'
export { type EasierGrip, easierGrip } from './easierGrip.ts'
export type { EasierWay, GivenWay } from './giveWay.ts'
export { answerGivingWay, easierWay } from './giveWay.ts'
export { type Grip, gripsOn, keyPlayed, laneGrips } from './grips.ts'
export type { ShapesFound } from './shapes.ts'
export { playableCount, queryOf, shapesFor } from './shapes.ts'
export type { Promising, TastedShape } from './tasted.ts'
export { bestOf, promising, tastedShapes } from './tasted.ts'
export { tasteOfShape } from './tasteOfShape.ts'
