/** Lanes: one playable shape for every step of a key, up the neck. */
import type { Chord } from '../chord/index.ts'
import type { Fingering } from '../hand/index.ts'
import type { Fret, StringIndex, StringSet } from '../neck/index.ts'
import type { Degree } from '../pitch/index.ts'
import type { Frets } from '../voicing/index.ts'

/** A tone of a chord by its number: 1 the root, 3, 5, 7, 9, 11, 13; what it is exactly, the step's chord says. */
export type ToneNumber = 1 | 3 | 5 | 7 | 9 | 11 | 13

/**
 * What a lane is asked as. Strings are indices from the lowest.
 *   root    the root on one string, the other tones as they are usually held above it
 *   turns   the root on several strings in turn
 *   order   one order of tones on one string set, from the lowest string up; with `forms` its inversions take turns
 *   tones   each tone on a chosen string, other strings ringing or silent; open strings count as fret 0
 */
export type LaneAsk =
  | { readonly kind: 'root'; readonly string: StringIndex }
  | { readonly kind: 'turns'; readonly strings: readonly StringIndex[] }
  | {
      readonly kind: 'order'
      readonly strings: StringSet
      readonly order: readonly ToneNumber[]
      readonly forms?: number | undefined
    }
  | { readonly kind: 'tones'; readonly tones: readonly PlacedTone[]; readonly ring: readonly StringIndex[] }

export interface PlacedTone {
  readonly number: ToneNumber
  readonly string: StringIndex
}

/**
 * Why a shape can't be had where it would lie.
 *   reach     wider than this hand opens
 *   crowded   fingertips side by side have no room in the fret
 *   past      past the last fret that is used
 *   octave    past the twelve frets from where the lane was made to begin
 *   no-tone   the chord has no such tone, or the string has it nowhere near
 *   strings   more tones than strings
 */
export type LaneGap = 'reach' | 'crowded' | 'past' | 'octave' | 'no-tone' | 'strings'

export interface LaneShape {
  readonly frets: Frets
  readonly degrees: readonly (Degree | null)[]
  readonly fingering: Fingering | undefined
  readonly reachMm: number
  /** Three fingertips or more stand side by side in a narrow fret. */
  readonly crowded: boolean
}

/** What is held instead where the step's own tones can't be had: the nearest, under its own name. */
export interface Instead {
  readonly shape: LaneShape
  readonly chord: Chord
}

export interface LaneStep {
  /** 1 to 7. */
  readonly step: number
  readonly chord: Chord
  /** The string of the tone that leads: the root's, or the lowest of the order. */
  readonly string: StringIndex
  readonly shape: LaneShape | undefined
  /** Why it does not stand where the lane would have put it; with a shape it goes on elsewhere, without one it ends. */
  readonly gap: LaneGap | undefined
  /** What the lane would have put there; `undefined` past the end of the neck. */
  readonly refused: Frets | undefined
  /** From the step before, on the string that leads: frets up (down below 0), and as far along the neck in mm. */
  readonly hopFrets: number | undefined
  readonly hopMm: number | undefined
  readonly instead: Instead | undefined
}

export interface Lane {
  readonly ask: LaneAsk
  readonly steps: readonly LaneStep[]
  /** The highest fret that is pressed; 0 where nothing is. */
  readonly highest: Fret
  /** The steps before which it goes on lower instead of further up. */
  readonly folds: readonly number[]
}

/** A step and its chord; a stand-in on another root does not lead the lane on. */
export interface LaneChord {
  readonly step: number
  readonly chord: Chord
  readonly standsIn?: boolean | undefined
}

export interface LaneOptions {
  /** The last fret that is used. */
  readonly fretMax: Fret
  /** The root's fifth is added on the string below it where it lies under the hand. */
  readonly fifthInBass?: boolean | undefined
  /**
   * The fret at which the lane begins: every step stands in the twelve frets from there, and what would lie further up
   * goes on lower. Without it the lane climbs from the lowest place of its first step.
   */
  readonly from?: Fret | undefined
  /** Of lanes by the root: what is held over it at a place; `undefined` where nothing is. Without it the usual orders are. */
  readonly gripAt?: ((chord: Chord, string: StringIndex, fret: Fret) => Frets | undefined) | undefined
  /** A root may be an open string: in a manner that rings. */
  readonly openRoots?: boolean | undefined
}

/** The widest that a lane's start is moved: an octave. */
export const LANE_FRETS = 12
