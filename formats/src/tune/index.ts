/**
 * Tunes on their way into files and out of them.
 *   TuneInHand ─writtenOut, barsOf→ bars with chords ─(a format's writer)→ text or bytes
 *   text or bytes ─(a format's reader)→ onsets in bars ─filledBar→ TuneInHand, and what was left aside
 */
export type { WrittenBarOf, WrittenChord } from './hold.ts'
export { barsOf } from './hold.ts'
export type { FilledBar, Onset } from './slots.ts'
export { filledBar } from './slots.ts'
export type { FileRead, FileReading, FileTune } from './types.ts'
