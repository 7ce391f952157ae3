/**
 * Formulas: read from degrees or from stacked thirds, put in order, told as stacked thirds, spelled over a root.
 */
import {
  alterationOf,
  type Degree,
  degreeBetween,
  degreePitchClass,
  degreeSemitones,
  type NoteName,
  parseDegree,
  pitchClassOf,
  spellDegree,
  spellingsOf,
  stepOf,
} from '../pitch/index.ts'
import { fail, ok, type Result, type TextError } from '../result/index.ts'
import type { Chord, Family, Formula } from './types.ts'

/** The degrees that chords are made of, in telling order. */
export const CHORD_DEGREES: readonly Degree[] = [
  'R', '2', 'b3', '3', '4', 'b5', '5', '#5', '6', 'bb7', 'b7', '7', 'b9', '9', '#9', '11', '#11', 'b13', '13',
] // biome-ignore format: one line reads as the order that it is

const ORDER: ReadonlyMap<Degree, number> = new Map(CHORD_DEGREES.map((degree, index) => [degree, index]))

export const sortedFormula = (degrees: Iterable<Degree>): Formula =>
  [...new Set(degrees)].sort((a, b) => (ORDER.get(a) ?? 99) - (ORDER.get(b) ?? 99))

export const formulaKey = (formula: Formula): string => formula.join(' ')

/** The 12-bit set of pitch classes above the root: bit n is n semitones up. */
export const formulaMask = (formula: Formula): number =>
  formula.reduce((mask, degree) => mask | (1 << degreePitchClass(degree)), 0)

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
      return seventh ? '13' : '6'
    case '13':
      return seventh ? '13' : '6'
    case '11':
      return third ? '11' : '4'
    case 'b3':
      return among.includes('3') ? '#9' : 'b3'
    default:
      return degree
  }
}

const formulaError = (code: string, at: number, text: string, expected: string, message: string): TextError => ({
  code,
  at,
  text: text.slice(0, 24),
  expected,
  message,
})

const MAX_FORMULA_TEXT = 80
const DEGREES_EXPECTED = 'degrees such as R b3 5 b7 9 #11'

/** Degrees in any order to a formula, refusing what is no chord degree, comes twice, or sounds as another. */
export function formulaOf(
  degrees: readonly { readonly degree: Degree; readonly at: number; readonly text: string }[],
): Result<Formula, TextError> {
  const all = degrees.map((entry) => entry.degree)
  const taken = new Map<number, Degree>()
  const usual: Degree[] = []
  for (const { degree: written, at, text } of degrees) {
    const degree = usualDegree(written, all)
    if (!ORDER.has(degree))
      return fail(
        formulaError(
          'not_a_chord_degree',
          at,
          text,
          DEGREES_EXPECTED,
          `${text} is not a degree that chords are told with; expected ${DEGREES_EXPECTED}`,
        ),
      )
    const twin = taken.get(degreePitchClass(degree))
    if (twin !== undefined) {
      const message =
        twin === degree
          ? `${text} is named twice; once is enough`
          : `${text} sounds as ${twin}, which the chord already has; keep one of them`
      return fail(formulaError('same_tone', at, text, 'a tone that the chord does not have yet', message))
    }
    taken.set(degreePitchClass(degree), degree)
    usual.push(degree)
  }
  if (!usual.includes('R'))
    return fail(
      formulaError(
        'no_root',
        0,
        '',
        'R among the degrees',
        'a formula needs its root; put R first, and leave it out when you choose the shape',
      ),
    )
  if (usual.length < 2)
    return fail(formulaError('too_few', 0, '', 'two degrees or more', 'one tone is no chord yet; add a degree'))
  return ok(sortedFormula(usual))
}

/** Reads `R b3 5 b7`, `1 3 5`, with spaces, commas or dashes between. */
export function readFormula(text: string): Result<Formula, TextError> {
  if (text.length > MAX_FORMULA_TEXT)
    return fail(
      formulaError(
        'too_long',
        MAX_FORMULA_TEXT,
        text.slice(MAX_FORMULA_TEXT),
        'a formula of at most 80 characters',
        'that is too long for a formula; at most 80 characters',
      ),
    )
  const entries: { degree: Degree; at: number; text: string }[] = []
  for (const match of text.matchAll(/[^\s,·–-]+/gu)) {
    const degree = parseDegree(match[0])
    if (degree === undefined)
      return fail(
        formulaError(
          'unknown_degree',
          match.index,
          match[0],
          DEGREES_EXPECTED,
          `${match[0].slice(0, 24)} is not a degree; expected ${DEGREES_EXPECTED}`,
        ),
      )
    entries.push({ degree, at: match.index, text: match[0] })
  }
  return formulaOf(entries)
}

