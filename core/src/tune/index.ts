/**
 * Tune: a chart with what is asked and held in it.
 *   Tune ─writeTune→ TuneTexts (address, JSON, database) ─readTune→ the same tune
 *   Tune ─withChart, transposedTune→ the changed tune, with all that is held in it
 *   what earlier forms kept ─tuneOfEarlier→ TuneTexts
 */
export { tuneOfEarlier } from './earlier.ts'
export type { TuneChord } from './texts.ts'
export { chordsOf, readTune, writeTune } from './texts.ts'
export type { HeldTune, NotAsItWas } from './transposed.ts'
export { transposedTune } from './transposed.ts'
export type { HeldShape, PathWeights, TopTone, Tune, TuneError, TuneField, TuneTexts, TuneWishes } from './types.ts'
export { TUNE_FIELDS } from './types.ts'
export { PATH_WEIGHTS, TUNE_WISHES } from './usual.ts'
export { withChart } from './withChart.ts'
