/** The neck that a shape lies on: any that is tuned so, long enough for every fret that can be written. */
import { type Instrument, type Neck, neckOf, STANDARD_INSTRUMENT, writeTuning } from '../neck/index.ts'
import type { Shape } from './types.ts'

const MOST_FRETS = 36

/** @param instrument Lends its measures, and its capo where it is tuned alike. */
export function neckFor({ tuning }: Pick<Shape, 'tuning'>, instrument: Instrument = STANDARD_INSTRUMENT): Neck {
  const capo = writeTuning(instrument.tuning) === writeTuning(tuning) ? instrument.capo : undefined
  return neckOf({ ...instrument, tuning, capo, frets: MOST_FRETS, lastReachableFret: MOST_FRETS })
}
