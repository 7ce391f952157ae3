/** The hand's places as bars at their frets: from the lowest to the highest fret that it presses there. */
import type { PositionSummary } from '@nestling/core/arpeggio'

export interface HandBar {
  readonly position: PositionSummary
  /** In the units of the neck's drawing. */
  readonly left: number
  readonly width: number
  readonly lane: number
}

export interface BarLayout {
  readonly tipX: (fret: number) => number
  readonly direction: 1 | -1
  readonly lastFret: number
}

/** Room for the fret and the millimetres. */
export const LEAST_BAR = 104
const OVERHANG = 16
const GAP = 6

/**
 * The places that lie well, and the one that is taken, wherever it is; each in the first lane that is free there.
 * @param taken The fret of the index finger now; `undefined` where the line is not under one hand.
 */
export function handBars(
  positions: readonly PositionSummary[],
  taken: number | undefined,
  { tipX, direction, lastFret }: BarLayout,
): readonly HandBar[] {
  const ends: number[] = []
  return positions
    .filter(({ at, liesWell, high }) => at === taken || (liesWell && high <= lastFret))
    .map((position) => {
      const [a, b] = [tipX(position.low), tipX(Math.min(lastFret, position.high))]
      const width = Math.max(LEAST_BAR, Math.abs(b - a) + 2 * OVERHANG)
      return { position, width, left: direction === 1 ? a - OVERHANG : a + OVERHANG - width }
    })
    .toSorted((a, b) => a.left - b.left)
    .map((bar) => {
      const free = ends.findIndex((end) => end + GAP <= bar.left)
      const lane = free < 0 ? ends.length : free
      ends[lane] = bar.left + bar.width
      return { ...bar, lane }
    })
}
