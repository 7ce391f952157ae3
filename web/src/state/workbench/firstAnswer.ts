/**
 * The answer that a page comes with, so that it is complete in its first paint: found by the server, written into the page,
 * read on both sides, and drawn before any worker has begun.
 *   address + player ─answerGivingWay (server)→ text in the page ─readFirstAnswer→ the first state of Build
 */
import type { GivenWay, ShapesFound } from '@nestling/core/answer'
import type { Question } from '@nestling/core/request'

/** Rows as plain numbers; frets exactly, scores and reaches to a thousandth, which no list is ordered by anew. */
type WrittenFound = Omit<ShapesFound, 'frets' | 'scores' | 'reachesMm' | 'held'> &
  Readonly<Record<'frets' | 'scores' | 'reachesMm' | 'held', readonly number[]>>

interface Written {
  readonly question: Question
  readonly gaveWay: GivenWay['gaveWay']
  readonly found: WrittenFound
}

const thousandths = (value: number): number => Math.round(value * 1000) / 1000

export function writeFirstAnswer({ question, gaveWay, found }: GivenWay): string {
  const written: Written = {
    question,
    gaveWay,
    found: {
      ...found,
      frets: [...found.frets],
      scores: Array.from(found.scores, thousandths),
      reachesMm: Array.from(found.reachesMm, thousandths),
      held: [...found.held],
    },
  }
  return JSON.stringify(written)
}

/** @param text What `writeFirstAnswer` gave for this very build of the page. */
export function readFirstAnswer(text: string): GivenWay {
  const { question, gaveWay, found }: Written = JSON.parse(text)
  return {
    question,
    gaveWay,
    found: {
      ...found,
      frets: Int8Array.from(found.frets),
      scores: Float32Array.from(found.scores),
      reachesMm: Float32Array.from(found.reachesMm),
      held: Uint8Array.from(found.held),
    },
  }
}
