/** How long the hand has played without a pause, in this window: what a pause is offered by. */
import { inWindow, keepInWindow } from './windowStorage.ts'

interface Played {
  readonly ms: number
  /** When it was played last. */
  readonly at: number
}
const KEY = 'played'
/** So long a pause lets the hand begin anew. */
export const PAUSE_MS = 5 * 60_000

/** @param ms Played just now. @param now In ms. @returns Minutes without a pause. */
export function played(ms: number, now: number): number {
  const before = inWindow<Played>(KEY)
  const rested = before === undefined || now - ms - before.at >= PAUSE_MS
  const sum = (rested ? 0 : before.ms) + ms
  keepInWindow(KEY, { ms: sum, at: now })
  return sum / 60_000
}

/** Minutes without a pause, as they were when it was played last; 0 after a pause. */
export function playedMinutes(now: number): number {
  const before = inWindow<Played>(KEY)
  return before === undefined || now - before.at >= PAUSE_MS ? 0 : before.ms / 60_000
}
