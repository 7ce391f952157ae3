import type { Chord, OmissionSchool } from '../chord/index.ts'
import type { Neck, StringSet } from '../neck/index.ts'
import type { Degree, Midi } from '../pitch/index.ts'
import type { ArrangementChoice } from './arrangement.ts'

export type OpenStrings = 'never' | 'allow' | 'require'

/** How much a search may take before it ends with what it has. The clock comes from outside. */
export interface SearchBudget {
  /** Places that are tried. */
  readonly steps: number
  /** Voicings that are kept at most. */
  readonly rows?: number | undefined
  /** Asked every few thousand steps. */
  readonly isOver?: (() => boolean) | undefined
}
/** What ended a search before it was complete. */
export type SearchCut = 'rows' | 'steps' | 'time'

/** Everything a search may be asked. What is `undefined` is left free. */
export interface VoicingQuery {
  readonly chord: Chord
  readonly neck: Neck
  /** Exactly these strings sound, the others don't; without it every set that the chord fits. */
  readonly stringSets?: readonly StringSet[] | undefined
  readonly arrangement: ArrangementChoice
  readonly bass?: Degree | undefined
  readonly top?: Degree | undefined
  readonly topMidi?: Midi | undefined
  /** Exactly these tones stay silent; without it the school decides, or any one of several. */
  readonly omit?: readonly Degree[] | undefined
  readonly school: OmissionSchool | readonly OmissionSchool[]
  readonly doubling: boolean
  readonly fretMin: number
  readonly fretMax: number
  /** Highest minus lowest pressed fret, at most; without it the reach decides. */
  readonly span?: number | undefined
  /** Along the neck between the outermost fingertips, in mm. */
  readonly reachLimitMm: number
  readonly open: OpenStrings
  /** Register limits, both included. */
  readonly lowest?: Midi | undefined
  readonly highest?: Midi | undefined
  readonly budget?: SearchBudget | undefined
}

/** Compact: row r of `frets` holds one voicing, −1 for a silent string. `voicingAt` makes values of it. */
export interface VoicingsFound {
  readonly strings: number
  readonly count: number
  readonly frets: Int8Array
  /** Nothing is cut in silence: more than `MOST_VOICINGS`, or the budget was spent. `undefined` when all are here. */
  readonly cut: SearchCut | undefined
}
