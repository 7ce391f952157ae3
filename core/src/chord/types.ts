import type { Degree, NoteName } from '../pitch/index.ts'

/** Degrees in the order in which a chord is told: root, third or suspension, fifth, sixth or seventh, extensions. */
export type Formula = readonly Degree[]

/** A formula over a root, perhaps with a bass note of its own (`D/F#`). */
export interface Chord {
  readonly root: NoteName
  readonly formula: Formula
  readonly bass?: NoteName | undefined
}

export type Family =
  | 'major'
  | 'minor'
  | 'dominant'
  | 'half-diminished'
  | 'diminished'
  | 'augmented'
  | 'suspended'
  | 'power'

/** How chord symbols are written: words (Cmaj7, Cm7♭5), signs (CΔ7, Cø7), dashes (CMA7, C–7♭5). */
export type SymbolSchool = 'words' | 'signs' | 'dashes'

/**
 * Who gives way when there are fewer strings than tones: the fifth (the root stays), the root (someone else has
 * it), or everything but root, third and seventh (and one extension on top).
 */
export type OmissionSchool = 'drop-fifth' | 'drop-root' | 'shell'
