import type { PathWeights, PathWishes } from './types.ts'

export const PATH_WEIGHTS: PathWeights = {
  voices: 1,
  hand: 0.05,
  reach: 2,
  crowding: 1.5,
  stays: -0.5,
  top: 0.3,
  fingers: 0.25,
  slides: -0.3,
}

/** A voice that has no partner in the other chord counts as two semitones. */
export const UNPAIRED = 2
/** Beyond a whole tone the top voice leaps. */
export const TOP_STEP = 2
/** A wish for every step is broken only where nothing else is left; a bass line turns where it must. */
export const BROKEN_WISH = 200
export const BASS_LINE_BROKEN = 3

export const PATH_WISHES: PathWishes = {
  voices: 4,
  arrangements: [],
  fretMin: 1,
  fretMax: 15,
  open: 'never',
  school: 'drop-fifth',
  stream: false,
  topStepwise: false,
  aboveBass: false,
}
