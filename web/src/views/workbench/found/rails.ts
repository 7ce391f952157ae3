/**
 * Rails: the shapes found at their true places under the neck, one rail for each string set.
 *   FoundShape[] ─railsOf→ Rail: its bars in lanes, so that none covers another
 */
import { type FoundShape, stringsMask } from './shapes.ts'

/** A shape's stretch of the neck, in the units of the neck's drawing. */
export interface Bar {
  readonly shape: FoundShape
  readonly left: number
  readonly width: number
  /** From the top; a crowded rail has many. */
  readonly lane: number
}

export interface Rail {
  readonly mask: number
  readonly bars: readonly Bar[]
  readonly lanes: number
}

export interface RailLayout {
  readonly tipX: (fret: number) => number
  readonly direction: 1 | -1
}

/** An egg and a little room: no bar is shorter. */
export const LEAST_BAR = 34
/** Before the lowest and behind the highest fingertip. */
const OVERHANG = 14
/** Between two bars of a lane. */
const GAP = 3

/**
 * @param first The string set that comes first: that which is asked for. The others follow as their best shape was ranked.
 */
export function railsOf(shapes: readonly FoundShape[], layout: RailLayout, first: number | undefined): readonly Rail[] {
  const bySet = new Map<number, FoundShape[]>()
  for (const shape of shapes) {
    const mask = stringsMask(shape.frets)
    const rail = bySet.get(mask)
    if (rail) rail.push(shape)
    else bySet.set(mask, [shape])
  }
  const masks = [...bySet.keys()].sort((a, b) => Number(b === first) - Number(a === first))
  return masks.map((mask) => railOf(mask, bySet.get(mask) as FoundShape[], layout))
}

function railOf(mask: number, shapes: readonly FoundShape[], { tipX, direction }: RailLayout): Rail {
  const placed = shapes.map((shape) => {
    const low = shape.frets.includes(0) ? 0 : shape.lowest
    const [a, b] = [tipX(low), tipX(shape.highest)]
    const width = Math.max(LEAST_BAR, Math.abs(b - a) + 2 * OVERHANG)
    return { shape, left: direction === 1 ? a - OVERHANG : a + OVERHANG - width, width }
  })
  // From left to right each bar takes the first lane that is free there: the fewest lanes that hold them all.
  const ends: number[] = []
  const bars = placed
    .toSorted((a, b) => a.left - b.left || a.width - b.width)
    .map(({ shape, left, width }): Bar => {
      const free = ends.findIndex((end) => end + GAP <= left)
      const lane = free < 0 ? ends.length : free
      ends[lane] = left + width
      return { shape, left, width, lane }
    })
  return { mask, bars, lanes: ends.length }
}

/** One lane of a rail, as it is drawn: of a crowded rail only the lanes in sight are. */
export interface Lane {
  readonly mask: number
  readonly lane: number
  readonly bars: readonly Bar[]
}

export const lanesOf = (rails: readonly Rail[]): readonly Lane[] =>
  rails.flatMap(({ mask, bars, lanes }) => {
    const rows: Bar[][] = Array.from({ length: lanes }, () => [])
    for (const bar of bars) rows[bar.lane]?.push(bar)
    return rows.map((row, lane) => ({ mask, lane, bars: row }))
  })
