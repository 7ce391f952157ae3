/** Intervals between sounding voices, shortly and in words. */
import { requireAt } from '@nestling/core/result'

const SIGNS = ['unison', 'm2', 'M2', 'm3', 'M3', '4th', 'TT', '5th', 'm6', 'M6', 'm7', 'M7', '8ve'] as const
const WORDS = [
  'unison',
  'minor second',
  'second',
  'minor third',
  'major third',
  'fourth',
  'tritone',
  'fifth',
  'minor sixth',
  'sixth',
  'minor seventh',
  'major seventh',
  'octave',
] as const

/** `M3`, `5th`; past an octave with what it is an octave wider than: `M3+8`. */
export function intervalSign(semitones: number): string {
  const size = Math.abs(semitones)
  return size <= 12 ? requireAt(SIGNS, size) : `${SIGNS[size % 12 === 0 ? 12 : size % 12]}+8`
}

export function intervalName(semitones: number): string {
  const size = Math.abs(semitones)
  if (size <= 12) return requireAt(WORDS, size)
  return size % 12 === 0 ? 'two octaves' : `${WORDS[size % 12]} and an octave`
}
