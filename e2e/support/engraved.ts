/** What stands on staff and TAB, read back from its drawing. */
import type { Locator } from '@playwright/test'

export interface ReadBack {
  /** Of each TAB note its digits: string (1 the highest) and fret. */
  readonly tabs: readonly (readonly { readonly string: number; readonly fret: number }[])[]
  /** Of each head on the staff, rests too, its own line: half a space is a step of the scale. */
  readonly heads: readonly number[]
}

/** @param strings Lines of a TAB. */
export const readBack = (drawing: Locator, strings = 6): Promise<ReadBack> =>
  drawing.evaluate((box, count) => {
    const middle = (one: Element) => {
      const { top, bottom } = one.getBoundingClientRect()
      return (top + bottom) / 2
    }
    const tabs = [...box.querySelectorAll('.vf-stave')]
      .map((stave) => [...stave.querySelectorAll('path')].map(middle).toSorted((a, b) => a - b))
      .filter((lines) => lines.length === count)
    const nearest = (ys: readonly number[], y: number) =>
      ys.reduce((best, one, index) => (Math.abs(one - y) < Math.abs((ys[best] ?? 1e9) - y) ? index : best), 0)
    // A TAB's digits lie within its lines.
    const own = (y: number) => tabs.find((lines) => y > (lines[0] ?? 0) - 8 && y < (lines.at(-1) ?? 0) + 8) ?? []
    return {
      tabs: [...box.querySelectorAll('.vf-tabnote')].map((note) =>
        [...note.querySelectorAll('text')].map((digit) => {
          const y = middle(digit)
          return { string: nearest(own(y), y) + 1, fret: Number(digit.textContent) }
        }),
      ),
      // A glyph stands on its own line: its y is where it was put.
      heads: [...box.querySelectorAll('.vf-notehead text')].map((head) => Number(head.getAttribute('y'))),
    }
  }, strings)
