/** Chart: a tune as it is written, chords in bars. */
import type { Chord, SymbolError } from '../chord/index.ts'
import type { Key, KeyError, NumbersError } from '../key/index.ts'
import type { TextErrorOf } from '../result/index.ts'
import { DRUM_STYLES, type DrumStyle, type Metre, type MetreError } from '../time/index.ts'

/** How the band plays it. */
export const STYLES = DRUM_STYLES
export type Style = DrumStyle

export type ChartSlot =
  | { readonly kind: 'chord'; readonly chord: Chord }
  /** What sounded before sounds on. */
  | { readonly kind: 'hold' }
  | { readonly kind: 'rest' }
  /** Stands as it was typed; nothing sounds. */
  | { readonly kind: 'wrong'; readonly text: string }

export interface ChartBar {
  /** They share the bar evenly. Empty where the bar before is repeated. */
  readonly slots: readonly ChartSlot[]
  /** The letter or name of the part that begins here. */
  readonly part?: string | undefined
  /** A repeat begins, or ends, here. */
  readonly opens?: boolean | undefined
  readonly closes?: boolean | undefined
  /** Played only this time through the repeat, 1 the first. */
  readonly ending?: number | undefined
  /** From here on. */
  readonly metre?: Metre | undefined
  readonly tempoBpm?: number | undefined
}

export interface Chart {
  readonly title: string
  readonly key?: Key | undefined
  readonly metre: Metre
  /** Beats (quarter notes) in a minute. */
  readonly tempoBpm?: number | undefined
  readonly style: Style
  readonly bars: readonly ChartBar[]
}

/** Where a slot stands in the text: from its first character to behind its last. */
export interface ChartPlace {
  readonly from: number
  readonly to: number
}

export type ChartError = (
  | SymbolError
  | NumbersError
  | KeyError
  | MetreError
  | TextErrorOf<{
      not_in_a_chart: object
      number_without_key: object
      /** A bar with dots has a chord or a dot for every beat. */
      bar_beats: { slots: number; beats: number }
      part_in_bar: object
      nothing_to_repeat: object
      not_a_tempo: object
      chart_too_long: { most: number }
    }>
) & { readonly at: number; readonly text: string }

export interface ChartReading {
  readonly chart: Chart
  readonly errors: readonly ChartError[]
  /** By bar and slot. */
  readonly places: readonly (readonly ChartPlace[])[]
}