export const writeFormula = (formula: Formula): string => formula.join(' ')

/** The name of an interval between neighbouring tones: thirds where it is tertian, otherwise what it is. */
export type StackInterval = 'm3' | 'M3' | 'm2' | 'M2' | 'P4' | 'TT' | 'P5' | 'm6' | 'M6' | 'm7' | 'd3' | 'A3'
const INTERVALS: Record<number, StackInterval> = {
  1: 'm2', 2: 'M2', 3: 'm3', 4: 'M3', 5: 'P4', 6: 'TT', 7: 'P5', 8: 'm6', 9: 'M6', 10: 'm7',
} // biome-ignore format: a table

export interface StackStep {
  readonly from: Degree
  readonly to: Degree
  readonly semitones: number
  readonly interval: StackInterval
}

/**
 * A formula as stacked thirds: each neighbouring pair with its size. Letters decide: R–3 is a third of some
 * kind, and 2 or 5 semitones between letters a third apart are a diminished or augmented third.
 */
export function stackedThirds(formula: Formula): readonly StackStep[] {
  const rising = [...formula].sort((a, b) => degreeSemitones(a) - degreeSemitones(b))
  return rising.slice(1).map((to, index) => {
    const from = rising[index] as Degree
    const semitones = degreeSemitones(to) - degreeSemitones(from)
    const third = stepOf(to) - stepOf(from) === 2
    const interval = third && semitones === 2 ? 'd3' : third && semitones === 5 ? 'A3' : (INTERVALS[semitones] ?? 'M6')
    return { from, to, semitones, interval }
  })
}

const THIRD_STEPS = [3, 5, 7, 9, 11, 13] as const

/** Reads a formula typed as thirds: `m3 m3 M3` is `R b3 b5 b7`. */
export function readThirds(text: string): Result<Formula, TextError> {
  const expected = 'm3 or M3'
  const words = [...text.matchAll(/[^\s,+]+/gu)]
  if (words.length === 0 || words.length > THIRD_STEPS.length)
    return fail(
      formulaError('wrong_count', 0, text, 'one to six thirds', 'a stack has one to six thirds, such as m3 m3 M3'),
    )
  let semitones = 0
  const entries: { degree: Degree; at: number; text: string }[] = [{ degree: 'R', at: 0, text: 'R' }]
  for (const [index, word] of words.entries()) {
    if (word[0] !== 'm3' && word[0] !== 'M3')
      return fail(
        formulaError(
          'not_a_third',
          word.index,
          word[0],
          expected,
          `${word[0].slice(0, 24)} is not a third; expected ${expected}`,
        ),
      )
    semitones += word[0] === 'm3' ? 3 : 4
    const step = THIRD_STEPS[index] as number
    const plain = degreeSemitones(`${step}` as Degree)
    const sign = ['bb', 'b', '', '#', '##'][semitones - plain + 2]
    if (sign === undefined)
      return fail(
        formulaError(
          'off_the_scale',
          word.index,
          word[0],
          expected,
          `the stack leaves the usual degrees at its ${step}th`,
        ),
      )
    entries.push({ degree: `${sign}${step}` as Degree, at: word.index, text: word[0] })
  }
  return formulaOf(entries)
}

/** A formula's family, from its third, fifth and seventh. */
export function familyOf(formula: Formula): Family {
  const has = (degree: Degree) => formula.includes(degree)
  if (has('b3')) {
    if (!has('b5')) return 'minor'
    return has('b7') ? 'half-diminished' : 'diminished'
  }
  if (has('3')) {
    if (has('b7')) return 'dominant'
    return has('#5') ? 'augmented' : 'major'
  }
  return has('2') || has('4') ? 'suspended' : 'power'
}

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
  if (usual !== undefined && ORDER.has(usual)) return usual
  return CHORD_DEGREES.find((degree) => degreePitchClass(degree) === above) as Degree
}

/**
 * The root that players write for a chord on a key: a natural one where there is one; of a flat and a sharp one the
 * chord with fewer accidentals, and of equals the flat one.
 */
export function plainestRoot(pitchClass: number, formula: Formula): NoteName {
  const weight = (root: NoteName) =>
    formula.reduce(
      (sum, degree) => {
        const note = spellDegree(root, degree)
        return sum + (note === undefined ? 999 : Math.abs(alterationOf(note)) ** 2)
      },
      100 * Math.abs(alterationOf(root)),
    )
  return spellingsOf(pitchClass)
    .filter((name) => Math.abs(alterationOf(name)) < 2)
    .reduce((best, name) => (weight(name) < weight(best) ? name : best))
}
