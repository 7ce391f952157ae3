import type { Chart, Played, Span } from '@nestling/core/chart'
import type { Tuning } from '@nestling/core/neck'
import type { HeldShape, PathFound, PathQuestion, PathWeights, PathWishes, TopTone } from '@nestling/core/path'
import type { BassLine } from '@nestling/core/time'

/** What the player asks for: one value, one address, one step to undo. */
export interface PathPlan {
  readonly chart: Chart
  readonly wishes: PathWishes
  readonly weights: PathWeights
  readonly loop: boolean
  /** By the chord's place among the played ones. */
  readonly held: readonly HeldShape[]
  /** The chord that is looked at. */
  readonly chosen: number
  /** What the right hand does: as `readPattern` reads it. */
  readonly pattern: string
  readonly bass: BassLine
  /** Another tuning than the instrument's own. */
  readonly tuning: Tuning | undefined
  /** Top tones that are wished, by the chord's place. */
  readonly melody: readonly TopTone[]
  /** The part of the tune that is played; without it all of it. */
  readonly part: Span | undefined
  /** The kept tune that this is, by its number in the Book. */
  readonly tune: number | undefined
  /** The version of it that this grew from. */
  readonly seen: number | undefined
}

/** A plan and its path. */
export interface PathAnswer {
  readonly plan: PathPlan
  readonly played: Played
  readonly question: PathQuestion
  readonly found: PathFound
}
