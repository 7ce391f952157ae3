/** The search, off the main thread: one of these answers the page, another counts what the choices would give. */

import { playableCount, type ShapesFound, shapesFor } from '@nestling/core/answer'
import type { Player, Question } from '@nestling/core/request'
import { expose, transfer } from 'comlink'

const api = {
  shapesFor(question: Question, player: Player, limit: number): ShapesFound {
    const found = shapesFor(question, player, limit)
    if (!warm) {
      warm = true
      setTimeout(() => warmUp(question, player), WARM_UP_AFTER_MS)
    }
    return transfer(found, [found.frets.buffer, found.scores.buffer, found.reachesMm.buffer, found.held.buffer])
  },
  playableCount: (question: Question, player: Player): number => playableCount(question, player),
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
