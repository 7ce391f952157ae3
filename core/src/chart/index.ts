/**
 * Chart: a tune as it is written.
 *   text ─readChart→ Chart, what is wrong with its place ─writeChart→ the same text
 *   Chart ─playedChart→ bars and chords in time, repeats unfolded
 *   chords ─guessKey→ the key they are of, with doubt said
 */
export type { WrittenPlace } from './edit.ts'
export {
  keysFor,
  transposedChart,
  withChord,
  withChordAfter,
  withChordJoined,
  withChordsSwapped,
  withoutChord,
} from './edit.ts'
export type { KeyGuess } from './guessKey.ts'
export { guessKey } from './guessKey.ts'
export type { Played, PlayedBar, PlayedChord } from './played.ts'
export { MOST_PLAYED_BARS, playedChart } from './played.ts'
export { MOST_BARS, MOST_CHART_TEXT, readChart } from './readChart.ts'
export type { Chart, ChartBar, ChartError, ChartPlace, ChartReading, ChartSlot, Style } from './types.ts'
export { STYLES } from './types.ts'
export type { ChartStyle } from './writeChart.ts'
export { writeChart } from './writeChart.ts'
