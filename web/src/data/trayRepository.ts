/** The tray, and the sets that it was kept as. */
import { and, count, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import { EMPTY_TRAY, type KeptSet, type KeptSetDraft, type Tray, type TrayDraft } from '../contracts/tray.ts'
import type { Database } from './database.ts'
import { keptSets, trays } from './schema.ts'

const THE_TRAY = 1

export type TrayOutcome =
  | { readonly kind: 'done'; readonly tray: Tray }
  /** Changed on another page meanwhile; `now` is what it holds. */
  | { readonly kind: 'stale'; readonly now: Tray }

export type TrayRepository = ReturnType<typeof createTrayRepository>

export function createTrayRepository(db: Database) {
  const read = (): Tray => {
    const row = db.select().from(trays).where(eq(trays.id, THE_TRAY)).get()
    return row ? { name: row.name, shapes: [...row.shapes], version: row.version } : EMPTY_TRAY
  }
  return {
    read,
    replace: ({ name, shapes, version }: TrayDraft): TrayOutcome =>
      db.transaction((): TrayOutcome => {
        const now = read()
        if (now.version !== version) return { kind: 'stale', now }
        const row = { name, shapes, version: version + 1 }
        db.insert(trays)
          .values({ id: THE_TRAY, ...row })
          .onConflictDoUpdate({ target: trays.id, set: row })
          .run()
        return { kind: 'done', tray: row }
      }),
  }
}

export type SetRepository = ReturnType<typeof createSetRepository>

export function createSetRepository(db: Database) {
  const listed = isNull(keptSets.deletedAt)
  return {
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly sets: readonly KeptSet[]; readonly total: number } {
      const rows = db
        .select()
        .from(keptSets)
        .where(listed)
        .orderBy(desc(keptSets.createdAt), desc(keptSets.id))
        .limit(limit)
      const total = db.select({ total: count() }).from(keptSets).where(listed).get()?.total ?? 0
      return { sets: rows.all().map(setOf), total }
    },
    add: (draft: KeptSetDraft, at: Date): KeptSet =>
      setOf(
        db
          .insert(keptSets)
          .values({ ...draft, createdAt: at })
          .returning()
          .get(),
      ),
    /** False when there is no such set. */
    remove: (id: number, at: Date): boolean =>
      db
        .update(keptSets)
        .set({ deletedAt: at })
        .where(and(eq(keptSets.id, id), listed))
        .run().changes === 1,
    restore(id: number): KeptSet | undefined {
      const row = db
        .update(keptSets)
        .set({ deletedAt: null })
        .where(and(eq(keptSets.id, id), isNotNull(keptSets.deletedAt)))
        .returning()
        .get()
      return row && setOf(row)
    },
  }
}

const setOf = ({ id, name, shapes, createdAt }: typeof keptSets.$inferSelect): KeptSet => ({
  id,
  name,
  shapes: [...shapes],
  createdAt: createdAt.toISOString(),
})
