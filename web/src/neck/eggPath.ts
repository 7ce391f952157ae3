/** An egg's outline: a tilted oval, as a path, since a turned ellipse is a layer of its own for the browser. */

/** As much as an egg leans. */
const LEAN = (-14 * Math.PI) / 180
const FLAT = 0.75

const round = (value: number): number => Math.round(value * 100) / 100
/** Of one size: how far its line begins from the middle, and the rest of it. Few sizes, hundreds of eggs. */
const outlines = new Map<string, { readonly dx: number; readonly dy: number; readonly arcs: string }>()

function outlineOf(size: number, ring: number) {
  const key = `${size} ${ring}`
  const before = outlines.get(key)
  if (before) return before
  const [rx, ry] = [size + ring, size * FLAT + ring]
  const [dx, dy] = [rx * Math.cos(LEAN), rx * Math.sin(LEAN)]
  const arc = (sign: 1 | -1) => `a${round(rx)} ${round(ry)} -14 1 0 ${round(sign * 2 * dx)} ${round(sign * 2 * dy)}`
  const outline = { dx, dy, arcs: `${arc(1)}${arc(-1)}` }
  outlines.set(key, outline)
  return outline
}

/** @param size half the egg's length. @param ring how much further out the line runs, in px. */
export function eggPath({ x, y }: { readonly x: number; readonly y: number }, size: number, ring = 0): string {
  const { dx, dy, arcs } = outlineOf(size, ring)
  return `M${round(x - dx)} ${round(y - dy)}${arcs}`
}

/** An upright oval around a point, from half its width and height, as path data: many of them make one path. */
export const ovalPath = (x: number, y: number, rx: number, ry: number): string =>
  `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0`
