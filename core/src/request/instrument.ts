import type { Instrument } from '../neck/index.ts'
import type { Player, Question } from './types.ts'

/** The instrument that a question is played on: the player's own, or that in another tuning, without its capo. */
export const instrumentFor = (
  question: Pick<Question, 'tuning'>,
  { instrument }: Pick<Player, 'instrument'>,
): Instrument =>
  question.tuning === undefined ? instrument : { ...instrument, tuning: question.tuning, capo: undefined }
