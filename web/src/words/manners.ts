/** How it is played, and who plays along, as words of a sentence. */
import type { Manner } from '@nestling/core/taste'

export const MANNER_WORDS: Readonly<Record<Manner, string>> = {
  open: 'open chords',
  barre: 'barre chords',
  comp: 'comping',
  bossa: 'bossa',
  funk: 'funk',
  blues: 'blues',
  solo: 'solo guitar',
}

export const MANNER_OPTIONS: readonly (readonly [Manner | 'usual', string])[] = [
  ['usual', 'played as is usual'],
  ...(Object.entries(MANNER_WORDS) as [Manner, string][]),
]

export const BASS_OPTIONS: readonly (readonly [boolean, string])[] = [
  [true, 'a bass player plays too'],
  [false, 'nobody plays the bass'],
]

/** The same behind a manner: "comping alone". */
export const ENSEMBLE_OPTIONS: readonly (readonly [boolean, string])[] = [
  [false, 'alone'],
  [true, 'with a bass player'],
]
