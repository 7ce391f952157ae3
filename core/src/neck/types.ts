import type { Counting, Midi, Pitch } from '../pitch/index.ts'

/** What players call a string by: 1 for the highest, n for the lowest. */
export type StringNumber = Counting<'string number'>
/** Where a string stands in every list: 0 for the lowest. `stringNumber` and `stringIndex` go between the two. */
export type StringIndex = Counting<'string index'>
/** Counted from the nut; 0 rings open. */
export type Fret = Counting<'fret'>

/** Open strings, lowest-sounding string first (index 0 is the string with the highest number). */
export interface Tuning {
  readonly name: string
  readonly strings: readonly Pitch[]
}

/** A capo over all strings, or over some: `strings` are string numbers, 1 for the highest. */
export interface Capo {
  readonly fret: Fret
  readonly strings: 'all' | readonly StringNumber[]
}

/** What its strings and body sound like. */
export const TIMBRES = ['nylon', 'steel', 'archtop'] as const
export type Timbre = (typeof TIMBRES)[number]

export type PluckStyle = 'pick' | 'fingers' | 'thumb-and-fingers'

export interface Instrument {
  readonly name: string
  readonly tuning: Tuning
  readonly capo?: Capo | undefined
  /** How many frets the fingerboard has. */
  readonly frets: number
  /** Nut to bridge, in mm. */
  readonly scaleLengthMm: number
  /** Between the centres of neighbouring strings, in mm. */
  readonly spacingNutMm: number
  readonly spacingBridgeMm: number
  /** The highest fret that the body lets the hand reach. */
  readonly lastReachableFret: Fret
  readonly handed: 'right' | 'left'
  readonly pluck: PluckStyle
  readonly timbre: Timbre
}

/** What the search and the hand need of an instrument: sounding open strings, and the frets that can be pressed. */
export interface Neck {
  /** MIDI of each string at the nut: fret n sounds n semitones above it. Lowest string first. */
  readonly nut: readonly Midi[]
  /** MIDI of each string as it rings unstopped, capo included; lowest string first. */
  readonly open: readonly Midi[]
  /** The lowest fret that can be pressed on each string: behind a capo there is none. */
  readonly firstFret: readonly Fret[]
  readonly lastFret: Fret
  readonly scaleLengthMm: number
  readonly spacingNutMm: number
  readonly spacingBridgeMm: number
}
