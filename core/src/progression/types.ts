import type { Chord, SymbolError } from '../chord/index.ts'
import type { Key, KeyError } from '../key/index.ts'
import type { Shape, ShapeError, ShapeTexts } from '../shape/index.ts'
import type { Metre, MetreError } from '../time/index.ts'

/** A chord for some beats, and the shape that it is played with, if one is chosen. */
export interface Step {
  /** The same as long as the step lives; given by whoever makes it. */
  readonly id: string
  readonly beats: number
  readonly chord: Chord
  readonly shape?: Shape | undefined
  /** The shape stays whatever a path would choose. */
  readonly held: boolean
}

/** Chords in time. The tray is the current one; a set is one that is kept. */
export interface Progression {
  readonly title: string
  readonly key?: Key | undefined
  readonly metre: Metre
  readonly tempoBpm: number
  readonly steps: readonly Step[]
}

/** The same as texts and numbers: what the database and HTTP hold. Always in letters. */
export interface StepTexts {
  readonly id: string
  readonly beats: number
  readonly chord: string
  readonly shape: ShapeTexts | null
  readonly held: boolean
}
export interface ProgressionTexts {
  readonly title: string
  /** `Bb major`; empty when none is given. */
  readonly key: string
  /** `3/4` */
  readonly metre: string
  readonly tempoBpm: number
  readonly steps: readonly StepTexts[]
}

/** With the place of the text among the others: `key`, `steps.2.shape.frets`. */
export type ProgressionError = (SymbolError | KeyError | MetreError | Omit<ShapeError, 'field'>) & {
  readonly field: string
}
