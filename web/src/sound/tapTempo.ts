/** A tempo by tapping. */
import { FASTEST, SLOWEST } from '../contracts/settings.ts'

/** In whole beats per minute, within what the transport plays. */
export const tempoWithin = (tempo: number): number => Math.min(FASTEST, Math.max(SLOWEST, Math.round(tempo)))

/** After a longer pause a new tempo is tapped; a beat of the slowest tempo is shorter. */
const PAUSE_MS = 3500
/** Of a long row the last taps count. */
const MOST_TAPS = 5

/** @param taps Times of the taps so far, in ms. @returns Those that still count, the new one last. */
export function tapped(taps: readonly number[], nowMs: number): readonly number[] {
  const last = taps.at(-1)
  return last === undefined || nowMs - last > PAUSE_MS ? [nowMs] : [...taps, nowMs].slice(-MOST_TAPS)
}

/** The mean of the taps, or `undefined` while there is only one. */
export function tempoOf(taps: readonly number[]): number | undefined {
  const [first] = taps
  const last = taps.at(-1)
  if (first === undefined || last === undefined || last === first) return undefined
  return tempoWithin((60_000 * (taps.length - 1)) / (last - first))
}

/** A tempo that rises round by round stops rising at half as much again. */
const MOST_RISE = 1.5

/** The next round's tempo, so much quicker than the last one's; `began` is the first round's. */
export const risen = (tempo: number, by: number, began: number): number =>
  Math.max(tempo, Math.min(tempoWithin(tempo + by), tempoWithin(began * MOST_RISE)))
