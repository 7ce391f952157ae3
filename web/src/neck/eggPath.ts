/** An egg's outline: a tilted oval, as a path, since a turned ellipse is a layer of its own for the browser. */

/** As much as an egg leans. */
const LEAN = (-14 * Math.PI) / 180
const FLAT = 0.75

/** @param size half the egg's length. @param ring how much further out the line runs, in px. */
export function eggPath({ x, y }: { readonly x: number; readonly y: number }, size: number, ring = 0): string {
  const [rx, ry] = [size + ring, size * FLAT + ring]
  const [dx, dy] = [rx * Math.cos(LEAN), rx * Math.sin(LEAN)]
  const round = (value: number) => Math.round(value * 100) / 100
  const arc = (sign: 1 | -1) => `a${round(rx)} ${round(ry)} -14 1 0 ${round(sign * 2 * dx)} ${round(sign * 2 * dy)}`
  return `M${round(x - dx)} ${round(y - dy)}${arc(1)}${arc(-1)}`
}
