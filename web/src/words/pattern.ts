/** The right hand in words. */
import { type PatternName, STROKE_PATTERNS } from '@nestling/core/time'

export const PATTERN_WORDS: Readonly<Record<PatternName, string>> = {
  strum: 'strummed',
  together: 'plucked together',
  quarters: 'strummed in quarters',
  'bass-and-chord': 'bass, then chord',
  'off-beats': 'on the off-beats',
  bossa: 'as a bossa',
  waltz: 'as a waltz',
  ballad: 'as a ballad’s arpeggio',
}

/** The name of a plain pattern; an own one as its strokes. */
export function patternWords(pattern: string): string {
  const name = (Object.keys(STROKE_PATTERNS) as PatternName[]).find((one) => STROKE_PATTERNS[one] === pattern)
  return name ? PATTERN_WORDS[name] : pattern
}
