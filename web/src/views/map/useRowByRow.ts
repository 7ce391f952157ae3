/** A new answer is drawn a few rows at a time, so that no task of the page is long; below them stand the rows before. */
import { startTransition, useEffect, useState } from 'react'
import type { FoundMap } from './useMap.ts'

const ROWS_AT_ONCE = 4

export interface DrawnRow {
  readonly strings: readonly number[]
  /** The answer that the row shows. */
  readonly of: FoundMap
}

interface Drawing {
  readonly now: FoundMap
  readonly before: FoundMap
  /** Rows of the new answer that are drawn. */
  readonly rows: number
}

/** Every row of the sheet, and the answer that is drawn wholly: what stands beside the sheet follows it. */
export function useRowByRow(found: FoundMap): { readonly rows: readonly DrawnRow[]; readonly whole: FoundMap } {
  const [drawing, setDrawing] = useState<Drawing>({ now: found, before: found, rows: ROWS_AT_ONCE })
  const current = drawing.now === found ? drawing : { now: found, before: drawing.now, rows: ROWS_AT_ONCE }
  if (current !== drawing) setDrawing(current)
  const { now, before, rows } = current
  const done = rows >= now.map.rows.length
  useEffect(() => {
    if (done) return undefined
    const next = setTimeout(() =>
      startTransition(() => setDrawing((one) => ({ ...one, rows: one.rows + ROWS_AT_ONCE }))),
    )
    return () => clearTimeout(next)
  }, [done, current])
  return { rows: rowsOf(now, before, rows), whole: done ? now : before }
}

export const rowsOf = (now: FoundMap, before: FoundMap, rows: number): readonly DrawnRow[] => [
  ...now.map.rows.slice(0, rows).map(({ strings }) => ({ strings, of: now })),
  ...(rows < now.map.rows.length ? before.map.rows.slice(rows) : []).map(({ strings }) => ({ strings, of: before })),
]
