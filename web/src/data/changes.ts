import { and, eq, inArray, isNull } from 'drizzle-orm'
import type { Outcome } from './outcome.ts'
import {
  bookChanges,
  instruments,
  keptShapes,
  ownTunings,
  practiceAttempts,
  practiceCards,
  practiceMaterials,
  practiceRuns,
  progressions,
  settings,
  sheets,
  tunes,
} from './schema.ts'
import type { Store, Writer } from './store.ts'

/** Tables that can be changed at once, by the names that files use, and the column that tells their rows apart. */
export const CHANGED_TABLES = {
  settings: { table: settings, key: settings.key },
  instruments: { table: instruments, key: instruments.id },
  tunings: { table: ownTunings, key: ownTunings.id },
  tunes: { table: tunes, key: tunes.id },
  shapes: { table: keptShapes, key: keptShapes.id },
  sets: { table: progressions, key: progressions.id },
  sheets: { table: sheets, key: sheets.id },
  materials: { table: practiceMaterials, key: practiceMaterials.id },
  runs: { table: practiceRuns, key: practiceRuns.id },
  cards: { table: practiceCards, key: practiceCards.id },
  attempts: { table: practiceAttempts, key: practiceAttempts.id },
} as const
export type ChangedTable = keyof typeof CHANGED_TABLES
type Key = number | string

export interface ChangeStep {
  readonly table: ChangedTable
  /** Rows as they were, every column. */
  readonly before: readonly Readonly<Record<string, unknown>>[]
  /** Keys of rows that were not there. */
  readonly added: readonly Key[]
}

/** SQLite takes so many values in one statement. */
const AT_ONCE = 500
const chunks = <Value>(all: readonly Value[]): readonly (readonly Value[])[] =>
  Array.from({ length: Math.ceil(all.length / AT_ONCE) }, (_, index) =>
    all.slice(index * AT_ONCE, (index + 1) * AT_ONCE),
  )

const keyName = (table: ChangedTable): 'id' | 'key' => (table === 'settings' ? 'key' : 'id')

/** Rows by their keys, every column: what a step remembers before they are changed. */
export function rowsBefore(within: Writer, table: ChangedTable, keys: readonly Key[]): ChangeStep['before'] {
  const { table: rows, key } = CHANGED_TABLES[table]
  return chunks(keys).flatMap((some) => {
    const found = within
      .select()
      .from(rows)
      .where(inArray(key, some as never))
      .all()
    return found.map(written)
  })
}

/** Times as numbers: a remembered row is JSON. */
const written = (row: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> =>
  Object.fromEntries(
    Object.entries(row).map(([name, value]) => [name, value instanceof Date ? { time: value.getTime() } : value]),
  )
const asRow = (remembered: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(remembered).map(([name, value]) => [
      name,
      typeof value === 'object' && value !== null && 'time' in value ? new Date(Number(value.time)) : value,
    ]),
  )

export function remember(within: Writer, words: string, steps: readonly ChangeStep[], at: Date): number {
  const [row] = within.insert(bookChanges).values({ words, at, steps }).returning({ id: bookChanges.id }).all()
  if (row === undefined) throw new Error('the change was not written down')
  return row.id
}

export type ChangesRepository = ReturnType<typeof createChangesRepository>

export function createChangesRepository({ write }: Store) {
  return {
    /** Takes a change back; once. */
    undo: (id: number, at: Date): Outcome<{ readonly words: string }> =>
      write((within) => {
        const [change] = within
          .select()
          .from(bookChanges)
          .where(and(eq(bookChanges.id, id), isNull(bookChanges.undoneAt)))
          .all()
        if (!change) return { kind: 'missing' }
        // What is new goes first: a row that was changed may have given its name away.
        for (const { table, added } of change.steps.toReversed()) {
          const { table: rows, key } = CHANGED_TABLES[table]
          // What was put under a tune since stays, in none.
          if (table === 'tunes')
            for (const some of chunks(added))
              within
                .update(keptShapes)
                .set({ tuneId: null })
                .where(inArray(keptShapes.tuneId, some as number[]))
                .run()
          for (const some of chunks(added))
            within
              .delete(rows)
              .where(inArray(key, some as never))
              .run()
        }
        for (const { table, before } of change.steps) {
          const { table: rows, key } = CHANGED_TABLES[table]
          for (const remembered of before) {
            const row = asRow(remembered)
            const own = row[keyName(table)] as Key
            const [now] = within
              .select()
              .from(rows)
              .where(eq(key, own as never))
              .all() as { version?: number }[]
            // That is a change too: an edit of what was there meanwhile is stale.
            const next = 'version' in row && now?.version !== undefined ? { ...row, version: now.version + 1 } : row
            if (now)
              within
                .update(rows)
                .set(next as never)
                .where(eq(key, own as never))
                .run()
            else
              within
                .insert(rows)
                .values(next as never)
                .run()
          }
        }
        within.update(bookChanges).set({ undoneAt: at }).where(eq(bookChanges.id, id)).run()
        return { kind: 'done', value: { words: change.words } }
      }),
  }
}
