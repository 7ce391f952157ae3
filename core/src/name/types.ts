import type { Chord, Formula } from '../chord/index.ts'
import type { Degree, NoteName } from '../pitch/index.ts'

/** How the lowest sounded tone stands to the name's root; in this order names are listed. */
export type BassRole = 'root' | 'inversion' | 'foreign' | 'rootless'

/** One way to call a set of sounded tones over a lowest one. */
export interface ChordName {
  /** Carries a bass of its own when the lowest tone is another than the root (`C/E`, `F/G`). */
  readonly chord: Chord
  /** Tones of the chord that nobody sounds. */
  readonly omitted: Formula
  readonly complete: boolean
  readonly role: BassRole
  /** By the lowest tone: 0 root position, 1 the third …; `null` over a foreign bass. */
  readonly inversion: number | null
  /** The lowest sounded note, spelled for this name. */
  readonly bass: NoteName
  /** Not in the catalogue: its degrees are counted from the lowest tone. */
  readonly derived: boolean
}

/** A name with what each string plays in it, lowest string first. */
export interface ShapeName extends ChordName {
  readonly degrees: readonly (Degree | null)[]
}

/** What is known around a shape, so that names that belong there come first. */
export interface NamingContext {
  /** A bass note that somebody plays below the shape. */
  readonly bass?: NoteName | undefined
  /** The seven notes of a key, spelled. */
  readonly key?: readonly NoteName[] | undefined
  /** A chord whose root keeps its spelling. */
  readonly near?: Chord | undefined
}
