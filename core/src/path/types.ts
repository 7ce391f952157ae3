/** Path: a tune as shapes in time, chosen so that all of it together costs least. */
import type { Chord } from '../chord/index.ts'
import type { Fingering, HandProfile } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import type { Degree, Midi } from '../pitch/index.ts'
import type { Ensemble, Manner, Taste } from '../taste/index.ts'
import type { HeldShape, PathWeights, TuneWishes } from '../tune/index.ts'
import type { ArrangementChoice, Frets, OpenStrings } from '../voicing/index.ts'

/** A tune's wishes, and what is asked besides. */
export interface PathWishes extends Omit<TuneWishes, 'open'> {
  /** Who plays along decides the bass. */
  readonly ensemble: Ensemble
  /** Any of these; an empty list is any arrangement. */
  readonly arrangements: readonly ArrangementChoice[]
  /** Without it as the manner has it. */
  readonly open?: OpenStrings | undefined
}

/** Wishes with nothing left to what is usual. */
export interface SettledWishes extends PathWishes {
  readonly manner: Manner
  readonly open: OpenStrings
}

export interface PathQuestion {
  readonly chords: readonly Chord[]
  readonly neck: Neck
  readonly hand: HandProfile
  readonly thumb: boolean
  readonly wishes: PathWishes
  readonly weights: PathWeights
  /** From the last chord back to the first counts too. */
  readonly loop: boolean
  readonly held: readonly HeldShape[]
  /** The top tone of each chord, `undefined` where it is free. */
  readonly melody?: readonly (Midi | undefined)[] | undefined
  /** How many different paths, the best first. */
  readonly best: number
  /** How many shapes of each chord, those that a player would take first; `MOST_CANDIDATES` without it. */
  readonly candidates?: number | undefined
}

export interface SettledQuestion extends PathQuestion {
  readonly wishes: SettledWishes
}

/** The terms of one shape as they are counted in; their sum is its cost. */
export interface ShapeParts {
  readonly taste: number
  /** Its root is on another string than was wished. */
  readonly wishes: number
}

/** The terms of one step; their sum is its cost. `wishes` is what a wish costs that this step breaks. */
export interface StepParts {
  readonly voices: number
  readonly hand: number
  readonly stays: number
  readonly top: number
  readonly bass: number
  readonly fingers: number
  readonly same: number
  readonly wishes: number
}

export interface PathShape {
  readonly frets: Frets
  /** From the lowest string; `null` where it is silent. */
  readonly degrees: readonly (Degree | null)[]
  readonly midis: readonly (Midi | null)[]
  /** By string from the lowest. */
  readonly fingers: Fingering['fingers']
  readonly fingering: Fingering
  readonly taste: Taste
  readonly reachMm: number
  /** Where the index fingertip rests, in mm from the nut; `undefined` where only open strings sound. */
  readonly indexMm: number | undefined
  readonly parts: ShapeParts
  readonly cost: number
}

/**
 * Why a chord has no shape, or stands against what is asked.
 *   no-shape   nothing of it lies in the frets, strings and arrangements that are asked
 *   melody     no shape has this tone on top
 *   bass       every shape reaches into the bass player's range
 *   hand       shapes are there, but this hand holds none of them
 *   not-it     the held shape is not of this chord
 *   outside    the held shape lies outside the frets that are asked; it is kept all the same
 */
export type PathGapReason = 'no-shape' | 'melody' | 'bass' | 'hand' | 'not-it' | 'outside'
export interface PathGap {
  readonly chord: number
  readonly reason: PathGapReason
}

export interface PathStep {
  readonly parts: StepParts
  readonly cost: number
  /** In semitones, from the lowest voice of the fuller chord up; `undefined` for a voice without a partner. */
  readonly moves: readonly (number | undefined)[]
  readonly handMm: number
  readonly staying: number
  readonly sliding: number
}

/** One way through: every chord's shape, `undefined` where it has none. */
export interface PathWay {
  readonly total: number
  readonly shapes: readonly (PathShape | undefined)[]
}

export interface PathFound extends PathWay {
  /** The step to each chord from the one before; the first is the loop's, from the last chord, where it is asked. */
  readonly steps: readonly (PathStep | undefined)[]
  /** Further ways, better before worse; each differs in a shape. */
  readonly others: readonly PathWay[]
  readonly gaps: readonly PathGap[]
}
