/** The search, off the main thread: one of these answers the page, another counts what the choices would give. */

import {
  answerGivingWay,
  type EasierGrip,
  type EasierWay,
  easierGrip,
  easierWay,
  type GivenWay,
  playableCount,
  shapesFor,
} from '@nestling/core/answer'
import type { KeptWish, Player, Question } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { expose, transfer } from 'comlink'

const api = {
  answerGivingWay(question: Question, kept: readonly KeptWish[], player: Player, limit: number): GivenWay {
    const answer = answerGivingWay(question, kept, player, limit)
    const { found } = answer
    if (!warm) {
      warm = true
      setTimeout(() => warmUp(question, player), WARM_UP_AFTER_MS)
    }
    return transfer(answer, [found.frets.buffer, found.scores.buffer, found.reachesMm.buffer, found.held.buffer])
  },
  playableCount: (question: Question, player: Player): number => playableCount(question, player),
  easierWay: (question: Question, player: Player): EasierWay | undefined => easierWay(question, player),
  easierGrip: (shape: Shape, player: Player): EasierGrip | undefined => easierGrip(shape, player),
}

/**
 * A script engine is quick only with code that it has run often. Once the first answer is on screen the search runs
 * through larger questions, so that the next answers come at full speed.
 */
let warm = false
const WARM_UP_AFTER_MS = 300
function warmUp(question: Question, player: Player): void {
  const wide: Question = {
    ...question,
    strings: undefined,
    arrangement: { kind: 'any' },
    bass: undefined,
    omit: undefined,
  }
  for (let round = 0; round < 3; round++) shapesFor(wide, player, Number.POSITIVE_INFINITY)
}

export type SearchWorker = typeof api
expose(api)
