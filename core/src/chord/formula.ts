/** Formulas: read from degrees, put in order, written. */
import {
  type Degree,
  degreeAlteration,
  degreePitchClass,
  type PitchClassSet,
  parseDegree,
  pitchClassSetOf,
  stepOf,
} from '../pitch/index.ts'
import { fail, ok, piece, type Result } from '../result/index.ts'
import type { FormulaError } from './errors.ts'
import type { Formula } from './types.ts'

/** The degrees that chords are made of, in telling order. */
export const CHORD_DEGREES: readonly Degree[] = [
  'R',
  '2',
  'b3',
  '3',
  '4',
  'b5',
  '5',
  '#5',
  '6',
  'bb7',
  'b7',
  '7',
  'b9',
  '9',
  '#9',
  '11',
  '#11',
  'b13',
  '13',
]

const ORDER: ReadonlyMap<Degree, number> = new Map(CHORD_DEGREES.map((degree, index) => [degree, index]))

/** Degrees that only a scale stacks, such as a diminished eleventh, stand beside the natural one. */
const rankOf = (degree: Degree): number =>
  ORDER.get(degree) ?? (ORDER.get(String(stepOf(degree)) as Degree) ?? 99) + Math.sign(degreeAlteration(degree)) / 2

export const sortedFormula = (degrees: Iterable<Degree>): Formula =>
  [...new Set(degrees)].sort((a, b) => rankOf(a) - rankOf(b))

export const formulaKey = (formula: Formula): string => formula.join(' ')

/** The 12-bit set of pitch classes above the root: bit n is n semitones up. */
export const formulaMask = (formula: Formula): PitchClassSet => pitchClassSetOf(formula.map(degreePitchClass))

/**
 * Steps that name the same letter an octave apart take the usual number: a second beside a third is a ninth, a
 * fourth beside a third an eleventh, a sixth beside a seventh a thirteenth; a minor third beside a major one is
 * a sharp ninth. Degrees no chord is told with (b4, #13 …) come back as they are and are refused by the reader.
 */
export function usualDegree(degree: Degree, among: readonly Degree[]): Degree {
  const third = among.includes('3') || among.includes('b3')
  const seventh = among.some((other) => stepOf(other) === 7)
  switch (degree) {
    case 'b2':
    case '#2':
      return degree === 'b2' ? 'b9' : '#9'
    case '2':
      return third ? '9' : '2'
    case '4':
      return third ? '11' : '4'
    case '#4':
      return '#11'
    case 'b6':
      return 'b13'
    case '6':
    case '13':
      // A diminished triad's sixth is what everybody calls its diminished seventh.
      if (seventh) return '13'
      return among.includes('b3') && among.includes('b5') && !among.includes('5') ? 'bb7' : '6'
    case '11':
      return third ? '11' : '4'
    case 'b3':
      return among.includes('3') ? '#9' : 'b3'
    default:
      return degree
  }
}

const MAX_FORMULA_TEXT = 80

/** Degrees in any order to a formula, refusing what is no chord degree, comes twice, or sounds as another. */
export function formulaOf(
  degrees: readonly { readonly degree: Degree; readonly at: number; readonly text: string }[],
): Result<Formula, FormulaError> {
  const all = degrees.map((entry) => entry.degree)
  const taken = new Map<number, Degree>()
  const usual: Degree[] = []
  for (const { degree: written, at, text } of degrees) {
    const degree = usualDegree(written, all)
    if (!ORDER.has(degree)) return fail({ code: 'not_a_chord_degree', at, text })
    const twin = taken.get(degreePitchClass(degree))
    if (twin === degree) return fail({ code: 'named_twice', at, text })
    if (twin !== undefined) return fail({ code: 'sounds_as', at, text, twin })
    taken.set(degreePitchClass(degree), degree)
    usual.push(degree)
  }
  if (!usual.includes('R')) return fail({ code: 'no_root_degree', at: 0, text: '' })
  if (usual.length < 2) return fail({ code: 'too_few_degrees', at: 0, text: '' })
  return ok(sortedFormula(usual))
}

/** Reads `R b3 5 b7`, `1 3 5`, with spaces, commas or dashes between. */
export function readFormula(text: string): Result<Formula, FormulaError> {
  if (text.length > MAX_FORMULA_TEXT)
    return fail({
      code: 'formula_too_long',
      at: MAX_FORMULA_TEXT,
      text: piece(text.slice(MAX_FORMULA_TEXT)),
      most: MAX_FORMULA_TEXT,
    })
  const entries: { degree: Degree; at: number; text: string }[] = []
  for (const match of text.matchAll(/[^\s,·–-]+/gu)) {
    const degree = parseDegree(match[0])
    if (degree === undefined) return fail({ code: 'unknown_degree', at: match.index, text: piece(match[0]) })
    entries.push({ degree, at: match.index, text: match[0] })
  }
  return formulaOf(entries)
}

export const writeFormula = (formula: Formula): string => formula.join(' ')
