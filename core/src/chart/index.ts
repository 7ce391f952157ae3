/**
 * Chart: a tune as it is written.
 *   text ─readChart→ Chart, what is wrong with its place ─writeChart→ the same text
 *   Chart ─playedChart→ bars and chords in time, repeats unfolded
 *   Chart + shapes ─inHand→ TuneInHand (for files and sheets) ─tuneScore→ notes in time
 *   Played + shapes ─writtenTune→ bars for staff and TAB
 *   chords ─guessKey→ the key they are of, with doubt said
 */
export type { WrittenPlace } from './edit.ts'
export {
  keysFor,
  withChord,
  withChordAfter,
  withChordJoined,
  withChordsSwapped,
  withoutChord,
} from './edit.ts'
export type { KeyGuess } from './guessKey.ts'
export { guessKey } from './guessKey.ts'
export type { HeldChord, TuneInHand } from './inHand.ts'
export { inHand, playedShapes, writtenOnce, writtenOut, writtenPlaces } from './inHand.ts'
export type { Played, PlayedBar, PlayedChord } from './played.ts'
export { MOST_PLAYED_BARS, playedChart } from './played.ts'
export type { ChartHead } from './readChart.ts'
export { MOST_BARS, MOST_CHART_TEXT, readChart, readChartHead } from './readChart.ts'
export { transposedChart, transposedChord } from './transpose.ts'
export type { Span, TuneSound } from './tuneScore.ts'
export { patternOf, tuneScore } from './tuneScore.ts'
export type { Chart, ChartBar, ChartError, ChartPlace, ChartReading, ChartSlot, Style } from './types.ts'
export { STYLES } from './types.ts'
export type { ChartStyle } from './writeChart.ts'
export { writeChart } from './writeChart.ts'
export { writtenTune } from './writtenTune.ts'
