/** A shape of the log as a hand holds it. */
import { type Fingering, handOn, reachMm } from '@nestling/core/hand'
import { neckOf, readTuning } from '@nestling/core/neck'
import type { Degree, NoteName } from '@nestling/core/pitch'
import { readSuffix } from '@nestling/core/practice'
import type { Player } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { tonesReader } from '@nestling/core/voicing'
import { fretsIn } from '../../state/links.ts'

export interface HeldShape {
  readonly shape: Shape
  readonly degrees: readonly (Degree | null)[]
  readonly fingering: Fingering | undefined
  readonly reachMm: number
}

export function shapeHeld(
  root: NoteName,
  suffix: string,
  frets: string,
  tuning: string,
  { instrument, hand }: Player,
): HeldShape | undefined {
  const tuned = readTuning(tuning)
  const formula = readSuffix(suffix.replace(/^arpeggio /, ''))
  if (!tuned.ok || !formula) return undefined
  const neck = neckOf({ ...instrument, tuning: tuned.value, capo: undefined })
  const held = fretsIn(frets, neck.open.length)
  if (!held) return undefined
  const chord = { root, formula }
  return {
    shape: { chord, frets: held, tuning: tuned.value },
    degrees: tonesReader(chord, neck)(held)?.degrees ?? held.map(() => null),
    fingering: handOn(neck, hand).bestFingering(held),
    reachMm: reachMm(neck, held),
  }
}
