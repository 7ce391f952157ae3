/**
 * Shapes in the order of a player's hand: easiest first, then the evenly spaced, then those nearer to the nut.
 *   VoicingsFound ─rankShapes→ RankedShape[]: fingering, reach and the terms of the score, all visible
 */
import { type Neck, soundingMidi } from '../neck/index.ts'
import { type Frets, fretsAt, lowestPressed, type VoicingsFound } from '../voicing/index.ts'
import { handOn } from './bestFingering.ts'
import type { FingeringOptions } from './fingering.ts'
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
  const judge = shapeJudge(neck, profile, options)
  return Array.from({ length: found.count }, (_, row) => judge(fretsAt(found, row))).sort(
    (a, b) => a.score.total - b.score.total,
  )
}

function scoreOf(frets: Frets, neck: Neck, effort: number | undefined): ShapeScore {
  const ease = effort ?? NO_FINGERING
  const evenness = 0.04 * gapVariance(frets, neck)
  const position = 0.03 * lowestPressed(frets)
  return { ease, evenness, position, total: ease + evenness + position }
}

/** The same ranking as numbers alone: row r of the answer is row `rows[r]` of the search. */
export interface CompactRanking {
  readonly rows: Int32Array
  /** By row of the search: the score's total, the reach, and 1 where four fingers can hold the shape. */
  readonly totals: Float64Array
  readonly reachesMm: Float32Array
  readonly held: Uint8Array
}

/** Ranks without telling fingerings: for lists whose rows are looked at one by one. */
export function rankCompactly(
  found: VoicingsFound,
  neck: Neck,
  profile: HandProfile,
  options: FingeringOptions = {},
): CompactRanking {
  const { leastEffort } = handOn(neck, profile, options)
  const totals = new Float64Array(found.count)
  const reachesMm = new Float32Array(found.count)
  const held = new Uint8Array(found.count)
  for (let row = 0; row < found.count; row++) {
    const frets = fretsAt(found, row)
    const effort = leastEffort(frets)
    totals[row] = scoreOf(frets, neck, effort).total
    reachesMm[row] = reachMm(neck, frets)
    held[row] = effort === undefined ? 0 : 1
  }
  // Of equal shapes the first that was found comes first, as in `rankShapes`.
  const rows = Int32Array.from(totals, (_, row) => row).sort(
    (a, b) => (totals[a] as number) - (totals[b] as number) || a - b,
  )
  return { rows, totals, reachesMm, held }
}

/** A function that gives the hand's answer to one shape after another on the same neck. */
export function shapeJudge(
  neck: Neck,
  profile: HandProfile,
  options: FingeringOptions = {},
): (frets: Frets) => RankedShape {
  const { bestFingering } = handOn(neck, profile, options)
  return (frets) => {
    const fingering = bestFingering(frets)
    return { frets, reachMm: reachMm(neck, frets), fingering, score: scoreOf(frets, neck, fingering?.total) }
  }
}

export const shapeWithHand = (
  frets: Frets,
  neck: Neck,
  profile: HandProfile,
  options: FingeringOptions = {},
): RankedShape => shapeJudge(neck, profile, options)(frets)

/** Variance of the gaps between neighbouring voices, in squared semitones. */
function gapVariance(frets: Frets, neck: Neck): number {
  const midis: number[] = []
  for (const [string, fret] of frets.entries()) if (fret !== null) midis.push(soundingMidi(neck, string, fret))
  midis.sort((a, b) => a - b)
  const gaps = midis.length - 1
  if (gaps < 1) return 0
  const mean = ((midis[gaps] as number) - (midis[0] as number)) / gaps
  let sum = 0
  for (let gap = 0; gap < gaps; gap++) sum += ((midis[gap + 1] as number) - (midis[gap] as number) - mean) ** 2
  return sum / gaps
}
