import type { Chord, OmissionSchool } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import type { Instrument, StringSet, Tuning } from '../neck/index.ts'
import type { Degree, NamingSystem } from '../pitch/index.ts'
import type { ArrangementChoice, OpenStrings } from '../voicing/index.ts'

/** What is being built: the sentence of the build line as a value. What is `undefined` is left free. */
export interface Build {
  readonly chord: Chord
  /** The symbol as the player typed it, kept because it is theirs. */
  readonly symbol: string
  readonly arrangement: ArrangementChoice
  readonly strings?: StringSet | undefined
  readonly bass?: Degree | undefined
  readonly top?: Degree | undefined
  /** Exactly these tones stay silent; an empty list means none; `undefined` leaves it to the school. */
  readonly omit?: readonly Degree[] | undefined
  /** Left free, a tone is doubled where there are more strings than tones. */
  readonly doubling?: boolean | undefined
  readonly open: OpenStrings
  readonly fretMin: number
  readonly fretMax: number
  readonly span?: number | undefined
  /** Another tuning than the instrument's own; its capo comes off then. */
  readonly tuning?: Tuning | undefined
}

/** Who plays it, on what: the player's own choices, which a chord does not change. */
export interface Setting {
  readonly instrument: Instrument
  /** Tunings of the player's own, offered beside the common ones. */
  readonly ownTunings: readonly Tuning[]
  readonly hand: HandProfile
  readonly school: OmissionSchool
  readonly thumb: boolean
  readonly naming: readonly NamingSystem[]
  /** A bass player plays too: tones in their range are worth a warning. */
  readonly withBassPlayer: boolean
}

/** Why a field of a request or an address was refused. */
export interface FieldError {
  readonly field: string
  readonly at: number
  readonly expected: string
  readonly message: string
}
