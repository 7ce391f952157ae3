/** The chords of a key: thirds stacked inside the scale, each told by its true formula and spelled by the key. */
import { type Chord, sortedFormula } from '../chord/index.ts'
import { type Degree, degreeBetween, type NoteName } from '../pitch/index.ts'
import type { Key } from './key.ts'

/** The seven triads, from the tonic up. */
export const triadsOf = ({ notes }: Key): readonly Chord[] =>
  notes.map((root, step) => {
    const tone = (above: number): Degree => {
      const degree = degreeBetween(root, notes[(step + above) % 7] as NoteName)
      if (degree === undefined) throw new Error(`${root} and the note ${above} steps above it have no degree`)
      return degree
    }
    return { root, formula: sortedFormula(['R', tone(2), tone(4)]) }
  })
