/** The manner that is usual where nobody names one. */
import type { Chord } from '../chord/index.ts'
import type { Manner } from './types.ts'

/** From sevenths up a chord is comped, a triad barred; one over another bass lies at the nut, as in another tuning. */
export function usualManner({ formula, bass }: Chord, isOwnTuning = true): Manner {
  if (formula.length > 3) return 'comp'
  return bass !== undefined || !isOwnTuning ? 'open' : 'barre'
}

/** Of a tune: comped where half of its chords or more are sevenths; else at the nut, or barred where nothing rings open. */
export function usualMannerOf(chords: readonly Chord[], ringsOpen: boolean): Manner {
  const large = chords.filter(({ formula }) => formula.length > 3).length
  if (large * 2 >= chords.length) return 'comp'
  return ringsOpen ? 'open' : 'barre'
}

/** Open strings belong to these. */
export const ringsOpen = (manner: Manner): boolean => manner === 'open' || manner === 'solo'
/** What a manner does with them where nothing was said. */
export const openStringsIn = (manner: Manner): 'allow' | 'never' => (ringsOpen(manner) ? 'allow' : 'never')
