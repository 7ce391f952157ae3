/** What the logbook is asked. */
import type { Cycle } from '@nestling/core/practice'

/** Days that are looked back on; 0 for all. */
export const PERIODS = [7, 28, 42, 91, 365, 0] as const
export type Period = (typeof PERIODS)[number]

export interface LogPlan {
  readonly period: Period
  /** Days that were brushed, first and last; they hold instead of the period. */
  readonly days: readonly [string, string] | undefined
  readonly instrument: string | undefined
  readonly material: string | undefined
  /** In which order the roots stand. */
  readonly cycle: Cycle
  /** The shape and the root that are looked at. */
  readonly row: string | undefined
  readonly root: number | undefined
}
