/** Frets as players write them, low string to high: `x35343`, `x-10-12-10-12-x`. */
import { fail, ok, piece, type Result } from '../result/index.ts'
import type { FretsError } from './errors.ts'
import type { Frets } from './types.ts'

const HIGHEST_FRET = 36
const MOST_TEXT = 60

/**
 * Reads frets. One sign per string without separators; with spaces, dots, commas or dashes between once a fret has
 * two digits. `x`, `X` and (between separators) a lone dash are silent strings.
 * @param strings How many strings the neck has; the text must have as many entries.
 */
export function readFrets(text: string, strings?: number): Result<Frets, FretsError> {
  if (text.length > MOST_TEXT) return fail({ code: 'frets_too_long', at: MOST_TEXT, text: piece(text) })
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
    else return fail({ code: 'not_a_fret', at: lead + word.index, text: piece(word[0]) })
  }
  if (strings !== undefined && frets.length !== strings)
    return fail({ code: 'fret_count', at: 0, text: piece(trimmed), count: frets.length, strings })
  if (frets.every((fret) => fret === null)) return fail({ code: 'all_silent', at: 0, text: piece(trimmed) })
  return ok(frets)
}

/** Writes frets: `x35343`, or with dashes once a fret has two digits. */
export const writeFrets = (frets: Frets): string =>
  frets
    .map((fret) => (fret === null ? 'x' : String(fret)))
    .join(frets.some((fret) => fret !== null && fret > 9) ? '-' : '')
