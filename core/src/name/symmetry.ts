/** Chords that a move along the neck turns into themselves, and what another move leaves in place. */
import { type Formula, formulaMask } from '../chord/index.ts'
import { type Degree, degreePitchClass } from '../pitch/index.ts'

const turned = (mask: number, by: number): number => ((mask << by) | (mask >> (12 - by))) & 0xfff

/**
 * The fewest frets after which a shape sounds the same pitch classes again: 3 for a dim7 (four names), 4 for an
 * augmented triad (three names), 12 for a chord with one name only, such as a diminished triad.
 */
export function symmetryOf(formula: Formula): number {
  const mask = formulaMask(formula)
  for (let frets = 1; frets < 12; frets++) if (turned(mask, frets) === mask) return frets
  return 12
}

/** The tones that still sound (as some tone of the chord) after the shape has moved by so many frets. */
export function tonesKept(formula: Formula, frets: number): readonly Degree[] {
  const moved = turned(formulaMask(formula), ((frets % 12) + 12) % 12)
  return formula.filter((degree) => (moved >> degreePitchClass(degree)) & 1)
}
