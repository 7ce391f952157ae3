/** The list's lines: headings and rows of shapes, known by their counts before the shapes themselves are there. */
import type { BookShapes } from '../../contracts/shape.ts'

export type Line =
  | { readonly kind: 'head'; readonly tune: number | null; readonly from: number; readonly count: number }
  | { readonly kind: 'row'; readonly from: number; readonly count: number }
  /** The chords of a tune under which no shape is kept. */
  | { readonly kind: 'chords'; readonly tune: number | null }
  /** Two tunes of few shapes beside one another. */
  | { readonly kind: 'pair'; readonly groups: readonly GroupLine[] }

export interface GroupLine {
  readonly tune: number | null
  /** The place of its first shape among all. */
  readonly from: number
  readonly count: number
}

/** @param perLine How many shapes stand beside one another. */
export function linesOf({ total, groups }: Pick<BookShapes, 'total' | 'groups'>, perLine: number): readonly Line[] {
  const rows = (from: number, count: number): readonly Line[] =>
    Array.from({ length: Math.ceil(count / perLine) }, (_, index) => ({
      kind: 'row',
      from: from + index * perLine,
      count: Math.min(perLine, count - index * perLine),
    }))
  if (groups.length === 0) return rows(0, total)
  const lines: Line[] = []
  const half = Math.floor(perLine / 2)
  let from = 0
  let waiting: GroupLine | undefined
  const single = (group: GroupLine) =>
    lines.push(
      { kind: 'head', ...group },
      ...(group.count === 0 ? [{ kind: 'chords', tune: group.tune } as const] : rows(group.from, group.count)),
    )
  for (const { tune, count } of groups) {
    const group = { tune, from, count }
    from += count
    const isSmall = half > 0 && count <= half
    if (waiting && isSmall) {
      lines.push({ kind: 'pair', groups: [waiting, group] })
      waiting = undefined
      continue
    }
    if (waiting) single(waiting)
    waiting = isSmall ? group : undefined
    if (!isSmall) single(group)
  }
  if (waiting) single(waiting)
  return lines
}

/** The shapes that a line shows, as places among all. */
export function placesOf(line: Line): readonly (readonly [number, number])[] {
  switch (line.kind) {
    case 'head':
    case 'chords':
      return []
    case 'row':
      return [[line.from, line.count]]
    case 'pair':
      return line.groups.map(({ from, count }) => [from, count] as const).filter(([, count]) => count > 0)
  }
}
