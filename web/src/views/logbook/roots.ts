/** The roots of the logbook, in a run's own order. */
import type { NoteName } from '@nestling/core/pitch'
import { type Cycle, chanceOf, cycleOf, spelledFor } from '@nestling/core/practice'

/** Every pitch class once, from E: a cycle that closes early goes on a semitone lower. */
export const rootsInOrder = (cycle: Cycle): readonly number[] =>
  cycleOf({ cycle, from: 'E', all: true, random: chanceOf(1) })

/** As players call them before they know the chord. */
export const rootName = (pitchClass: number): NoteName => spelledFor(pitchClass, ['R']).root

/** A tempo as a share of the way from the slowest that is told to the wished one, 0 to 1. */
export const SLOWEST_TOLD = 40
export const fullness = (tempo: number, wished: number): number =>
  Math.min(1, Math.max(0, (tempo - SLOWEST_TOLD) / Math.max(1, wished - SLOWEST_TOLD)))
