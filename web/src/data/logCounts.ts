/**
 * What the logbook counts, counted by the database: ten years are fifty thousand rows, and only sums leave it.
 *   LogAsk ─homeIn→ shape × root; ─daysIn→ days that were played; ─tempoIn→ a shape over time; ─newestIn, ownIn→ entries
 */
import { pitchClassOf, readNote } from '@nestling/core/pitch'
import {
  type HomeCell,
  type HomeRow,
  isClean,
  LOG_GRADES,
  type LogDay,
  middleOf,
  rowKey,
  type TempoDay,
} from '@nestling/core/practice'
import { and, asc, count, desc, eq, gte, inArray, isNull, lte, type SQL, sql, sum } from 'drizzle-orm'
import type { LogAsk } from '../contracts/practice.ts'
import { practiceAttempts as attempts } from './schema.ts'
import type { Reader } from './store.ts'

export interface RowAsk {
  readonly suffix: string
  readonly form: string
}

export function askedFor({ from, to, instrument, material }: LogAsk): SQL | undefined {
  return and(
    isNull(attempts.deletedAt),
    from === undefined ? undefined : gte(attempts.day, from),
    to === undefined ? undefined : lte(attempts.day, to),
    instrument === undefined ? undefined : eq(attempts.instrument, instrument),
    material === undefined ? undefined : eq(attempts.material, material),
  )
}
const runsOf = (ask: LogAsk) => and(askedFor(ask), eq(attempts.kind, 'run'))

/** Clean, and not looked up. */
const isCleanRow = and(inArray(attempts.grade, LOG_GRADES.filter(isClean)), eq(attempts.shown, false))
/** When, and how it went then, as one number: the largest is the last. */
const LAST = sql<number>`max(${attempts.at} * 10 + case ${attempts.grade} ${sql.join(
  LOG_GRADES.map((grade, index) => sql`when ${grade} then ${index}`),
  sql` `,
)} end)`

/** Where the hand is at home: the shapes of all runs, those played most first. */
export function homeIn(read: Reader, ask: LogAsk): readonly HomeRow[] {
  const counted = read
    .select({
      suffix: attempts.suffix,
      form: attempts.form,
      root: attempts.root,
      times: count(),
      best: sql<number | null>`max(case when ${isCleanRow} then ${attempts.tempo} end)`,
      last: LAST,
    })
    .from(attempts)
    .where(runsOf(ask))
    .groupBy(attempts.suffix, attempts.form, attempts.root)
    .all()
  const rows = new Map<string, { suffix: string; form: string; times: number; cells: (Counted | null)[] }>()
  for (const { suffix, form, root, times, best, last } of counted) {
    const at = classOf(root)
    if (at === undefined) continue
    const key = rowKey({ suffix, form })
    const row = rows.get(key) ?? { suffix, form, times: 0, cells: Array.from({ length: 12 }, () => null) }
    rows.set(key, row)
    row.times += times
    // G♭ and F♯ are one place on the neck.
    row.cells[at] = merged(row.cells[at] ?? null, { times, best: best ?? undefined, last })
  }
  const places = lastPlacesIn(read, ask)
  return [...rows]
    .toSorted(([a, one], [b, other]) => other.times - one.times || (a < b ? -1 : 1))
    .map(([key, { suffix, form, cells }]) => ({
      ...{ key, suffix, form, frets: '', string: 0 },
      ...places.get(key),
      cells: cells.map(cellOf),
    }))
}

interface Counted {
  readonly times: number
  readonly best: number | undefined
  readonly last: number
}
const merged = (a: Counted | null, b: Counted): Counted =>
  a === null
    ? b
    : {
        times: a.times + b.times,
        best: a.best === undefined ? b.best : Math.max(a.best, b.best ?? 0),
        last: Math.max(a.last, b.last),
      }
const cellOf = (cell: Counted | null): HomeCell | null =>
  cell && { best: cell.best, times: cell.times, last: LOG_GRADES[cell.last % 10] ?? 'played' }

/** Where each shape was played last: to draw it. Of a largest value SQLite gives the other columns of its own row. */
function lastPlacesIn(read: Reader, ask: LogAsk) {
  const last = read
    .select({
      ...{ suffix: attempts.suffix, form: attempts.form, frets: attempts.frets, string: attempts.string },
      at: sql<number>`max(${attempts.at})`,
    })
    .from(attempts)
    .where(runsOf(ask))
    .groupBy(attempts.suffix, attempts.form)
    .all()
  return new Map(last.map(({ frets, string, ...row }) => [rowKey(row), { frets, string }]))
}
const ofRow = ({ suffix, form }: RowAsk) => and(eq(attempts.suffix, suffix), eq(attempts.form, form))

/** Days that were played, the earlier first. */
export function daysIn(read: Reader, ask: LogAsk): readonly LogDay[] {
  return read
    .select({
      day: attempts.day,
      seconds: sum(attempts.seconds).mapWith(Number),
      runs: sum(sql`${attempts.kind} = 'run'`).mapWith(Number),
      cards: sum(sql`${attempts.kind} = 'card'`).mapWith(Number),
    })
    .from(attempts)
    .where(askedFor(ask))
    .groupBy(attempts.day)
    .orderBy(asc(attempts.day))
    .all()
}

/** A shape's tempo over time: the days on which it was played, and one root of it. */
export function tempoIn(read: Reader, ask: LogAsk, row: RowAsk, root: number): readonly TempoDay[] {
  const rows = read
    .select({ day: attempts.day, tempo: attempts.tempo, root: attempts.root, clean: sql<number>`${isCleanRow}` })
    .from(attempts)
    .where(and(runsOf(ask), ofRow(row)))
    .all()
  const days = new Map<string, { all: number[]; own: number[] }>()
  for (const { day, tempo, root: name, clean } of rows) {
    const one = days.get(day) ?? { all: [], own: [] }
    days.set(day, one)
    if (!clean) continue
    one.all.push(tempo)
    if (classOf(name) === root) one.own.push(tempo)
  }
  return [...days]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, { all, own }]) => ({
      day,
      middle: all.length > 0 ? middleOf(all) : undefined,
      onRoot: own.length > 0 ? Math.max(...own) : undefined,
    }))
}

/** The newest roots of runs that somebody judged. */
export const newestIn = (read: Reader, ask: LogAsk, limit: number) =>
  read
    .select()
    .from(attempts)
    .where(and(runsOf(ask), sql`${attempts.grade} <> 'played'`))
    .orderBy(desc(attempts.at))
    .limit(limit)
    .all()

/** One shape on one root, the newest first, and how many there are. */
export function ownIn(read: Reader, ask: LogAsk, row: RowAsk, root: number, limit: number) {
  const names = read
    .selectDistinct({ root: attempts.root })
    .from(attempts)
    .where(and(runsOf(ask), ofRow(row)))
    .all()
    .flatMap((one) => (classOf(one.root) === root ? [one.root] : []))
  const asked = and(runsOf(ask), ofRow(row), inArray(attempts.root, names))
  if (names.length === 0) return { rows: [], total: 0 }
  return {
    rows: read.select().from(attempts).where(asked).orderBy(desc(attempts.at)).limit(limit).all(),
    total: read.select({ total: count() }).from(attempts).where(asked).get()?.total ?? 0,
  }
}

/** Seventeen names have twelve places. */
export const classOf = (name: string): number | undefined => {
  const note = readNote(name)
  return note === undefined ? undefined : pitchClassOf(note)
}
