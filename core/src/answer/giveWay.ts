/**
 * Wishes from before that don't fit a new chord give way: a triad after a drop 2 on four strings.
 *   Question + kept wishes ─answerGivingWay→ the first question that finds something to hold, and what gave way for it
 */
import type { KeptWish, Player, Question } from '../request/index.ts'
import { DEFAULT_FRET_MAX } from '../request/index.ts'
import { type ShapesFound, shapesFor } from './shapes.ts'

export interface GivenWay {
  readonly question: Question
  readonly found: ShapesFound
  /** In the order in which they are told; empty where everything fits, or nothing helps. */
  readonly gaveWay: readonly KeptWish[]
}

/** The fewest wishes first; of as many, the arrangement before the strings before the place on the neck. */
const WAYS: readonly (readonly KeptWish[])[] = [
  ['arrangement'],
  ['strings'],
  ['frets'],
  ['arrangement', 'strings'],
  ['arrangement', 'frets'],
  ['strings', 'frets'],
  ['arrangement', 'strings', 'frets'],
]

export function without(question: Question, wishes: readonly KeptWish[]): Question {
  return {
    ...question,
    ...(wishes.includes('arrangement') ? { arrangement: { kind: 'any' as const } } : {}),
    ...(wishes.includes('strings') ? { strings: undefined } : {}),
    ...(wishes.includes('frets') ? { fretMin: 1, fretMax: DEFAULT_FRET_MAX } : {}),
  }
}

export function answerGivingWay(
  question: Question,
  kept: readonly KeptWish[],
  player: Player,
  limit = Number.POSITIVE_INFINITY,
): GivenWay {
  const found = shapesFor(question, player, limit)
  if (found.playable > 0) return { question, found, gaveWay: [] }
  for (const wishes of WAYS) {
    if (!wishes.every((wish) => kept.includes(wish))) continue
    const freer = without(question, wishes)
    const other = shapesFor(freer, player, limit)
    if (other.playable > 0) return { question: freer, found: other, gaveWay: wishes }
  }
  return { question, found, gaveWay: [] }
}
