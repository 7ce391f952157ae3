import type { Chord } from '../chord/index.ts'
import type { Fret, StringIndex } from '../neck/index.ts'
import type { Degree, Midi, NoteName } from '../pitch/index.ts'

/**
 * What each string does, lowest string first: `null` is not sounded, 0 rings open, n is pressed at fret n counted
 * from the nut. The same three cases that players write as `x35343`, and the form in JSON.
 */
export type Frets = readonly (Fret | null)[]

export type NamedArrangement = 'close' | 'drop-2' | 'drop-3' | 'drop-2-4' | 'drop-2-3' | 'spread' | 'shell'

/** How the tones are stacked: the degrees from the lowest pitch to the highest, and what that stack is called. */
export interface Arrangement {
  readonly name: NamedArrangement | 'list'
  readonly degrees: readonly Degree[]
}

/** A chord on the neck. The four lists hold one entry per string, lowest string first, `null` where it is silent. */
export interface Voicing {
  readonly chord: Chord
  readonly frets: Frets
  readonly midis: readonly (Midi | null)[]
  readonly degrees: readonly (Degree | null)[]
  readonly notes: readonly (NoteName | null)[]
  readonly arrangement: Arrangement
  /** By the bass tone: 0 root position, 1 the third, 2 the fifth, 3 the seventh … `null` over a foreign bass. */
  readonly inversion: number | null
}

/** A place on the neck: where a tone lies. */
export interface Place {
  readonly string: StringIndex
  readonly fret: Fret
}
