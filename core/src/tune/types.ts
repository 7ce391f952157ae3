/** Tune: a chart with all that a player asks of it and holds in it. Plain data; a view, a file and a page each take it as it is. */
import type { Chart, ChartError } from '../chart/index.ts'
import type { OmissionSchool } from '../chord/index.ts'
import type { StringIndex, StringSet, Tuning, TuningError } from '../neck/index.ts'
import type { Midi } from '../pitch/index.ts'
import type { TextErrorOf } from '../result/index.ts'
import type { Manner } from '../taste/index.ts'
import type { BassLine } from '../time/index.ts'
import type { Frets } from '../voicing/index.ts'

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
export interface TuneWishes {
  /** What the right hand does decides strings, voices and open strings; without it what is usual for these chords. */
  readonly manner?: Manner | undefined
  /** Any of these sets sounds; without them every set that the chord fits, or of `voices` strings. */
  readonly strings?: readonly StringSet[] | undefined
  readonly voices?: number | undefined
  readonly fretMin: number
  readonly fretMax: number
  /** Whether open strings may ring; without it as the manner has it. */
  readonly open?: 'never' | 'allow' | undefined
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

/** A shape that must be taken, whatever else is asked. */
export interface HeldShape {
  /** Index among the played chords. */
  readonly chord: number
  readonly frets: Frets
}

/** A tone that a chord shall have on top. */
export interface TopTone {
  /** Index among the played chords. */
  readonly chord: number
  readonly midi: Midi
}

export interface Tune {
  readonly chart: Chart
  readonly wishes: TuneWishes
  readonly weights: PathWeights
  /** From the last chord back to the first. */
  readonly loop: boolean
  /** Shapes that must be taken. */
  readonly held: readonly HeldShape[]
  /** Top tones that are wished. */
  readonly melody: readonly TopTone[]
  /** What the right hand does: as `readPattern` reads it. */
  readonly pattern: string
  readonly bass: BassLine
  /** Another tuning than the instrument's own. */
  readonly tuning: Tuning | undefined
  /** The way that it was kept with, by played chord; `undefined` where a chord has no shape. Empty where none was kept. */
  readonly way: readonly (Frets | undefined)[]
}

/** The texts that a tune is written in: the same in an address, in JSON and in the database. A field that is as usual is missing. */
export const TUNE_FIELDS = [
  'chart',
  'manner',
  'strings',
  'voices',
  'frets',
  'open',
  'leaving',
  'roots',
  'ways',
  'bass',
  'weights',
  'loop',
  'hold',
  'top',
  'hand',
  'line',
  'tuning',
  'way',
] as const
export type TuneField = (typeof TUNE_FIELDS)[number]
export type TuneTexts = { readonly chart: string } & { readonly [Field in TuneField]?: string | undefined }

/** What can't be read: it is left as usual. `text` is the piece of the field, `at` where it begins there. */
export type TuneError = { readonly field: TuneField } & (
  | ChartError
  | TuningError
  | TextErrorOf<{ not_in_a_tune: { readonly field: TuneField } }>
)
