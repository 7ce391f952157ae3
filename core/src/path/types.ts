/** Path: a tune as shapes in time, chosen so that all of it together costs least. */
import type { Chord, OmissionSchool } from '../chord/index.ts'
import type { Fingering, HandProfile } from '../hand/index.ts'
import type { Neck, StringIndex, StringSet } from '../neck/index.ts'
import type { Degree, Midi } from '../pitch/index.ts'
import type { Ensemble, Manner, Taste } from '../taste/index.ts'
import type { ArrangementChoice, Frets, OpenStrings } from '../voicing/index.ts'

/**
 * What counts, and how much. The grip decides, by what a player takes first; steps choose among good grips. A shape that
 * stays costs nothing.
 */
export interface PathWeights {
  /** For each point of a shape's taste. */
  readonly taste: number
  /** For each semitone that the voices go, paired so that their sum is least; a voice without a partner counts as two. */
  readonly voices: number
  /** For each mm between the places of the two index fingers. */
  readonly hand: number
  /** For each 25 mm of that beyond 100 mm. */
  readonly far: number
  /** For each tone that stays on its string and fret; it takes off. */
  readonly stays: number
  /** For each finger that stays or slides along its string; it takes off. */
  readonly slides: number
  /** For each semitone by which the top voice leaps beyond a major third. */
  readonly top: number
  /** For each semitone by which the bass leaps beyond a fifth, where nobody else plays it. */
  readonly bass: number
  /** For another shape of the chord before. */
  readonly same: number
}

/** What a chord's shape may be. What is `undefined` is left free. */
export interface PathWishes {
  /** What the right hand does decides strings, voices and open strings; without it what is usual for these chords. */
  readonly manner?: Manner | undefined
  /** Who plays along decides the bass. */
  readonly ensemble: Ensemble
  /** Any of these sets sounds; without them every set that the chord fits, or of `voices` strings. */
  readonly strings?: readonly StringSet[] | undefined
  readonly voices?: number | undefined
  /** Any of these; an empty list is any arrangement. */
  readonly arrangements: readonly ArrangementChoice[]
  readonly fretMin: number
  readonly fretMax: number
  /** Without it as the manner has it. */
  readonly open?: OpenStrings | undefined
  /** What may be left out; without it whatever fits who plays. */
  readonly school?: OmissionSchool | undefined
  /** The root lies on these strings in turn, chord by chord, where that costs little. */
  readonly roots?: readonly StringIndex[] | undefined
  /** The same strings sound all the way, each voice on its own. */
  readonly stream: boolean
  /** The top voice goes by step: a whole tone at most. */
  readonly topStepwise: boolean
  /** The bass goes by step, one way where it can. */
  readonly bassLine?: 'rising' | 'falling' | undefined
  /** No tone in the bass player's range. */
  readonly aboveBass: boolean
}

/** Wishes with nothing left to what is usual. */
export interface SettledWishes extends PathWishes {
  readonly manner: Manner
  readonly open: OpenStrings
}

/** A shape that must be taken, whatever else is asked. */
export interface HeldShape {
  /** Index among the chords. */
  readonly chord: number
  readonly frets: Frets
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
