/**
 * Request: what a player asks, as one value.
 *   typed line ─readTypedLine→ Question ←→ named fields of an address (readQuestion, writeQuestion)
 *   Question ─choicesOf, waysOut→ other questions, each whole, so that it can be counted and taken
 */
export { questionAround } from './around.ts'
export type { ChoiceField, WayOut } from './choices.ts'
export {
  CHOICE_FIELDS,
  choicesOf,
  inManner,
  neighbouringSets,
  tuningsOffered,
  usualStringSets,
  waysOut,
} from './choices.ts'
export { completeLine } from './complete.ts'
export type { QuestionField, QuestionTexts } from './fields.ts'
export {
  DEFAULT_FRET_MAX,
  QUESTION_FIELDS,
  readOtherTuning,
  readQuestion,
  readWhatCanBe,
  writeQuestion,
} from './fields.ts'
export { instrumentFor } from './instrument.ts'
export { questionOfShape } from './ofShape.ts'
export type { Playing } from './playing.ts'
export { isFull, playingIn, playingOf } from './playing.ts'
export type { ShapeNaming, ShapesLineError, WrittenShape } from './shapesLine.ts'
export { shapeAt } from './shapesLine.ts'
export type { KeptWish, TypedLine } from './typedLine.ts'
export { readTypedLine } from './typedLine.ts'
export type { FieldError, Player, Question, QuestionError } from './types.ts'
