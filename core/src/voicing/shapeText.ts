/** Shapes as players write them, low string to high: `x35343`, `x-10-12-10-12-x`. */
import { fail, ok, type Result, type TextError } from '../result/index.ts'
import type { Frets } from './types.ts'

const EXPECTED = 'one fret, 0 or x per string, low to high, such as x35343 or x-10-12-10-12-x'
const HIGHEST_FRET = 36

/**
 * Reads a shape. One sign per string without separators; with spaces, dots, commas or dashes between once a fret has
 * two digits. `x`, `X` and (between separators) a lone dash are silent strings.
 * @param strings How many strings the neck has; the text must have as many entries.
 */
export function readShape(text: string, strings?: number): Result<Frets, TextError> {
  const refuse = (code: string, at: number, piece: string, why: string) =>
    fail({ code, at, text: piece.slice(0, 12), expected: EXPECTED, message: `${why}; expected ${EXPECTED}` })
  if (text.length > 60) return refuse('too_long', 60, text, 'that is too long for a shape')
  const trimmed = text.trim()
  const lead = text.length - text.trimStart().length
  const separated = /[\s.,]/.test(trimmed) || /[\dxX]-/.test(trimmed)
  // With spaces, dots or commas a dash is a silent string; with dashes alone between the frets it separates.
  const dashSilent = /[\s.,]/.test(trimmed)
  const pattern = separated ? (dashSilent ? /[^\s.,]+/gu : /[^-]+/gu) : /./gu
  const frets: (number | null)[] = []
  for (const word of trimmed.matchAll(pattern)) {
    if (/^[xX-]$/.test(word[0])) frets.push(null)
    else if (/^\d{1,2}$/.test(word[0]) && Number(word[0]) <= HIGHEST_FRET) frets.push(Number(word[0]))
    else return refuse('not_a_fret', lead + word.index, word[0], `${[...word[0]].slice(0, 12).join('')} is not a fret`)
  }
  if (strings !== undefined && frets.length !== strings)
    return refuse('string_count', 0, trimmed, `${frets.length} strings where the tuning has ${strings}`)
  if (frets.every((fret) => fret === null)) return refuse('silent', 0, trimmed, 'no string sounds')
  return ok(frets)
}

/** Writes a shape: `x35343`, or with dashes once a fret has two digits. */
export const writeShape = (frets: Frets): string =>
  frets
    .map((fret) => (fret === null ? 'x' : String(fret)))
    .join(frets.some((fret) => fret !== null && fret > 9) ? '-' : '')
