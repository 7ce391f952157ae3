/** A chord's notes: the formula spelled over its root, and which spelling of a root carries it. */
import {
  alterationOf,
  type Degree,
  degreeBetween,
  degreePitchClass,
  type NoteName,
  pitchClassOf,
  spellDegree,
  spellingsOf,
} from '../pitch/index.ts'
import { CHORD_DEGREES, formulaKey, usualDegree } from './formula.ts'
import type { Chord, Formula } from './types.ts'

/**
 * The root itself, or its enharmonic twin when the formula could not be spelled over it with double accidentals:
 * D♯♯ has a triple-sharp third, so it becomes E.
 */
export function respellRoot(root: NoteName, formula: Formula): NoteName {
  const spellable = (name: NoteName) => formula.every((degree) => spellDegree(name, degree) !== undefined)
  if (spellable(root)) return root
  const twin = spellingsOf(pitchClassOf(root)).find(spellable)
  if (twin === undefined) throw new Error(`no spelling of ${root} carries ${formulaKey(formula)}`)
  return twin
}

/** The notes of a chord, in the order of its formula. */
export function notesOf(chord: Chord): readonly NoteName[] {
  return chord.formula.map((degree) => {
    const note = spellDegree(chord.root, degree)
    if (note === undefined) throw new Error(`${degree} over ${chord.root} has no spelling; respell the root first`)
    return note
  })
}

/** The degree of a chord's own bass note: a chord tone if it sounds as one, otherwise by its letter. */
export function bassDegreeOf(chord: Chord): Degree | undefined {
  const { bass } = chord
  if (bass === undefined) return undefined
  const above = (pitchClassOf(bass) - pitchClassOf(chord.root) + 12) % 12
  const tone = chord.formula.find((degree) => degreePitchClass(degree) === above)
  if (tone !== undefined) return tone
  const lettered = degreeBetween(chord.root, bass)
  const usual = lettered === undefined ? undefined : usualDegree(lettered, chord.formula)
  if (usual !== undefined && CHORD_DEGREES.includes(usual)) return usual
  return CHORD_DEGREES.find((degree) => degreePitchClass(degree) === above) as Degree
}

/** A♯ hardly ever, and of diminished seventh chords E♭dim7 rather than D♯dim7. */
const isSeldom = (root: NoteName, formula: Formula): boolean =>
  root === 'A#' || (root === 'D#' && formula.includes('bb7'))
const SELDOM_A_ROOT = 6

/**
 * The root that players write for a chord on a key: a natural one where there is one; of a flat and a sharp one the
 * chord with fewer accidentals, and of equals the flat one; hardly ever A♯.
 * @param beside What a root costs besides, such as the bass that goes with it.
 */
export function plainestRoot(pitchClass: number, formula: Formula, beside?: (root: NoteName) => number): NoteName {
  const weight = (root: NoteName) =>
    formula.reduce(
      (sum, degree) => {
        // A diminished seventh is written as the sixth that it sounds as, so it weighs nothing.
        if (degree === 'bb7') return sum
        const note = spellDegree(root, degree)
        return sum + (note === undefined ? 999 : Math.abs(alterationOf(note)) ** 2)
      },
      100 * Math.abs(alterationOf(root)) + (isSeldom(root, formula) ? SELDOM_A_ROOT : 0) + (beside?.(root) ?? 0),
    )
  return spellingsOf(pitchClass)
    .filter((name) => Math.abs(alterationOf(name)) < 2)
    .reduce((best, name) => (weight(name) < weight(best) ? name : best))
}
