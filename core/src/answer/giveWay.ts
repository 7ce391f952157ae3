/**
 * Wishes from before that don't fit a new chord give way: a triad after a drop 2 on four strings.
 *   Question + kept wishes ─answerGivingWay→ the first question that finds something to hold, and what gave way for it
 */
import type { KeptWish, Player, Question } from '../request/index.ts'
import { DEFAULT_FRET_MAX } from '../request/index.ts'
import { type Frets, fretsAt } from '../voicing/index.ts'
import { type ShapesFound, shapesFor } from './shapes.ts'

export interface GivenWay {
  readonly question: Question
  readonly found: ShapesFound
  /** In the order in which they are told; empty where everything fits, or nothing helps. */
  readonly gaveWay: readonly KeptWish[]
  /** Shapes there were, but none that a player would take beside what there is without those wishes. */
  readonly isByTaste?: boolean
}

/** So much worse a grip may be for a wish of before: no player keeps a drop 2 that stretches where a usual grip lies. */
const WORSE = 4
/** Below this nothing is so much better; there it need not be looked for. */
const GOOD = 4

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
  const asIs = { question, found, gaveWay: [] }
  const first = firstScore(found)
  // The place was chosen: it gives way only where nothing lies there.
  const may = found.playable > 0 ? kept.filter((wish) => wish !== 'frets') : kept
  if (first <= GOOD || may.length === 0) return asIs
  const best = firstScore(shapesFor(without(question, may), player, limit))
  if (first <= best + WORSE) return asIs
  for (const wishes of WAYS) {
    if (!wishes.every((wish) => may.includes(wish))) continue
    const freer = without(question, wishes)
    const other = shapesFor(freer, player, limit)
    if (firstScore(other) <= best + WORSE)
      return { question: freer, found: other, gaveWay: wishes, isByTaste: found.playable > 0 }
  }
  return asIs
}

/** The taste of the first that can be held; without one, beyond all. */
const firstScore = ({ playable, scores }: ShapesFound): number =>
  playable > 0 ? (scores[0] as number) : Number.POSITIVE_INFINITY

export interface EasierWay {
  /** The one wish without which it lies so much better. */
  readonly wish: KeptWish
  readonly question: Question
  readonly frets: Frets
}

/** So much better a grip must be to be worth telling beside what was asked for. */
const EASIER = 2.5

/**
 * What would be easier, where a wish that holds leaves only grips that nobody takes gladly: the first grip without one
 * wish, the arrangement before the strings before the place. `undefined` where the asked ones are good, and where none is found at all.
 */
export function easierWay(question: Question, player: Player): EasierWay | undefined {
  const first = firstScore(shapesFor(question, player, 1))
  if (first <= GOOD || first === Number.POSITIVE_INFINITY) return undefined
  const wishes: readonly KeptWish[] = [
    ...(question.arrangement.kind === 'any' ? [] : (['arrangement'] as const)),
    ...(question.strings === undefined ? [] : (['strings'] as const)),
    ...(question.fretMin > 1 || question.fretMax < DEFAULT_FRET_MAX ? (['frets'] as const) : []),
  ]
  for (const wish of wishes) {
    const freer = without(question, [wish])
    const found = shapesFor(freer, player, 1)
    if (firstScore(found) <= first - EASIER) return { wish, question: freer, frets: fretsAt(found, 0) }
  }
  return undefined
}
