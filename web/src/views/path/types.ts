import type { Played, Span } from '@nestling/core/chart'
import type { PathFound, PathQuestion } from '@nestling/core/path'
import type { Tune } from '@nestling/core/tune'

/** The tune that is asked about, and how the view stands on it: one value, one address, one step to undo. */
export interface PathPlan extends Tune {
  /** The chord that is looked at. */
  readonly chosen: number
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
