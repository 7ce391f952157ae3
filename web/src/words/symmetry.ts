/** What becomes of a symmetrical chord, and of a diminished triad, that is moved along the neck. */
import { type Chord, type Formula, plainestRoot, writeSymbol } from '@nestling/core/chord'
import { symmetryOf, tonesKept } from '@nestling/core/near'
import { type NamingSystem, pitchClassOf } from '@nestling/core/pitch'
import { degreeSign } from './degrees.ts'

const FRETS = ['', 'One fret', 'Two frets', 'Three frets', 'Four frets', 'Five frets', 'Six frets']
const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight']

/**
 * "Three frets: the same four notes, now E♭dim7"; `undefined` for a chord that no such move turns into itself.
 * @param sounding What is held of it; a shape that leaves a tone out does not sound the same notes.
 */
export function symmetryWords(
  { root, formula }: Chord,
  naming: NamingSystem,
  sounding: Formula = formula,
): string | undefined {
  const frets = symmetryOf(formula)
  if (frets < 12) {
    const moved = { root: plainestRoot((pitchClassOf(root) + frets) % 12, formula), formula }
    const stay = tonesKept(sounding, frets)
    const notes =
      stay.length === sounding.length
        ? `the same ${COUNTS[sounding.length]} notes`
        : `${stay.length === 1 ? 'only ' : ''}${stay.map(degreeSign).join(' and ')} stay${stay.length === 1 ? 's' : ''}`
    return `${FRETS[frets]}: ${notes}, now ${writeSymbol(moved, { naming })}`
  }
  const isDiminished = formula.includes('b3') && formula.includes('b5') && formula.length === 3
  return isDiminished ? `Three frets: only ${tonesKept(formula, 3).map(degreeSign).join(' and ')} stay` : undefined
}
