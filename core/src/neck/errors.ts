import type { TextErrorOf } from '../result/index.ts'

export type StringSetError = TextErrorOf<{
  /** No string of a neck with so many, or one that is named twice. */
  not_a_string: { strings: number }
  too_few_strings: { strings: number }
}>

export type TuningError = TextErrorOf<{
  tuning_too_long: object
  not_a_pitch: object
  open_out_of_range: object
  strings_fall: object
  string_count: { count: number }
}>

/** What is wrong with one of an instrument's numbers. */
export type InstrumentProblem =
  | {
      readonly code: 'out_of_range'
      readonly field: 'frets' | 'scaleLengthMm' | 'spacingNutMm' | 'spacingBridgeMm' | 'lastReachableFret' | 'capo'
      readonly value: number
      readonly least: number
      readonly most: number
      readonly unit: 'frets' | 'mm'
    }
  | { readonly code: 'capo_strings'; readonly field: 'capo'; readonly strings: number }
