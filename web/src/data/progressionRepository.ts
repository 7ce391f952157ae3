/** Progressions: the tray, which is the current one, and the sets that it was kept as. Callers see texts, never rows. */
import { and, count, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import { EMPTY_TRAY, type KeptSet, type KeptSetDraft, type Tray, type TrayDraft } from '../contracts/progression.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { progressions } from './schema.ts'
import type { Reader, Store } from './store.ts'

type Row = typeof progressions.$inferSelect

const isTray = eq(progressions.role, 'tray')
const isKept = eq(progressions.role, 'kept')
const listed = and(isKept, isNull(progressions.deletedAt))

function readTray(within: Reader): Tray {
  const row = within.select().from(progressions).where(isTray).get()
  return row ? { ...textsOf(row), version: row.version } : EMPTY_TRAY
}

export type TrayRepository = ReturnType<typeof createTrayRepository>

export function createTrayRepository({ read, write }: Store) {
  return {
    read: (): Tray => readTray(read),
    replace: ({ version, ...texts }: TrayDraft, at: Date): Outcome<Tray> =>
      write((within) => {
        const now = readTray(within)
        if (now.version !== version) return { kind: 'stale', now }
        const row = { ...texts, version: version + 1 }
        const changed = within.update(progressions).set(row).where(isTray).run().changes
        if (changed === 0)
          within
            .insert(progressions)
            .values({ ...row, role: 'tray', createdAt: at })
            .run()
        return { kind: 'done', value: row }
      }),
  }
}

export type SetRepository = ReturnType<typeof createSetRepository>

export function createSetRepository({ read, write }: Store) {
  return {
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly sets: readonly KeptSet[]; readonly total: number } {
      const rows = read
        .select()
        .from(progressions)
        .where(listed)
        .orderBy(desc(progressions.createdAt), desc(progressions.id))
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(progressions).where(listed).get()?.total ?? 0
      return { sets: rows.map(setOf), total }
    },
    add: (draft: KeptSetDraft, at: Date): KeptSet =>
      write((within) =>
        setOf(
          within
            .insert(progressions)
            .values({ ...draft, role: 'kept', createdAt: at })
            .returning()
            .get(),
        ),
      ),
    remove: (id: number, at: Date): Outcome<undefined> =>
      write((within) =>
        outcomeOf(
          within
            .update(progressions)
            .set({ deletedAt: at })
            .where(and(eq(progressions.id, id), listed))
            .run(),
        ),
      ),
    /** Takes a deletion back. */
    restore: (id: number): Outcome<KeptSet> =>
      write((within) => {
        const row = within
          .update(progressions)
          .set({ deletedAt: null })
          .where(and(eq(progressions.id, id), isKept, isNotNull(progressions.deletedAt)))
          .returning()
          .get()
        return row ? { kind: 'done', value: setOf(row) } : { kind: 'missing' }
      }),
  }
}

const textsOf = ({ title, key, metre, tempoBpm, steps }: Row) => ({ title, key, metre, tempoBpm, steps: [...steps] })

const setOf = (row: Row): KeptSet => ({ ...textsOf(row), id: row.id, createdAt: row.createdAt.toISOString() })
