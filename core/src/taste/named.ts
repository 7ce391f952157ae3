/** Manners by the words that players type. */
import type { Manner } from './types.ts'

const MANNER_WORDS: Readonly<Record<string, Manner>> = {
  barre: 'barre',
  barred: 'barre',
  barré: 'barre',
  comp: 'comp',
  comping: 'comp',
  bossa: 'bossa',
  funk: 'funk',
  blues: 'blues',
  solo: 'solo',
  fingerstyle: 'solo',
}

/** As they are typed, one word each. */
export const MANNER_NAMES = ['barre', 'open', 'comping', 'bossa', 'funk', 'blues', 'solo'] as const

/** The manner that a word names: `barre`, `comping`; `open` is more than a manner, and is read where it stands. */
export const mannerNamed = (word: string): Manner | undefined => MANNER_WORDS[word.toLowerCase()]
