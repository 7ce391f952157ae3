/** Chords that a move along the neck turns into themselves, and what another move leaves in place. */
import { type Formula, formulaMask } from '../chord/index.ts'
import { type Degree, degreePitchClass, holdsPitchClass, periodOf, transposedSet } from '../pitch/index.ts'

/**
 * The fewest frets after which a shape sounds the same pitch classes again: 3 for a dim7 (four names), 4 for an
 * augmented triad (three names), 12 for a chord with one name only, such as a diminished triad.
 */
export const symmetryOf = (formula: Formula): number => periodOf(formulaMask(formula))

/** The tones that still sound (as some tone of the chord) after the shape has moved by so many frets. */
export function tonesKept(formula: Formula, frets: number): readonly Degree[] {
  const moved = transposedSet(formulaMask(formula), frets)
  return formula.filter((degree) => holdsPitchClass(moved, degreePitchClass(degree)))
}
