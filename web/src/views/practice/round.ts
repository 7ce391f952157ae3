/** One round of a run as it goes on: which root, which beat, how each went. Pure; the clock and the ear call it. */
import { type Grade, graded, isClean } from '@nestling/core/practice'
import type { BarHeard, RootResult } from './types.ts'

export interface Round {
  /** The root that is played now, and the beat within its bars, both from 0; −1 while it is counted in. */
  readonly at: number
  readonly beat: number
  readonly results: readonly (RootResult | undefined)[]
  /** What the player said of this root, and what the ear heard. */
  readonly chosen: Grade | undefined
  readonly heard: BarHeard | undefined
  /** It was looked up, or listened to. */
  readonly shown: boolean
  readonly rounds: number
  /** How the round before went. */
  readonly before: readonly (RootResult | undefined)[] | undefined
}

/** A root that is over: what is kept of it. */
export interface Taken extends RootResult {
  readonly index: number
  readonly shown: boolean
  readonly heard: BarHeard | undefined
}

export const startedRound = (count: number): Round => ({
  at: -1,
  beat: -1,
  results: Array.from({ length: count }, () => undefined),
  chosen: undefined,
  heard: undefined,
  shown: false,
  rounds: 0,
  before: undefined,
})

/** @param each Beats of a root. @returns The round at that beat, and the root that it left, if it left one. */
export function atBeat(
  round: Round,
  mark: number,
  each: number,
): { readonly round: Round; readonly taken: Taken | undefined } {
  const at = Math.floor(mark / each)
  const beat = mark % each
  // The same root on an earlier beat is the same root once more: a run of one root goes round on itself.
  if (at === round.at && beat > round.beat) return { round: { ...round, beat }, taken: undefined }
  const taken = round.at < 0 ? undefined : takenOf(round)
  const results = taken ? round.results.with(taken.index, { grade: taken.grade, judge: taken.judge }) : round.results
  // Back at the first root: a new round.
  const isNew = taken !== undefined && at <= round.at
  return {
    round: {
      at,
      beat,
      results: isNew ? results.map(() => undefined) : results,
      chosen: undefined,
      heard: undefined,
      shown: false,
      rounds: round.rounds + (isNew ? 1 : 0),
      before: isNew ? results : round.before,
    },
    taken,
  }
}

/** The root that sounds, as it would be taken now: the player overrules the ear; nobody's word is "played". */
export function takenOf({ at, chosen, heard, shown }: Round): Taken {
  const said = chosen ?? heard?.grade
  return {
    index: at,
    grade: said === undefined ? 'played' : graded(said, shown),
    judge: chosen === undefined && heard !== undefined ? 'ear' : 'player',
    shown,
    heard,
  }
}

/** What stands to be taken at the next bar; nothing while nobody said anything. */
export const proposed = (round: Round): Grade | undefined => {
  const { grade } = takenOf(round)
  return grade === 'played' ? undefined : grade
}

/** Every root clean and none looked up: the tempo may rise. */
export const isCleanRound = (round: Round): boolean => {
  const last = takenOf(round)
  const results = round.results.with(last.index, last)
  return results.every((result) => result !== undefined && isClean(result.grade)) && !round.shown
}
