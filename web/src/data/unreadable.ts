/**
 * Rows that can't be read: a disk, another program or a fault has left them. When the database is opened they are taken out of
 * their tables as they are, so that no view breaks on them, and can be looked at, taken along and deleted.
 *   each table ─problemOf(row)→ reason ─setAside→ `unreadable` ─list, find, remove
 */
import { readTuning } from '@nestling/core/neck'
import type Sqlite from 'better-sqlite3'
import { desc, eq } from 'drizzle-orm'
import * as v from 'valibot'
import type { UnreadableRow } from '../contracts/book.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { unreadable } from './schema.ts'
import type { Store } from './store.ts'

type Row = Readonly<Record<string, unknown>>

/** A day that `Date` knows: ms since 1970. */
const MOST_MS = 8.64e15
const moment = v.nullish(v.pipe(v.number(), v.minValue(-MOST_MS), v.maxValue(MOST_MS)))
const moments = { created_at: moment, updated_at: moment, deleted_at: moment }

const json = <Schema extends v.GenericSchema>(schema: Schema) => v.pipe(v.string(), v.parseJson(), schema)
const text = v.string()
/** Only what views lean on: what an older Nestling has kept otherwise is still read. */
const shape = v.looseObject({ chord: text, frets: text, tuning: text })
const step = v.looseObject({ id: text, chord: text, shape: v.nullable(shape), beats: v.number() })
const tuning = v.pipe(
  text,
  v.check((letters) => readTuning(letters).ok, 'a tuning'),
)

const TABLES: Readonly<Record<string, v.GenericSchema>> = {
  kept_shapes: v.looseObject({ ...moments, tags: json(v.array(text)) }),
  tunes: v.looseObject({
    ...moments,
    tune: json(v.objectWithRest({ chart: text }, text)),
  }),
  progressions: v.looseObject({ ...moments, steps: json(v.array(step)) }),
  sheets: v.looseObject({
    ...moments,
    body: json(v.looseObject({ paper: text, blocks: v.array(v.looseObject({ id: text, kind: text })) })),
  }),
  settings: v.looseObject({ value: json(v.unknown()) }),
  instruments: v.looseObject({ tuning }),
  own_tunings: v.looseObject({ tuning }),
  practice_attempts: v.looseObject({ at: moment, deleted_at: moment }),
}
/** What is looked at in each row; of a log of ten years the times only. */
const COLUMNS: Readonly<Record<string, string>> = {
  practice_attempts: 'rowid as "rowid", at, deleted_at',
}

/** Takes every unreadable row out of its table, all in one transaction. @returns How many. */
export function setAside(sqlite: Sqlite.Database, at: Date): number {
  const found = Object.entries(TABLES).flatMap(([table, schema]) =>
    (sqlite.prepare(`select ${COLUMNS[table] ?? 'rowid as "rowid", *'} from ${table}`).all() as readonly Row[]).flatMap(
      (row) => {
        const read = v.safeParse(schema, row, { abortEarly: true })
        return read.success ? [] : [{ table, rowid: Number(row['rowid']), reason: reasonOf(read.issues[0]) }]
      },
    ),
  )
  if (found.length === 0) return 0
  const keep = sqlite.prepare('insert into unreadable (of_table, row, reason, found_at) values (?, ?, ?, ?)')
  sqlite
    .transaction(() => {
      for (const { table, rowid, reason } of found) {
        const row = sqlite.prepare(`select * from ${table} where rowid = ?`).get(rowid)
        keep.run(table, JSON.stringify(row), reason, at.getTime())
        // Its shapes stay, in no tune.
        if (table === 'tunes') sqlite.prepare('update kept_shapes set tune_id = null where tune_id = ?').run(rowid)
        sqlite.prepare(`delete from ${table} where rowid = ?`).run(rowid)
      }
    })
    .immediate()
  return found.length
}

function reasonOf(issue: v.BaseIssue<unknown> | undefined): string {
  const [column] = issue?.path ?? []
  const within = issue ? v.getDotPath(issue) : null
  const field = within ?? String((column as { readonly key?: unknown } | undefined)?.key ?? 'the row')
  return `${field}: ${issue?.type === 'parse_json' ? 'no JSON' : (issue?.message ?? 'not read')}`
}

/** What it was, in a player's word. */
const KINDS: Readonly<Record<string, UnreadableRow['kind']>> = {
  kept_shapes: 'shape',
  tunes: 'tune',
  progressions: 'set',
  sheets: 'sheet',
  settings: 'setting',
  instruments: 'instrument',
  own_tunings: 'tuning',
  practice_attempts: 'entry of the log',
}

export type UnreadableRepository = ReturnType<typeof createUnreadableRepository>

export function createUnreadableRepository({ read, write }: Pick<Store, 'read' | 'write'>) {
  return {
    /** Newest first. */
    list: (): readonly UnreadableRow[] =>
      read.select().from(unreadable).orderBy(desc(unreadable.id)).limit(MOST_LISTED).all().map(told),
    find(id: number): (UnreadableRow & { readonly row: unknown }) | undefined {
      const row = read.select().from(unreadable).where(eq(unreadable.id, id)).get()
      return row && { ...told(row), row: JSON.parse(row.row) as unknown }
    },
    remove: (id: number): Outcome<undefined> =>
      write((within) => outcomeOf(within.delete(unreadable).where(eq(unreadable.id, id)).run())),
  }
}
const MOST_LISTED = 200

function told({ id, table, row, reason, foundAt }: typeof unreadable.$inferSelect): UnreadableRow {
  const columns = JSON.parse(row) as Row
  const title = columns['title'] ?? columns['name'] ?? columns['key'] ?? columns['material'] ?? columns['id']
  return { id, kind: KINDS[table] ?? 'setting', title: String(title ?? ''), reason, at: foundAt.toISOString() }
}
