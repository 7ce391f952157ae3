/** What a run is asked as, and how far it has gone. */
import type { StringVerdict } from '@nestling/core/ear'
import type { Tuning } from '@nestling/core/neck'
import type { NoteName } from '@nestling/core/pitch'
import type { Cycle, Grade, LogGrade, Material, PlaceRule } from '@nestling/core/practice'
import type { Manner } from '@nestling/core/taste'

/** How much of a shape is seen: all of it, all of it late, the root and places, the root only, nothing. */
export const SHOWINGS = ['open', 'late', 'places', 'root', 'nothing'] as const
export type Showing = (typeof SHOWINGS)[number]

export interface RunPlan {
  readonly material: Material
  /** A tune's or a set's name; empty where the material says it. */
  readonly title: string
  readonly cycle: Cycle
  readonly from: NoteName
  readonly down: boolean
  /** A cycle that closes early goes on a semitone lower. */
  readonly all: boolean
  /** Of a shuffle. */
  readonly seed: number
  readonly rule: PlaceRule
  /** How its grips are chosen: in a manner; without one its tones lie in their usual orders. */
  readonly manner: Manner | undefined
  /** The fret near which it begins, where the player says one; 0 at the nut. */
  readonly near: number | undefined
  /** Bars for each chord. */
  readonly bars: number
  readonly showing: Showing
  /** Another than the instrument's own. */
  readonly tuning: Tuning | undefined
}

/** What became of one root in this round. */
export interface RootResult {
  readonly grade: LogGrade
  readonly judge: 'player' | 'ear'
}

/** What the ear says of the bar that sounds. */
export interface BarHeard {
  readonly verdicts: readonly StringVerdict[]
  readonly lateMs: number
  readonly grade: Grade
}
