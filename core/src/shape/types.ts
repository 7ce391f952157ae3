import type { Chord, SymbolError } from '../chord/index.ts'
import type { Finger } from '../hand/index.ts'
import type { Tuning, TuningError } from '../neck/index.ts'
import type { TextErrorOf } from '../result/index.ts'
import type { Frets, FretsError } from '../voicing/index.ts'

/** What a hand holds: frets of a chord on strings so tuned, and the fingers if the player chose some. */
export interface Shape {
  readonly chord: Chord
  readonly frets: Frets
  readonly tuning: Tuning
  /** One entry per string, lowest first, `null` where no finger presses. Without it the best fingering counts. */
  readonly fingers?: Fingers | undefined
}

export type Fingers = readonly (Finger | null)[]

/** The same as texts: what files, addresses, the database and HTTP hold. Always in letters. */
export interface ShapeTexts {
  /** `Ebmaj7` */
  readonly chord: string
  /** `x6878x`, lowest string first. */
  readonly frets: string
  /** `E2,A2,D3,G3,B3,E4` */
  readonly tuning: string
  /** `x1324x`; empty when none were chosen. */
  readonly fingers?: string
}

export type FingersError = TextErrorOf<{
  not_a_finger: object
  finger_count: { count: number; strings: number }
  /** A finger on a string that is not pressed. */
  finger_idle: object
}>

export type ShapeError = (SymbolError | TuningError | FretsError | FingersError) & {
  readonly field: keyof ShapeTexts
}
