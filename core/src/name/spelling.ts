/** Catalogue chords spelled over a root, worked out once: naming a shape asks for the same few again and again. */

import { type CatalogueEntry, type Chord, type Formula, plainestRoot, respellRoot } from '../chord/index.ts'
import {
  alterationOf,
  type Degree,
  degreePitchClass,
  type NoteName,
  pitchClassOf,
  spellDegree,
} from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'
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

/** @param over The root for each bass, where another spelling reads better with it. */
export function spellChord(root: NoteName, formula: Formula, over?: readonly NoteName[]): SpelledChord {
  const tones = Array.from({ length: 12 }, (_, above) => formula.find((degree) => degreePitchClass(degree) === above))
  const roots = over ?? tones.map(() => root)
  const symmetrical = formula.includes('bb7')
  const bass = tones.map((tone, above) => bassNote(requireAt(roots, above), symmetrical ? undefined : tone, above))
  return {
    chord: { root, formula },
    over: bass.map((note, above) => ({ root: requireAt(roots, above), formula, bass: note })),
    bass,
    inversion: tones.map((tone) => (tone === undefined ? null : inversionOf(tone, formula))),
  }
}

/** Spelled by its degree; under a diminished seventh chord and where it is foreign, an awkward note gets its plain name. */
function bassNote(root: NoteName, tone: Degree | undefined, above: number): NoteName {
  const spelled = spellDegree(root, tone ?? requireAt(FOREIGN_DEGREES, above))
  const isGood = spelled !== undefined && (tone !== undefined || bassWeight(spelled) < AWKWARD)
  return isGood ? spelled : requireAt(PLAIN, (pitchClassOf(root) + above) % 12)
}

const PLAIN: readonly NoteName[] = Array.from({ length: 12 }, (_, pitchClass) => plainestRoot(pitchClass, ['R']))

const AWKWARD = 3

/** B♯, E♯, C♭ and F♭ in the bass, and double accidentals, are not what players read at sight. */
function bassWeight(note: NoteName): number {
  const alteration = Math.abs(alterationOf(note))
  return alteration * alteration + (['B#', 'E#', 'Cb', 'Fb'].includes(note) ? AWKWARD : 0)
}

/** By the bass, in semitones above the root: the root that reads best together with it. */
function rootsOverBasses(rootClass: number, formula: Formula): readonly NoteName[] {
  return Array.from({ length: 12 }, (_, above) => {
    const tone = formula.includes('bb7') ? undefined : formula.find((degree) => degreePitchClass(degree) === above)
    return plainestRoot(rootClass, formula, (root) => bassWeight(bassNote(root, tone, above)))
  })
}

const plain = new Map<number, SpelledChord>()
const asWritten = new Map<string, SpelledChord>()

/** A catalogue chord over its plainest root of a pitch class. */
export function plainlySpelled(rootClass: number, entry: CatalogueEntry): SpelledChord {
  const key = entry.rank * 12 + rootClass
  let spelled = plain.get(key)
  if (spelled === undefined) {
    spelled = spellChord(
      plainestRoot(rootClass, entry.formula),
      entry.formula,
      rootsOverBasses(rootClass, entry.formula),
    )
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
