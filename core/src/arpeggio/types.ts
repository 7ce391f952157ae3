import type { Chord } from '../chord/index.ts'
import type { Finger } from '../hand/index.ts'
import type { Fret, StringIndex, StringSet } from '../neck/index.ts'
import type { Degree, Midi, NoteName } from '../pitch/index.ts'
import type { Place } from '../voicing/index.ts'

/** A chord tone where it lies. */
export interface ChordPlace extends Place {
  readonly midi: Midi
  readonly degree: Degree
  readonly note: NoteName
}

/**
 * How an arpeggio lies on the neck:
 *   position    all tones under one hand, the index at `at`, one stretch fret each side
 *   diagonal    up the neck from the root on `string` near `at`, over `octaves`, every root further up than the one before
 *   one-string  everything on `string`
 *   two-a-string two tones on every string, upwards from the tone on the lowest string near `at`
 *   strings     only on `strings`, in the place of a voicing whose lowest pressed fret is `at`
 */
export type ArpeggioWay =
  | { readonly kind: 'position'; readonly at: Fret }
  | { readonly kind: 'diagonal'; readonly string: StringIndex; readonly at: Fret; readonly octaves: number }
  | { readonly kind: 'one-string'; readonly string: StringIndex }
  | { readonly kind: 'two-a-string'; readonly at: Fret }
  | { readonly kind: 'strings'; readonly strings: StringSet; readonly at: Fret }

/** A tone of the line, with the hand that plays it. */
export interface ArpeggioNote extends ChordPlace {
  /** `null` on an open string. */
  readonly finger: Finger | null
  /** The fret where the index finger rests. */
  readonly handAt: Fret
  /** The index reaches one fret back, or the little finger one on. */
  readonly stretched: boolean
}

export interface LineCost {
  /** Moves of the hand along the neck. */
  readonly shifts: number
  /** Fingers that reach out of the hand's four frets. */
  readonly stretches: number
  readonly total: number
}

/** A line of rising tones with fingers, cheapest of all that were looked at first. */
export interface FingeredLine {
  readonly notes: readonly ArpeggioNote[]
  readonly cost: LineCost
}

/** Why a line ends before what was asked. */
export type ArpeggioCut =
  /** A string has not both of the next two tones. */
  | { readonly kind: 'not-both-tones'; readonly string: StringIndex }
  | { readonly kind: 'no-root'; readonly string: StringIndex }
  | { readonly kind: 'no-octave'; readonly string: StringIndex; readonly fret: Fret }
  | { readonly kind: 'fewer-octaves'; readonly fit: number; readonly wanted: number }

export interface Arpeggio {
  readonly chord: Chord
  readonly way: ArpeggioWay
  /** Low to high. */
  readonly notes: readonly ArpeggioNote[]
  /** Places of the same pitches that the way holds as well: the second string of a tone that can be had on two. */
  readonly others: readonly ChordPlace[]
  readonly cost: LineCost
  /** The widest that the hand opens in one place, in mm: from its lowest fret to its highest. */
  readonly widestMm: number
  /** Other fingerings and strings of the same tones, dearer ones later. The first is this one. */
  readonly lines: readonly FingeredLine[]
  /** What was asked and does not fit this neck; `undefined` when all of it does. */
  readonly cut: ArpeggioCut | undefined
}
