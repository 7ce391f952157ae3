/** An egg on paper as plain outlines: its dots and strokes are cut to its own edge, so that no reader needs patterns. */
import type { ToneWeight } from '@nestling/core/pitch'

export const TILT = -14
const FLAT = 0.75

export interface EggLines {
  readonly rx: number
  readonly ry: number
  /** Centres, against the egg's own, of the dots of a third. */
  readonly dots: readonly { readonly x: number; readonly y: number; readonly r: number }[]
  /** The strokes of a seventh. */
  readonly strokes: readonly { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number }[]
  /** The second rim of an extension. */
  readonly inner: { readonly rx: number; readonly ry: number } | undefined
}

const DOTS: readonly (readonly [number, number])[] = [
  [0, 0],
  [0.52, 0],
  [-0.52, 0],
  [0.26, 0.5],
  [-0.26, 0.5],
  [0.26, -0.5],
  [-0.26, -0.5],
]
/** Across the egg, from its middle, as parts of its half length. */
const STROKES: readonly number[] = [-0.62, -0.22, 0.18, 0.58]
/** How far a stroke leans: as far to the side as it rises. */
const LEAN = 0.7

export function eggLines(size: number, weight: ToneWeight, hasLabel: boolean): EggLines {
  const [rx, ry] = [size, size * FLAT]
  return {
    rx,
    ry,
    dots: weight === 'third' && !hasLabel ? DOTS.map(([x, y]) => ({ x: x * rx, y: y * ry, r: size * 0.1 })) : [],
    strokes: weight === 'seventh' && !hasLabel ? STROKES.flatMap((at) => strokeAt(at, rx, ry)) : [],
    inner: weight === 'extension' && !hasLabel ? { rx: rx * 0.58, ry: ry * 0.52 } : undefined,
  }
}

/** A leaning line through the unit circle, cut where it leaves it, then stretched into the egg. */
function strokeAt(at: number, rx: number, ry: number): EggLines['strokes'] {
  // (at + LEAN·t, t) with x² + y² = 1
  const [a, b, c] = [LEAN * LEAN + 1, 2 * at * LEAN, at * at - 1]
  const root = b * b - 4 * a * c
  if (root <= 0) return []
  const ends = [-1, 1].map((side) => (-b + side * Math.sqrt(root)) / (2 * a))
  const [low = 0, high = 0] = ends
  return [{ x1: (at + LEAN * low) * rx, y1: low * ry, x2: (at + LEAN * high) * rx, y2: high * ry }]
}
