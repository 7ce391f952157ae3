/**
 * What can be left out of a chord, and what is left out when there are fewer strings than tones.
 *
 * Weakest first: the perfect fifth; the root, when something else plays it; in a 13th the 9th and 11th; in a
 * dominant 11th the third. Third (or the suspension in its place), sixth or seventh, an altered fifth and the
 * highest extension define the chord and never go by themselves.
 */
import { type Degree, stepOf } from '../pitch/index.ts'
import type { Formula, OmissionSchool } from './types.ts'

/** The tones that may be missing without the chord becoming another one, weakest first. */
export function omittableDegrees(formula: Formula): readonly Degree[] {
  const omittable: Degree[] = []
  if (formula.includes('5') && formula.length > 2) omittable.push('5')
  if (formula.length > 3) omittable.push('R')
  const thirteenth = formula.some((degree) => stepOf(degree) === 13)
  if (thirteenth) omittable.push(...formula.filter((degree) => degree === '11' || degree === '9'))
  // Of a minor eleventh the ninth goes before the fifth does: 5x553x is Am11.
  const minorEleventh = formula.includes('b3') && formula.includes('11') && !thirteenth
  if (minorEleventh && formula.includes('9')) omittable.push('9')
  const dominantEleventh = formula.includes('3') && formula.includes('b7') && formula.includes('11') && !thirteenth
  if (dominantEleventh) omittable.push('3')
  return omittable
}

/** The tones without which the chord is another one, or is ambiguous. */
export const definingDegrees = (formula: Formula): Formula => {
  const omittable = omittableDegrees(formula)
  return formula.filter((degree) => !omittable.includes(degree))
}

function subsetsOfSize(degrees: readonly Degree[], size: number): readonly (readonly Degree[])[] {
  if (size === 0) return [[]]
  return degrees.flatMap((first, index) =>
    subsetsOfSize(degrees.slice(index + 1), size - 1).map((rest) => [first, ...rest]),
  )
}

/** Root, third (or suspension) and seventh (or sixth): the frame that tells the harmony. */
export function shellOf(formula: Formula): Formula {
  const third =
    formula.find((degree) => stepOf(degree) === 3) ?? formula.find((degree) => degree === '4' || degree === '2')
  const seventh = formula.find((degree) => stepOf(degree) === 7) ?? formula.find((degree) => degree === '6')
  return formula.filter((degree) => degree === 'R' || degree === third || degree === seventh)
}

/** On so many strings every chord is to be had: where the usual omissions are too few, more go, weakest first. */
const FULL_GRIP = 4

/** All that may go when there is no other way: after the weak tones the extensions below the highest. */
function omissionOrder(formula: Formula): readonly Degree[] {
  const weak = omittableDegrees(formula)
  const extensions = formula.filter((degree) => stepOf(degree) > 7 && !weak.includes(degree))
  return [...weak, ...extensions.slice(0, -1)]
}

/**
 * What the keep-the-root school leaves out besides when its usual omissions are too few for so many strings; empty when
 * they are enough. To be told, because nobody asked for it.
 */
export function leftOutBesides(formula: Formula, voices: number): readonly Degree[] {
  const drop = formula.length - voices
  const usual = omittableDegrees(formula).filter((degree) => degree !== 'R')
  if (drop <= usual.length || voices < FULL_GRIP) return []
  return omissionOrder(formula).slice(0, drop)
}

/**
 * Every set of tones that a school lets sound on so many voices, best first. With `doubling` a set may have
 * fewer tones than voices; without it exactly as many. Empty when the chord can't be told on so few voices.
 */
export function soundingSets(
  formula: Formula,
  voices: number,
  options: { readonly school: OmissionSchool; readonly doubling: boolean },
): readonly Formula[] {
  const { school, doubling } = options
  const drop = formula.length - voices
  const without = (missing: readonly Degree[]) => formula.filter((degree) => !missing.includes(degree))
  const omittable = omittableDegrees(formula)
  const sets: Formula[] = []
  // The dominant eleventh's third goes after its fifth, and the root stays or goes as the school says.
  const later = omittable.filter((degree) => degree !== 'R')
  const leastMissing = Math.max(0, drop)
  const mostMissing = doubling ? omittable.length : leastMissing
  for (let missing = leastMissing; missing <= mostMissing; missing++) {
    if (!doubling && drop < 0) break
    switch (school) {
      case 'drop-fifth': {
        const usual = subsetsOfSize(later, missing)
        if (usual.length > 0) sets.push(...usual.map(without))
        else if (missing === drop && voices >= FULL_GRIP) sets.push(without(omissionOrder(formula).slice(0, missing)))
        break
      }
      case 'drop-root':
        if (missing === 0) sets.push(formula)
        else if (omittable.includes('R'))
          sets.push(...subsetsOfSize(later, missing - 1).map((rest) => without(['R', ...rest])))
        else sets.push(...subsetsOfSize(later, missing).map(without))
        break
      case 'shell': {
        if (missing === 0 && formula.length <= 3) {
          sets.push(formula)
          break
        }
        const shell = shellOf(formula)
        const extensions = formula.filter((degree) => stepOf(degree) > 7)
        if (formula.length - missing === shell.length) sets.push(shell)
        if (formula.length - missing === shell.length + 1)
          sets.push(
            ...extensions.map((extension) =>
              formula.filter((degree) => shell.includes(degree) || degree === extension),
            ),
          )
        break
      }
    }
  }
  return sets.filter((set) => set.length > 0)
}
