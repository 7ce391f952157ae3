/** A typed line as words with their places, and the tones that words name. */

import { type Chord, type Formula, sortedFormula } from '../chord/index.ts'
import { type Degree, parseDegree, stepOf } from '../pitch/index.ts'
import { requireAt } from '../result/index.ts'

/** A word of the line and where it begins. */
export interface Piece {
  readonly text: string
  readonly at: number
}

export const wordsIn = (text: string): readonly Piece[] =>
  [...text.matchAll(/\S+/gu)].map((found) => ({ text: found[0], at: found.index }))

/** Without the comma that a sentence puts behind it. */
export const bare = (word: Piece | undefined): string => word?.text.toLowerCase().replace(/[,;]$/, '') ?? ''

/** Words that say nothing of themselves. */
export const isFiller = (word: string): boolean =>
  /^(as|at|on|in|the|strings?|with|and|of|tones?|notes?|please|,|·)$/i.test(word)

const ORDINALS: Readonly<Record<string, number>> = {
  root: 1,
  '1st': 1,
  '2nd': 2,
  second: 2,
  third: 3,
  '3rd': 3,
  '4th': 4,
  fourth: 4,
  fifth: 5,
  '5th': 5,
  '6th': 6,
  sixth: 6,
  seventh: 7,
  '7th': 7,
  ninth: 9,
  '9th': 9,
  '11th': 11,
  eleventh: 11,
  '13th': 13,
  thirteenth: 13,
}

/** The step that a word names: `3rd`, `third`, `3`. */
export const stepNamed = (word: string): number | undefined =>
  ORDINALS[word.toLowerCase()] ?? (/^\d{1,2}$/.test(word) ? Number(word) : undefined)

/** Turns `3rd` into the degree that this chord has there: ♭3 in a minor chord, ♭7 in a dominant. */
export function toneNamed(word: string, { formula }: Pick<Chord, 'formula'>): Degree | undefined {
  const plain = parseDegree(word)
  if (plain !== undefined && formula.includes(plain)) return plain
  const step = stepNamed(word)
  return step === undefined ? undefined : formula.find((degree) => stepOf(degree) === step)
}

/** Where a role stands behind a tone ("third in the bass"), how far it is; `undefined` when none follows. */
export function roleAfter(
  words: readonly Piece[],
  at: number,
): { readonly role: 'bass' | 'top'; readonly count: number } | undefined {
  let next = at + 1
  while (words[next] && isFiller(requireAt(words, next).text)) next++
  const role = bare(words[next])
  return role === 'bass' || role === 'top' ? { role, count: next - at + 1 } : undefined
}

/** `1st`, `second`, `3rd` before "inversion". */
export const ordinalNumber = (word: string): number | undefined =>
  ({ '1st': 1, first: 1, '2nd': 2, second: 2, '3rd': 3, third: 3, '4th': 4, fourth: 4 })[word.toLowerCase()]

const TONE = /^(?:R|r|[b#♭♯]*(?:1[13]|[1-79]))$/
const RUN = /(?:R|r|[b#♭♯]*(?:1[13]|[2-79]))/g

/** Degrees one after another, from the lowest voice up: `3 7 R 5`, `R-5-7-3`, `R573`. */
export interface DegreeRun {
  readonly degrees: readonly Degree[]
  /** Words taken. */
  readonly count: number
}

/** String numbers fall: `5 4 3 2`. Anything else that looks like tones is an order of tones. */
const fallsAsStrings = (words: readonly string[]): boolean =>
  words.every((word, index) => /^\d$/.test(word) && (index === 0 || Number(word) < Number(words[index - 1])))

/** A run of degrees that begins at a word; `undefined` where there is none, or where it is a list of strings. */
export function degreeRunAt(words: readonly Piece[], from: number): DegreeRun | undefined {
  const joined = bare(words[from])
  const within = /[rR]/.test(joined) && joined.length > 1 ? joined.replaceAll(/[-–,]/g, '').match(RUN) : null
  if (within && within.length > 1 && within.join('') === joined.replaceAll(/[-–,]/g, ''))
    return { degrees: within.flatMap((one) => parseDegree(one) ?? []), count: 1 }
  let count = 0
  // Degrees may stand apart as words; a third that is spelled out ("3rd") is a wish of its own.
  while (words[from + count] && TONE.test(requireAt(words, from + count).text.replace(/,$/, ''))) count++
  if (count < 2) return undefined
  const texts = words.slice(from, from + count).map((word) => word.text.replace(/,$/, ''))
  if (fallsAsStrings(texts)) return undefined
  return { degrees: texts.flatMap((text) => parseDegree(text) ?? []), count }
}

/** Degrees that rise from the root are a formula; any other order says how the voices lie. */
export function isFormula(degrees: readonly Degree[]): boolean {
  return (
    degrees[0] === 'R' &&
    new Set(degrees).size === degrees.length &&
    degrees.every((degree, index) => index === 0 || stepOf(degree) >= stepOf(requireAt(degrees, index - 1)))
  )
}

/** The degrees as this chord has them; what it lacks joins it. */
export function inChord(
  degrees: readonly Degree[],
  { formula }: Pick<Chord, 'formula'>,
): { readonly order: readonly Degree[]; readonly formula: Formula } {
  const own = (degree: Degree): Degree =>
    formula.includes(degree) ? degree : (degree === `${stepOf(degree)}` && toneNamed(degree, { formula })) || degree
  const order = degrees.map(own)
  return { order, formula: sortedFormula([...formula, ...order]) }
}
