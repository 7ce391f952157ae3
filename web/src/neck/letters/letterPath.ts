/** Letters as outlines: what an egg is called, as a path beside the egg's own, which is laid out and painted at once. */
import { OUTLINES, UNITS_PER_EM } from './outlines.ts'

/** Of a text at one size, from the left end of its base line, in px. */
interface Outline {
  readonly width: number
  readonly contours: readonly { readonly x: number; readonly y: number; readonly d: string }[]
}
const known = new Map<string, Outline>()

/** False where a letter has no outline here: then it is set as text. */
export const hasOutline = (text: string): boolean => [...text].every((letter) => letter in OUTLINES)

/**
 * @param at the middle of the base line, in px.
 * @param size of the letters, as `font-size` says it.
 * @returns a path's `d`; empty for an empty text.
 */
export function letterPath(text: string, at: { readonly x: number; readonly y: number }, size: number): string {
  const { width, contours } = outlineOf(text, size)
  const start = at.x - width / 2
  return contours.map(({ x, y, d }) => `M${rounded(start + x)} ${rounded(at.y + y)}${d}`).join('')
}

function outlineOf(text: string, size: number): Outline {
  const key = `${size} ${text}`
  const before = known.get(key)
  if (before) return before
  const scale = size / UNITS_PER_EM
  let width = 0
  const contours: Outline['contours'][number][] = []
  for (const letter of text) {
    const parts = OUTLINES[letter]
    if (parts === undefined) throw new Error(`No outline for ${letter}`)
    const [advance, ...shapes] = parts.split(';')
    for (const shape of shapes) {
      const [x, y, d = ''] = shape.split(',')
      const scaled = d.replace(
        /-?\d+/g,
        (number, offset) =>
          `${offset > 0 && /\d/.test(d[offset - 1] ?? '') ? ' ' : ''}${thousandths(Number(number) * scale)}`,
      )
      contours.push({ x: width + Number(x) * scale, y: Number(y) * scale, d: scaled })
    }
    width += Number(advance) * scale
  }
  const outline = { width, contours }
  known.set(key, outline)
  return outline
}
const thousandths = (value: number): number => Math.round(value * 1000) / 1000
const rounded = (value: number): number => Math.round(value * 100) / 100
