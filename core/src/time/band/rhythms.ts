/** What the band plays, as tables: bass lines, a bar of drums for each style, the fill into the next part. */
import type { Drum } from '../score.ts'

/** One bar of drums, by drum: quarter notes from its start, and how loud. */
export type Beat = readonly (readonly [Drum, readonly number[], number])[]

/** The second eighth of a swung beat, as in triplets. */
const SWUNG = 2 / 3

/** Styles with a bar of their own; in another metre it keeps what falls inside the bar. */
export const BEATS = {
  swing: [
    ['hat', [0, 1, 1 + SWUNG, 2, 3, 3 + SWUNG], 0.5],
    ['kick', [0, 2], 0.4],
    ['snare', [1, 3], 0.3],
  ],
  waltz: [
    ['kick', [0], 0.8],
    ['hat', [0, 1, 2], 0.45],
    ['snare', [1, 2], 0.3],
  ],
  bossa: [
    ['kick', [0, 1.5, 2, 3.5], 0.6],
    ['snare', [0, 1.5, 3], 0.3],
    ['hat', [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5], 0.3],
  ],
  ballad: [
    ['kick', [0, 2.5], 0.5],
    ['snare', [2], 0.35],
    ['hat', [0, 1, 2, 3], 0.35],
  ],
  'off-beat': [
    ['kick', [0, 2], 0.6],
    ['snare', [2], 0.4],
    ['hat', [0.5, 1.5, 2.5, 3.5], 0.5],
  ],
} as const satisfies Readonly<Record<string, Beat>>

/** Kick and snare of the straight style by metre; its hats go in eighths. */
export const STRAIGHT_BEATS: Readonly<
  Record<string, { readonly kick: readonly number[]; readonly snare: readonly number[] }>
> = {
  '2/4': { kick: [0], snare: [1] },
  '3/4': { kick: [0], snare: [1, 2] },
  '4/4': { kick: [0, 2], snare: [1, 3] },
  '5/4': { kick: [0, 3], snare: [1, 2, 4] },
  '6/8': { kick: [0], snare: [1.5] },
  '7/8': { kick: [0, 2], snare: [1, 3] },
  '12/8': { kick: [0, 3], snare: [1.5, 4.5] },
}
export const STRAIGHT_LOUD = { kick: 0.9, snare: 0.75, hatOnBeat: 0.5, hat: 0.35 } as const

export const DRUM_STYLES = ['straight', 'swing', 'waltz', 'bossa', 'ballad', 'off-beat'] as const
export type DrumStyle = (typeof DRUM_STYLES)[number]

/** Into the next part, in quarter notes before its beginning: instead of what a bar's last beat has. */
export const FILL: Beat = [
  ['snare', [1, 0.75, 0.5], 0.45],
  ['kick', [0.25], 0.6],
]
export const FILL_BEATS = 1

export const BASS_LINES = ['roots', 'root and fifth', 'walking'] as const
export type BassLine = (typeof BASS_LINES)[number]

/** A line over one chord: its root (or the bass after a slash), then these tones over and over. */
export interface BassPattern {
  /** Of each note, in quarter notes; the last takes what is left. Without it one note lasts as long as the chord. */
  readonly step?: number
  /** Degrees by their numbers, as far as the chord has them; the root is 1. */
  readonly tones: readonly number[]
  /** Where a note lies: in the lowest octave, below the root where the bass reaches it, or nearest to the note before. */
  readonly lies: 'low' | 'below' | 'near'
  /** The last note stands a semitone beside the next root. */
  readonly leads?: boolean
  /** In turn. */
  readonly loud: readonly number[]
}

export const BASS_PATTERNS: Readonly<Record<BassLine, BassPattern>> = {
  roots: { tones: [], lies: 'low', loud: [0.9] },
  'root and fifth': { step: 2, tones: [5, 1], lies: 'below', loud: [0.9, 0.75] },
  walking: { step: 1, tones: [3, 4, 5, 6, 7], lies: 'near', leads: true, loud: [0.9, 0.8] },
}
