import { openStringsIn, usualMannerOf } from '../taste/index.ts'
import { type PathWeights, TUNE_WISHES } from '../tune/index.ts'
import type { PathQuestion, PathWishes, SettledWishes } from './types.ts'

/** A voice that has no partner in the other chord counts as two semitones. */
export const UNPAIRED = 2
/** Beyond a whole tone the top voice goes no longer by step; beyond a major third it leaps. */
export const TOP_STEP = 2
export const TOP_LEAP = 4
export const BASS_LEAP = 7
/** Where the hand must leave its place, and for how many mm it is charged once. */
export const FAR_MM = 100
export const FAR_EACH_MM = 25
/** A wish for every step is broken only where nothing else is left; a bass line turns where it must. */
export const BROKEN_WISH = 200
export const BASS_LINE_BROKEN = 3
/** A root on another string than its turn. */
export const ROOT_ELSEWHERE = 2

export const MOST_CANDIDATES = 48

/** Before anything is asked. */
export const PATH_WISHES: PathWishes = { ...TUNE_WISHES, fretMax: 15, arrangements: [], ensemble: 'alone' }

/** Who strums lifts the hand between grips, and the strum hides how voices go: a step counts a quarter. */
const STRUMMED = 0.25

/** What counts in this manner; beside a bass player the bass is somebody else's. */
export function weightsFor(weights: PathWeights, { manner, ensemble }: SettledWishes): PathWeights {
  const step = manner === 'open' || manner === 'barre' ? STRUMMED : 1
  return {
    ...weights,
    voices: weights.voices * step,
    hand: weights.hand * step,
    stays: weights.stays * step,
    slides: weights.slides * step,
    bass: ensemble === 'alone' ? weights.bass : 0,
  }
}

/** What is usual stands where nothing was said. */
export function settledWishes({ chords, wishes }: Pick<PathQuestion, 'chords' | 'wishes'>): SettledWishes {
  const manner = wishes.manner ?? usualMannerOf(chords, wishes.open !== 'never')
  return { ...wishes, manner, open: wishes.open ?? openStringsIn(manner) }
}
