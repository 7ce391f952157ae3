/** The plain twins of what the database counts: once through all entries. */
import {
  type HomeRow,
  isClean,
  type LogDay,
  type LogEntry,
  middleOf,
  rowKey,
  type TempoDay,
} from '@nestling/core/practice'

/** Where the hand is at home: the shapes of all runs, those played most first. */
export function homeOf(entries: readonly LogEntry[]): readonly HomeRow[] {
  interface Open {
    row: Omit<HomeRow, 'cells'>
    cells: ({ best: number | undefined; times: number; last: LogEntry['grade']; at: number } | undefined)[]
    times: number
    at: number
  }
  const rows = new Map<string, Open>()
  for (const entry of entries) {
    const { root, at, tempo, grade, shown } = entry
    if (entry.kind !== 'run' || root === null) continue
    const key = rowKey(entry)
    let row = rows.get(key)
    if (!row) {
      row = {
        row: { key, suffix: entry.suffix, string: entry.string, form: entry.form, frets: entry.frets },
        cells: Array.from({ length: 12 }),
        times: 0,
        at,
      }
      rows.set(key, row)
    }
    row.times++
    if (at >= row.at) {
      row.at = at
      row.row = { ...row.row, frets: entry.frets, string: entry.string }
    }
    const clean = isClean(grade) && !shown
    const cell = row.cells[root]
    if (!cell) {
      row.cells[root] = { best: clean ? tempo : undefined, times: 1, last: grade, at }
      continue
    }
    cell.times++
    if (clean && tempo > (cell.best ?? 0)) cell.best = tempo
    if (at >= cell.at) {
      cell.last = grade
      cell.at = at
    }
  }
  return [...rows.values()]
    .toSorted((a, b) => b.times - a.times || (a.row.key < b.row.key ? -1 : 1))
    .map(({ row, cells }) => ({
      ...row,
      cells: cells.map((cell) => (cell ? { best: cell.best, times: cell.times, last: cell.last } : null)),
    }))
}

/** Days that were played, the earlier first. */
export function daysOf(entries: readonly LogEntry[]): readonly LogDay[] {
  const played = new Map<string, { seconds: number; runs: number; cards: number }>()
  for (const { day, seconds, kind } of entries) {
    const sum = played.get(day) ?? { seconds: 0, runs: 0, cards: 0 }
    sum.seconds += seconds
    if (kind === 'run') sum.runs++
    else sum.cards++
    played.set(day, sum)
  }
  return [...played].toSorted(([a], [b]) => (a < b ? -1 : 1)).map(([day, sums]) => ({ day, ...sums }))
}

/** A row's tempo over time, the days on which it was played. */
export function tempoOf(entries: readonly LogEntry[], key: string, root?: number): readonly TempoDay[] {
  const days = new Map<string, { all: number[]; own: number[] }>()
  for (const entry of entries) {
    if (entry.kind !== 'run' || rowKey(entry) !== key) continue
    const day = days.get(entry.day) ?? { all: [], own: [] }
    days.set(entry.day, day)
    if (!isClean(entry.grade) || entry.shown) continue
    day.all.push(entry.tempo)
    if (entry.root === root) day.own.push(entry.tempo)
  }
  return [...days]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, { all, own }]) => ({
      day,
      middle: all.length > 0 ? middleOf(all) : undefined,
      onRoot: own.length > 0 ? Math.max(...own) : undefined,
    }))
}
