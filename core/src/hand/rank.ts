/**
 * Shapes in the order of a player's hand: easiest first, then the evenly spaced, then those nearer to the nut.
 *   VoicingsFound ─rankShapes→ RankedShape[]: fingering, reach and the terms of the score, all visible
 */
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Frets, fretsAt, type VoicingsFound } from '../voicing/index.ts'
import { type FingeringOptions, fingeringsOf } from './fingering.ts'
import { reachMm } from './profile.ts'
import type { Fingering, HandProfile } from './types.ts'

/** The terms of a shape's score; lower is better, and `total` is their sum. */
export interface ShapeScore {
  /** The cheapest fingering's cost. */
  readonly ease: number
  /** 0.04 per squared semitone by which the gaps between neighbouring voices differ from their mean. */
  readonly evenness: number
  /** 0.03 per fret of the lowest pressed finger. */
  readonly position: number
  readonly total: number
}

export interface RankedShape {
  readonly frets: Frets
  readonly reachMm: number
  /** The best fingering; `undefined` when four fingers can't hold the shape. Such shapes come last. */
  readonly fingering: Fingering | undefined
  readonly score: ShapeScore
}

const NO_FINGERING = 1000

export function rankShapes(
  found: VoicingsFound,
  neck: Neck,
  profile: HandProfile,
  options: FingeringOptions = {},
): readonly RankedShape[] {
  const shapes = Array.from({ length: found.count }, (_, row) =>
    shapeWithHand(fretsAt(found, row), neck, profile, options),
  )
  return shapes.sort((a, b) => a.score.total - b.score.total)
}

/** One shape with the hand's answer. */
export function shapeWithHand(
  frets: Frets,
  neck: Neck,
  profile: HandProfile,
  options: FingeringOptions = {},
): RankedShape {
  const fingering = fingeringsOf(neck, frets, profile, options)[0]
  const ease = fingering?.total ?? NO_FINGERING
  const evenness = 0.04 * gapVariance(frets, neck)
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const position = pressed.length === 0 ? 0 : 0.03 * Math.min(...pressed)
  return {
    frets,
    reachMm: reachMm(neck, frets),
    fingering,
    score: { ease, evenness, position, total: ease + evenness + position },
  }
}

function gapVariance(frets: Frets, neck: Neck): number {
  const midis = frets
    .flatMap((fret, index) => (fret === null ? [] : [soundingMidi(neck, index, fret)]))
    .sort((a, b) => a - b)
  const gaps = midis.slice(1).map((midi, index) => midi - (midis[index] as number))
  if (gaps.length === 0) return 0
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length
  return gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / gaps.length
}
