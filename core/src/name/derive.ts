/** An honest formula for any set of tones over a root, for those that no catalogue names. */
import { type Formula, sortedFormula } from '../chord/index.ts'
import type { Degree } from '../pitch/index.ts'

/**
 * The degree that n semitones above a root are called among the other sounded tones (bits above the same root).
 * A sixth beside a seventh is a thirteenth; a tritone beside a fifth is a sharp eleventh, without one a flat fifth.
 */
export function degreeAmong(semitones: number, mask: number): Degree {
  const has = (interval: number) => ((mask >> interval) & 1) === 1
  const third = has(3) || has(4)
  switch (semitones) {
    case 0:
      return 'R'
    case 1:
      return 'b9'
    case 2:
      return third ? '9' : '2'
    case 3:
      return has(4) ? '#9' : 'b3'
    case 4:
      return '3'
    case 5:
      return third ? '11' : '4'
    case 6:
      return has(7) ? '#11' : 'b5'
    case 7:
      return '5'
    case 8:
      return has(7) ? 'b13' : '#5'
    case 9:
      return has(10) || has(11) ? '13' : has(3) && has(6) && !has(7) ? 'bb7' : '6'
    case 10:
      return 'b7'
    default:
      return '7'
  }
}

/** All tones of a set as a formula over its root, which is added if it does not sound. */
export function derivedFormula(mask: number): Formula {
  const degrees: Degree[] = ['R']
  for (let semitones = 1; semitones < 12; semitones++)
    if ((mask >> semitones) & 1) degrees.push(degreeAmong(semitones, mask))
  return sortedFormula(degrees)
}
