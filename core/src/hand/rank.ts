/**
 * Shapes in the order in which players take them: what can be held before what can't, complete chords before fragments,
 * the usual grip before the rare one, easy before hard, near the nut before far.
 *   VoicingsFound + the chord ─rankShapes→ RankedShape[]: fingering, reach and the terms of the score, all visible
 */
import { type Chord, formulaMask, omittableDegrees } from '../chord/index.ts'
import { type Neck, soundingMidi } from '../neck/index.ts'
import { degreePitchClass, type PitchClassSet, pitchClassOf } from '../pitch/index.ts'
import { type Frets, fretsAt, lowestPressed, type VoicingsFound } from '../voicing/index.ts'
import { handOn } from './bestFingering.ts'
import type { FingeringOptions } from './fingering.ts'
import { reachMm } from './profile.ts'
import type { Fingering, HandProfile } from './types.ts'

/** The terms of a shape's score; lower is better, and `total` is their sum. */
export interface ShapeScore {
  /** The cheapest fingering's cost. */
  readonly ease: number
  /** Tones of the chord that nobody sounds: little for what players leave out, much for what tells the chord. */
  readonly missing: number
  /** A bass that nobody asked for, strings silenced inside the grip, open ones far from the hand; less for a full grip. */
  readonly unusual: number
  /** 0.04 per squared semitone by which the gaps between neighbouring voices differ from their mean. */
  readonly evenness: number
  /** 0.25 per fret of the lowest pressed finger: the same grip twelve frets up comes later. */
  readonly position: number
  readonly total: number
}

export interface RankedShape {
  readonly frets: Frets
  readonly reachMm: number
  /** The best fingering; `undefined` when the hand can't hold the shape. Such shapes come last. */
  readonly fingering: Fingering | undefined
  readonly score: ShapeScore
}

/** What the shapes are ranked for. */
export interface Ranking extends FingeringOptions {
  readonly chord: Chord
  /** Somebody asked for this bass, or for these strings: then none is more usual than another. */
  readonly bassAsked?: boolean
  readonly stringsAsked?: boolean
}

const NO_FINGERING = 1000

export function rankShapes(
  found: VoicingsFound,
  neck: Neck,
  profile: HandProfile,
  ranking: Ranking,
): readonly RankedShape[] {
  const judge = shapeJudge(neck, profile, ranking)
  return Array.from({ length: found.count }, (_, row) => judge(fretsAt(found, row))).sort(
    (a, b) => a.score.total - b.score.total,
  )
}

const FRAGMENT_COST = 12
const MISSING_COST = 2.2
const MISSING_FIFTH_COST = 1
const BASS_COST = 2.4
const GAP_COST = 1.1
const FULLER = 1.7
/** Of a shape's score, what its place along the neck costs for each fret; without it shapes are compared as grips. */
export const POSITION_COST = 0.25
/** Open strings beside a hand that has left the nut: each fret beyond the fourth. */
const APART_FROM_OPEN_COST = 0.5

/** Gives the terms of one shape after another from the effort of its fingering; `undefined`: it can't be held. */
export function shapeScorer(neck: Neck, { chord, bassAsked = false, stringsAsked = false }: Ranking) {
  const root = pitchClassOf(chord.root)
  const set: PitchClassSet = formulaMask(chord.formula)
  const omittable = omittableDegrees(chord.formula)
  const bass = chord.bass === undefined ? root : pitchClassOf(chord.bass)
  const isTriad = chord.formula.length === 3
  // By semitones above the root.
  const costs = Float64Array.from({ length: 12 }, (_, above) => {
    if (((set >> above) & 1) === 0) return 0
    const degree = chord.formula.find((one) => degreePitchClass(one) === above)
    if (isTriad || degree === undefined || !omittable.includes(degree)) return FRAGMENT_COST
    return degree === '5' ? MISSING_FIFTH_COST : MISSING_COST
  })
  const midis = new Uint8Array(neck.open.length)
  return (frets: Frets, effort: number | undefined): ShapeScore => {
    const ease = effort ?? NO_FINGERING
    let sounded = 0
    let count = 0
    let low = 128
    let first = -1
    let last = -1
    let hasOpen = false
    for (let string = 0; string < frets.length; string++) {
      const fret = frets[string]
      if (fret === null || fret === undefined) continue
      const midi = soundingMidi(neck, string, fret)
      sounded |= 1 << ((midi - root + 120) % 12)
      if (midi < low) low = midi
      if (first < 0) first = string
      last = string
      if (fret === 0) hasOpen = true
      midis[count++] = midi
    }
    let missing = 0
    for (let above = 0; above < 12; above++) if (((sounded >> above) & 1) === 0) missing += costs[above] as number
    const gaps = stringsAsked ? 0 : GAP_COST * (last - first + 1 - count)
    const fuller = stringsAsked ? 0 : FULLER * Math.max(0, count - 3)
    const lowest = lowestPressed(frets)
    const apart = hasOpen ? APART_FROM_OPEN_COST * Math.max(0, lowest - 4) : 0
    const unusual = (bassAsked || low % 12 === bass ? 0 : BASS_COST) + gaps + apart - fuller
    const evenness = 0.04 * gapVariance(midis, count)
    const position = POSITION_COST * lowest
    return { ease, missing, unusual, evenness, position, total: ease + missing + unusual + evenness + position }
  }
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
  ranking: Ranking,
): CompactRanking {
  const { leastEffort } = handOn(neck, profile, ranking)
  const scoreOf = shapeScorer(neck, ranking)
  const totals = new Float64Array(found.count)
  const reachesMm = new Float32Array(found.count)
  const held = new Uint8Array(found.count)
  for (let row = 0; row < found.count; row++) {
    const frets = fretsAt(found, row)
    const effort = leastEffort(frets)
    totals[row] = scoreOf(frets, effort).total
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
function shapeJudge(neck: Neck, profile: HandProfile, ranking: Ranking): (frets: Frets) => RankedShape {
  const { bestFingering } = handOn(neck, profile, ranking)
  const scoreOf = shapeScorer(neck, ranking)
  return (frets) => {
    const fingering = bestFingering(frets)
    return { frets, reachMm: reachMm(neck, frets), fingering, score: scoreOf(frets, fingering?.total) }
  }
}

/** Variance of the gaps between neighbouring voices, in squared semitones. */
function gapVariance(midis: Uint8Array, count: number): number {
  // Of six numbers that mostly ascend already, insertion is the quickest sort.
  for (let at = 1; at < count; at++) {
    const midi = midis[at] as number
    let to = at
    for (; to > 0 && (midis[to - 1] as number) > midi; to--) midis[to] = midis[to - 1] as number
    midis[to] = midi
  }
  const gaps = count - 1
  if (gaps < 1) return 0
  const mean = ((midis[gaps] as number) - (midis[0] as number)) / gaps
  let sum = 0
  for (let gap = 0; gap < gaps; gap++) sum += ((midis[gap + 1] as number) - (midis[gap] as number) - mean) ** 2
  return sum / gaps
}
