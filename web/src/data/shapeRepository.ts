/** The Book's shapes. Callers see `KeptShape`, never rows. */
import { and, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { KeptShape, KeptShapeDraft, KeptShapeRename } from '../contracts/keptShape.ts'
import type { Database } from './database.ts'
import { keptShapes } from './schema.ts'

export type RenameOutcome =
  | { readonly kind: 'done'; readonly shape: KeptShape }
  | { readonly kind: 'missing' }
  /** Somebody else changed it meanwhile; `now` is what they made of it. */
  | { readonly kind: 'stale'; readonly now: KeptShape }

export type ShapeRepository = ReturnType<typeof createShapeRepository>

export function createShapeRepository(db: Database) {
  const listed = isNull(keptShapes.deletedAt)
  const find = (id: number): KeptShape | undefined => {
    const row = db
      .select()
      .from(keptShapes)
      .where(and(eq(keptShapes.id, id), listed))
      .get()
    return row && shapeOf(row)
  }
  return {
    find,
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly shapes: readonly KeptShape[]; readonly total: number } {
      const rows = db
        .select()
        .from(keptShapes)
        .where(listed)
        .orderBy(desc(keptShapes.createdAt), desc(keptShapes.id))
        .limit(limit)
        .all()
      const total = db.select({ total: count() }).from(keptShapes).where(listed).get()?.total ?? 0
      return { shapes: rows.map(shapeOf), total }
    },
    add: (draft: KeptShapeDraft, at: Date): KeptShape =>
      shapeOf(
        db
          .insert(keptShapes)
          .values({ ...draft, createdAt: at, updatedAt: at })
          .returning()
          .get(),
      ),
    rename(id: number, { name, version }: KeptShapeRename, at: Date): RenameOutcome {
      const row = db
        .update(keptShapes)
        .set({ name, updatedAt: at, version: version + 1 })
        .where(and(eq(keptShapes.id, id), eq(keptShapes.version, version), listed))
        .returning()
        .get()
      if (row) return { kind: 'done', shape: shapeOf(row) }
      const now = find(id)
      return now ? { kind: 'stale', now } : { kind: 'missing' }
    },
    /** False when there is no such shape. */
    remove: (id: number, at: Date): boolean =>
      db
        .update(keptShapes)
        .set({ deletedAt: at })
        .where(and(eq(keptShapes.id, id), listed))
        .run().changes === 1,
    /** Takes a deletion back. */
    restore(id: number): KeptShape | undefined {
      const row = db
        .update(keptShapes)
        .set({ deletedAt: null, version: sql`${keptShapes.version} + 1` })
        .where(and(eq(keptShapes.id, id), isNotNull(keptShapes.deletedAt)))
        .returning()
        .get()
      return row && shapeOf(row)
    },
  }
}

const shapeOf = (row: typeof keptShapes.$inferSelect): KeptShape => ({
  id: row.id,
  name: row.name,
  chord: row.chord,
  shape: row.shape,
  tuning: row.tuning,
  fingers: row.fingers,
  note: row.note,
  createdAt: row.createdAt.toISOString(),
  version: row.version,
})
