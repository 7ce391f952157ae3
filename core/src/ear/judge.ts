/** What was heard against what should have come, by pitch and time. */

import type { Midi } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'

export interface ExpectedNote {
  /** Seconds. */
  readonly at: number
  readonly midi: Midi
}
export interface HeardNote {
  readonly at: number
  readonly midi: Midi
  /** Off the tempered pitch, −50 to 50. */
  readonly cents: number
}

export type Mark =
  | { readonly kind: 'right'; readonly heard: HeardNote; readonly lateMs: number }
  /** Right in name, in another octave. */
  | { readonly kind: 'octave'; readonly heard: HeardNote; readonly lateMs: number }
  | { readonly kind: 'wrong'; readonly heard: HeardNote; readonly lateMs: number }
  | { readonly kind: 'missing' }

export interface Judgement {
  /** One for every expected note. */
  readonly marks: readonly Mark[]
  /** Heard, and belonging to no expected note. */
  readonly extra: readonly HeardNote[]
  /** Heard again while it still rang: a note that was due before and that nobody damped. It is no slip. */
  readonly ringing: readonly HeardNote[]
}

export interface JudgeOptions {
  /** How late everything arrives, in seconds: taken off before judging. */
  readonly latencyS?: number | undefined
  /** A note further off than this is not that note. */
  readonly withinS?: number | undefined
}

/** A right note is told to be out of tune from so many cents on. */
export const OUT_OF_TUNE_CENTS = 20

/** Seconds for which a string that was struck may be heard again. */
const RINGS_S = 3

/** Costs in seconds: to leave out a note that was expected, or to count a heard one as extra; a wrong pitch; a wrong octave. */
export const GAP_COST = 0.35
const WRONG_COST = 0.4
const OCTAVE_COST = 0.15

/** The cost of taking a heard note for an expected one; `undefined` when it is too far off in time. */
export function pairCost(expected: ExpectedNote, heard: HeardNote, withinS: number): number | undefined {
  const off = Math.abs(heard.at - expected.at)
  if (off > withinS) return undefined
  if (heard.midi === expected.midi) return off
  return off + (heard.midi % 12 === expected.midi % 12 ? OCTAVE_COST : WRONG_COST)
}

/**
 * The cheapest way to lay the heard notes along the expected ones, both in order of time, as texts are compared.
 * A wrong note counts as wrong rather than as one missing and one too many.
 */
export function judge(
  expected: readonly ExpectedNote[],
  heardLate: readonly HeardNote[],
  { latencyS = 0, withinS = 0.3 }: JudgeOptions = {},
): Judgement {
  const heard = heardLate.map((note) => ({ ...note, at: note.at - latencyS })).sort((a, b) => a.at - b.at)
  const rows = expected.length + 1
  const columns = heard.length + 1
  const costs = new Float64Array(rows * columns)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      if (row === 0 && column === 0) continue
      let best = Number.POSITIVE_INFINITY
      if (row > 0) best = Math.min(best, (costs[(row - 1) * columns + column] as number) + GAP_COST)
      if (column > 0) best = Math.min(best, (costs[row * columns + column - 1] as number) + GAP_COST)
      if (row > 0 && column > 0) {
        const pair = pairCost(requireAt(expected, row - 1), requireAt(heard, column - 1), withinS)
        if (pair !== undefined) best = Math.min(best, (costs[(row - 1) * columns + column - 1] as number) + pair)
      }
      costs[row * columns + column] = best
    }
  const marks: Mark[] = []
  const extra: HeardNote[] = []
  let row = rows - 1
  let column = columns - 1
  while (row > 0 || column > 0) {
    const here = costs[row * columns + column] as number
    const want = expected[row - 1]
    const got = heard[column - 1]
    const pair = want && got && pairCost(want, got, withinS)
    if (want && got && pair !== undefined && here === (costs[(row - 1) * columns + column - 1] as number) + pair) {
      const lateMs = Math.round((got.at - want.at) * 1000)
      const kind = got.midi === want.midi ? 'right' : got.midi % 12 === want.midi % 12 ? 'octave' : 'wrong'
      marks.unshift({ kind, heard: got, lateMs })
      row--
      column--
    } else if (row > 0 && here === (costs[(row - 1) * columns + column] as number) + GAP_COST) {
      marks.unshift({ kind: 'missing' })
      row--
    } else {
      extra.unshift(got as HeardNote)
      column--
    }
  }
  const rings = ({ at, midi }: HeardNote): boolean =>
    expected.some((want) => want.midi === midi && want.at < at && at - want.at < RINGS_S)
  return { marks, extra: extra.filter((note) => !rings(note)), ringing: extra.filter(rings) }
}
