/** What stands where nothing was said. */
import type { PathWeights, TuneWishes } from './types.ts'

/** Worked out on tunes with what players take in them: the grip first, then the way of the hand, then the voices. */
export const PATH_WEIGHTS: PathWeights = {
  taste: 3,
  voices: 0.12,
  hand: 0.015,
  far: 2,
  stays: -0.15,
  slides: -0.1,
  top: 0.1,
  bass: 0.1,
  same: 4,
}

export const TUNE_WISHES: TuneWishes = {
  fretMin: 1,
  fretMax: 12,
  stream: false,
  topStepwise: false,
  aboveBass: false,
}
