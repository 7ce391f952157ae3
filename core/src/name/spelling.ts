/** Catalogue chords spelled over a root, worked out once: naming a shape asks for the same few again and again. */
import { type CatalogueEntry, type Chord, type Formula, plainestRoot, respellRoot } from '../chord/index.ts'
import { type Degree, degreePitchClass, type NoteName, pitchClassOf, spellDegree } from '../pitch/index.ts'
import { inversionOf } from '../voicing/index.ts'

/** One chord over one root; the lists are by the bass, in semitones above the root. */
export interface SpelledChord {
  readonly chord: Chord
  /** The chord with each bass tone after a slash. */
  readonly over: readonly Chord[]
  readonly bass: readonly NoteName[]
  /** By the bass tone; `null` where the chord does not have it. */
  readonly inversion: readonly (number | null)[]
}

/** A bass outside the chord is told as the plainest degree over its root: G over F, not A double flat. */
export const FOREIGN_DEGREES: readonly Degree[] = ['R', 'b9', '9', 'b3', '3', '11', '#11', '5', 'b13', '6', 'b7', '7']

export function spellChord(root: NoteName, formula: Formula): SpelledChord {
  const tones = Array.from({ length: 12 }, (_, above) => formula.find((degree) => degreePitchClass(degree) === above))
  const bass = tones.map(
    (tone, above) =>
      spellDegree(root, tone ?? (FOREIGN_DEGREES[above] as Degree)) ??
      plainestRoot((pitchClassOf(root) + above) % 12, ['R']),
  )
  return {
    chord: { root, formula },
    over: bass.map((note) => ({ root, formula, bass: note })),
    bass,
    inversion: tones.map((tone) => (tone === undefined ? null : inversionOf(tone, formula))),
  }
}

const plain = new Map<number, SpelledChord>()
const asWritten = new Map<string, SpelledChord>()

/** A catalogue chord over its plainest root of a pitch class. */
export function plainlySpelled(rootClass: number, entry: CatalogueEntry): SpelledChord {
  const key = entry.rank * 12 + rootClass
  let spelled = plain.get(key)
  if (spelled === undefined) {
    spelled = spellChord(plainestRoot(rootClass, entry.formula), entry.formula)
    plain.set(key, spelled)
  }
  return spelled
}

/** A catalogue chord over a root as somebody wrote it; its twin where that needs three accidentals. */
export function spelledOver(root: NoteName, entry: CatalogueEntry): SpelledChord {
  const key = `${root}${entry.rank}`
  let spelled = asWritten.get(key)
  if (spelled === undefined) {
    spelled = spellChord(respellRoot(root, entry.formula), entry.formula)
    asWritten.set(key, spelled)
  }
  return spelled
}
