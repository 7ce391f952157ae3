/** Formulas as stacked thirds: told so, and typed so. */
import { type Degree, degreeSemitones, stepOf } from '../pitch/index.ts'
import { fail, piece, type Result, requireAt } from '../result/index.ts'
import type { FormulaError } from './errors.ts'
import { formulaOf } from './formula.ts'
import type { Formula } from './types.ts'

/** The name of an interval between neighbouring tones: thirds where it is tertian, otherwise what it is. */
export type StackInterval = 'm3' | 'M3' | 'm2' | 'M2' | 'P4' | 'TT' | 'P5' | 'm6' | 'M6' | 'm7' | 'd3' | 'A3'
const INTERVALS: Record<number, StackInterval> = {
  1: 'm2',
  2: 'M2',
  3: 'm3',
  4: 'M3',
  5: 'P4',
  6: 'TT',
  7: 'P5',
  8: 'm6',
  9: 'M6',
  10: 'm7',
}

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
    const from = requireAt(rising, index)
    const semitones = degreeSemitones(to) - degreeSemitones(from)
    const third = stepOf(to) - stepOf(from) === 2
    const interval = third && semitones === 2 ? 'd3' : third && semitones === 5 ? 'A3' : (INTERVALS[semitones] ?? 'M6')
    return { from, to, semitones, interval }
  })
}

const THIRD_STEPS = [3, 5, 7, 9, 11, 13] as const

/** Reads a formula typed as thirds: `m3 m3 M3` is `R b3 b5 b7`. */
export function readThirds(text: string): Result<Formula, FormulaError> {
  const words = [...text.matchAll(/[^\s,+]+/gu)]
  if (words.length === 0 || words.length > THIRD_STEPS.length)
    return fail({ code: 'thirds_count', at: 0, text: piece(text) })
  let semitones = 0
  const entries: { degree: Degree; at: number; text: string }[] = [{ degree: 'R', at: 0, text: 'R' }]
  for (const [index, word] of words.entries()) {
    if (word[0] !== 'm3' && word[0] !== 'M3') return fail({ code: 'not_a_third', at: word.index, text: piece(word[0]) })
    semitones += word[0] === 'm3' ? 3 : 4
    const step = THIRD_STEPS[index] as number
    const plain = degreeSemitones(`${step}` as Degree)
    const sign = ['bb', 'b', '', '#', '##'][semitones - plain + 2]
    if (sign === undefined) return fail({ code: 'off_the_scale', at: word.index, text: word[0], step })
    entries.push({ degree: `${sign}${step}` as Degree, at: word.index, text: word[0] })
  }
  return formulaOf(entries)
}
