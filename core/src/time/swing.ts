/**
 * Swing: the note between two beats comes later. Only what stands exactly there moves; triplets and everything else stay
 * where they are written.
 */
import type { Metre } from './metre.ts'
import type { Score } from './score.ts'

/** Which notes swing: the second eighth of a beat, or every second sixteenth. */
export const SWUNG = ['eighths', 'sixteenths'] as const
export type Swung = (typeof SWUNG)[number]

/** Quarter notes from one place to the next of the grid that swings. */
const STEP: Readonly<Record<Swung, number>> = { eighths: 0.5, sixteenths: 0.25 }
/** At 100 the second of two comes where the third of a triplet would: a third of a step later. */
const MOST = 1 / 3
const NEAR = 1e-6

export interface Swing {
  /** 0 straight, 100 as in triplets. */
  readonly percent: number
  readonly of: Swung
}
export const STRAIGHT: Swing = { percent: 0, of: 'eighths' }

/** @returns By how many quarter notes a note at this beat comes later. Where eighths are the beat (6/8, 7/8) nothing swings. */
export function swingDelay(beat: number, { unit }: Metre, { percent, of }: Swing): number {
  if (unit === 8) return 0
  const step = STEP[of]
  const places = beat / step
  const place = Math.round(places)
  if (Math.abs(places - place) * step > NEAR || place % 2 === 0) return 0
  return (step * MOST * percent) / 100
}

/** When a note is heard and for how long, in quarter notes: it still ends where the next one begins. */
export function swungNote(
  { at, length }: { readonly at: number; readonly length?: number | undefined },
  metre: Score['metre'],
  swing: Swing,
): { readonly at: number; readonly length: number | undefined } {
  const begins = at + swingDelay(at, metre, swing)
  if (length === undefined) return { at: begins, length }
  const end = at + length
  return { at: begins, length: end + swingDelay(end, metre, swing) - begins }
}
