/** Papers and their sizes. Source: ISO 216 for A4, ANSI for Letter (8.5 × 11 in). */

import type { Mark } from './marks.ts'
import { moved } from './marks.ts'
import type { Row } from './row.ts'
import type { Paper, Sheet } from './types.ts'

const SIZES_MM: Readonly<Record<Paper, readonly [number, number]>> = { A4: [210, 297], Letter: [215.9, 279.4] }
/** Printers leave some millimetres at every side unprinted. */
export const MARGIN_MM = 12

export interface PageSize {
  readonly width: number
  readonly height: number
}
export function pageSize({ paper, lying }: Pick<Sheet, 'paper' | 'lying'>): PageSize {
  const [short, long] = SIZES_MM[paper]
  return lying ? { width: long, height: short } : { width: short, height: long }
}

export interface Page {
  readonly marks: readonly Mark[]
}
/** Where a block lies: on which page, from where to where; one entry for each page that it is on. */
export interface BlockPlace {
  readonly block: string
  readonly page: number
  readonly top: number
  readonly bottom: number
}

/**
 * Rows under one another, and on the next page what no longer fits, as whole rows. A row that belongs to the next one goes
 * with it. Only a row that is higher than a page is cut off; nothing that is composed here is.
 */
export function pagesOf(
  rows: readonly Row[],
  { width, height }: PageSize,
): {
  readonly pages: readonly Page[]
  readonly places: readonly BlockPlace[]
} {
  const pages: Mark[][] = [[]]
  const places: BlockPlace[] = []
  let top = MARGIN_MM
  const bottom = height - MARGIN_MM
  for (const [index, row] of rows.entries()) {
    // A heading is worth nothing at a page's foot.
    let needed = row.height
    for (let next = index; rows[next]?.staysWithNext === true; next++) needed += rows[next + 1]?.height ?? 0
    if (top + needed > bottom + 0.01 && top > MARGIN_MM) {
      pages.push([])
      top = MARGIN_MM
    }
    const page = pages.length - 1
    pages[page]?.push(...row.marks.map((mark) => moved(mark, MARGIN_MM, top)))
    const last = places.at(-1)
    if (last?.block === row.block && last.page === page)
      places[places.length - 1] = { ...last, bottom: top + row.height }
    else places.push({ block: row.block, page, top, bottom: top + row.height })
    top += row.height
  }
  if (pages.length > 1)
    for (const [page, marks] of pages.entries())
      marks.push({
        kind: 'text',
        x: width - MARGIN_MM,
        y: height - MARGIN_MM / 2,
        size: 3.2,
        face: 'sans',
        role: 'soft',
        text: `${page + 1} of ${pages.length}`,
        anchor: 'end',
      })
  return { pages: pages.map((marks) => ({ marks })), places }
}
