import type { Chord, Formula, OmissionSchool, SymbolError } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import type { Fret, Instrument, StringSet, StringSetError, Tuning, TuningError } from '../neck/index.ts'
import type { Degree, NamingSystem } from '../pitch/index.ts'
import type { TextErrorOf } from '../result/index.ts'
import type { Manner } from '../taste/index.ts'
import type { ArrangementChoice, ArrangementError, FretsError, OpenStrings } from '../voicing/index.ts'

/** What is asked: the sentence as a value. What is `undefined` is left free. */
export interface Question {
  readonly chord: Chord
  readonly arrangement: ArrangementChoice
  readonly strings?: StringSet | undefined
  readonly bass?: Degree | undefined
  readonly top?: Degree | undefined
  /** Exactly these tones stay silent; an empty list means none; `undefined` leaves it to the school. */
  readonly omit?: readonly Degree[] | undefined
  /** Left free, a tone is doubled where there are more strings than tones. */
  readonly doubling?: boolean | undefined
  readonly open: OpenStrings
  /** What the right hand does; without it the player's own manner, or what is usual for the chord. */
  readonly manner?: Manner | undefined
  readonly fretMin: Fret
  readonly fretMax: Fret
  /** Highest minus lowest pressed fret, at most; left free, the hand's reach decides. */
  readonly span?: number | undefined
  /** Another tuning than the instrument's own; its capo comes off then. */
  readonly tuning?: Tuning | undefined
}

/** Who plays it, on what: the player's own choices, which a chord does not change. */
export interface Player {
  readonly instrument: Instrument
  /** Tunings of the player's own, offered beside the common ones. */
  readonly ownTunings: readonly Tuning[]
  readonly hand: HandProfile
  readonly school: OmissionSchool
  readonly thumb: boolean
  /** The ways of naming notes that are read where the player types, their own first. */
  readonly naming: readonly NamingSystem[]
  /** A bass player plays too: the root may stay silent, and tones in their range are worth a warning. */
  readonly withBassPlayer: boolean
  /** The player's own manner; without it what is usual for a chord. */
  readonly manner?: Manner | undefined
}

/** Why a text of a question was refused: what core says of the text, or of its place among the others. */
export type QuestionError =
  | SymbolError
  | ArrangementError
  | TuningError
  | StringSetError
  | FretsError
  | TextErrorOf<{
      not_a_number: { least: number; most: number }
      /** The neck, or the hand on it, ends before that fret. */
      past_the_hand: { most: number }
      not_one_of: { choices: readonly string[] }
      not_a_degree: object
      not_a_chord_tone: { formula: Formula; none: boolean }
      line_too_long: { most: number }
      nothing_typed: object
      not_a_wish: object
      /** Several shapes where one chord is asked for. */
      shapes_elsewhere: object
      /** How a shape is held, where tones are asked for one by one. */
      shape_wish_elsewhere: object
      /** A single string, on which no chord is held. */
      one_string: object
      /** Frets for fewer strings than the neck has; with the missing ones silent they would be one of these. */
      frets_missing: { strings: number; choices: readonly string[] }
      /** The shape in hand was said to be a chord that it is not. */
      not_the_shape: object
    }>

/** With the field of the address, of HTTP or of the typed line in which it stood. */
export type FieldError = QuestionError & { readonly field: string }
