import type { Degree } from '../pitch/index.ts'
import type { TextErrorOf } from '../result/index.ts'

export type FormulaError = TextErrorOf<{
  formula_too_long: { most: number }
  unknown_degree: object
  /** A degree, but none that chords are told with. */
  not_a_chord_degree: object
  named_twice: object
  sounds_as: { twin: Degree }
  no_root_degree: object
  too_few_degrees: object
  thirds_count: object
  not_a_third: object
  off_the_scale: { step: number }
}>

/** Those that need no more than their place. */
export type PlainSymbolError = TextErrorOf<{
  no_symbol: object
  no_root_note: object
  no_bass_note: object
  not_in_a_symbol: object
  after_symbol: object
  power_with_quality: object
  ambiguous_number: object
  bracket_unopened: object
  bracket_unclosed: object
  second_seventh: object
  unknown_addition: object
  unknown_omission: object
  alt_twice: object
  alt_with_more: object
}>

export type SymbolError =
  | FormulaError
  | PlainSymbolError
  | TextErrorOf<{
      symbol_too_long: { most: number }
      /** An accidental before a number that it never alters. */
      not_a_tension: { number: string }
    }>
