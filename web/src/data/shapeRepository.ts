/** The Book's shapes. Callers see `KeptShape`, never rows. */
import { and, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { KeptShape, KeptShapeDraft, KeptShapeRename } from '../contracts/shape.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { keptShapes } from './schema.ts'
import type { Reader, Store } from './store.ts'

export type ShapeRepository = ReturnType<typeof createShapeRepository>

const listed = isNull(keptShapes.deletedAt)

function find(id: number, within: Reader): KeptShape | undefined {
  const row = within
    .select()
    .from(keptShapes)
    .where(and(eq(keptShapes.id, id), listed))
    .get()
  return row && shapeOf(row)
}

export function createShapeRepository({ read, write }: Store) {
  return {
    find: (id: number): KeptShape | undefined => find(id, read),
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly shapes: readonly KeptShape[]; readonly total: number } {
      const rows = read
        .select()
        .from(keptShapes)
        .where(listed)
        .orderBy(desc(keptShapes.createdAt), desc(keptShapes.id))
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(keptShapes).where(listed).get()?.total ?? 0
      return { shapes: rows.map(shapeOf), total }
    },
    add: (draft: KeptShapeDraft, at: Date): KeptShape =>
      write((within) =>
        shapeOf(
          within
            .insert(keptShapes)
            .values({ ...draft, createdAt: at, updatedAt: at })
            .returning()
            .get(),
        ),
      ),
    rename: (id: number, { name, version }: KeptShapeRename, at: Date): Outcome<KeptShape> =>
      write((within) => {
        const row = within
          .update(keptShapes)
          .set({ name, updatedAt: at, version: version + 1 })
          .where(and(eq(keptShapes.id, id), eq(keptShapes.version, version), listed))
          .returning()
          .get()
        if (row) return { kind: 'done', value: shapeOf(row) }
        const now = find(id, within)
        return now ? { kind: 'stale', now } : { kind: 'missing' }
      }),
    remove: (id: number, at: Date): Outcome<undefined> =>
      write((within) =>
        outcomeOf(
          within
            .update(keptShapes)
            .set({ deletedAt: at })
            .where(and(eq(keptShapes.id, id), listed))
            .run(),
        ),
      ),
    /** Takes a deletion back; that is a change too, so an edit made before it is stale. */
    restore: (id: number): Outcome<KeptShape> =>
      write((within) => {
        const row = within
          .update(keptShapes)
          .set({ deletedAt: null, version: sql`${keptShapes.version} + 1` })
          .where(and(eq(keptShapes.id, id), isNotNull(keptShapes.deletedAt)))
          .returning()
          .get()
        return row ? { kind: 'done', value: shapeOf(row) } : { kind: 'missing' }
      }),
  }
}

const shapeOf = (row: typeof keptShapes.$inferSelect): KeptShape => ({
  id: row.id,
  name: row.name,
  chord: row.chord,
  frets: row.frets,
  tuning: row.tuning,
  fingers: row.fingers,
  note: row.note,
  createdAt: row.createdAt.toISOString(),
  version: row.version,
})
