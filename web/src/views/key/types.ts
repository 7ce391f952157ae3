import type { Chord } from '@nestling/core/chord'
import type { NumberSchool } from '@nestling/core/key'
import type { KeyOnNeck, KeyQuestion } from '@nestling/core/lane'
import type { Neck, Tuning } from '@nestling/core/neck'
import type { Manner } from '@nestling/core/taste'

/** How a lane is played through. */
export const GOINGS = ['up', 'down', 'up-down', 'turns'] as const
export type Going = (typeof GOINGS)[number]

/** How long each chord lasts. */
export const LASTINGS = ['bar', 'beat'] as const
export type Lasting = (typeof LASTINGS)[number]

/** What the player asks for: one value, one address, one step to undo. */
export interface KeyPlan extends KeyQuestion {
  readonly tuning: Tuning | undefined
  /** How the grips of lanes by the root are chosen; without it their tones lie in the usual orders. */
  readonly manner: Manner | undefined
  /** 1 to 7. */
  readonly step: number
  /** Which of the lanes the chosen step stands in. */
  readonly lane: number
  readonly going: Going
  readonly lasting: Lasting
  /** What the right hand does: as `readPattern` reads it. */
  readonly pattern: string
  /** Where the capo lies; as the instrument has it when nothing is said. */
  readonly capo: number | undefined
  readonly numbers: NumberSchool
  /** The progression that was written in numbers. */
  readonly written: readonly Chord[]
}

/** A plan laid on its neck. */
export interface KeyAnswer extends KeyOnNeck {
  readonly plan: KeyPlan
  readonly neck: Neck
}
