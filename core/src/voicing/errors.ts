import type { TextErrorOf } from '../result/index.ts'

export type ArrangementError = TextErrorOf<{ not_an_arrangement: object; too_few_tones: object }>

export type FretsError = TextErrorOf<{
  frets_too_long: object
  not_a_fret: object
  fret_count: { count: number; strings: number }
  all_silent: object
}>
