/** What was deleted from the Book and can still be brought back: shapes, tunes, sets, sheets, the newest first. */
import { and, desc, eq, isNotNull } from 'drizzle-orm'
import { DELETED_LISTED, type DeletedThing } from '../contracts/book.ts'
import { keptShapes, progressions, sheets, tunes } from './schema.ts'
import type { Store } from './store.ts'

export type DeletedRepository = ReturnType<typeof createDeletedRepository>

export function createDeletedRepository({ read }: Pick<Store, 'read'>) {
  return {
    /** At most as many as are listed. */
    list(): readonly DeletedThing[] {
      const shapes = read
        .select({ id: keptShapes.id, title: keptShapes.name, at: keptShapes.deletedAt })
        .from(keptShapes)
        .where(isNotNull(keptShapes.deletedAt))
        .orderBy(desc(keptShapes.deletedAt))
        .limit(DELETED_LISTED)
        .all()
      const others = (
        [
          ['tune', tunes],
          ['sheet', sheets],
        ] as const
      ).flatMap(([kind, table]) =>
        read
          .select({ id: table.id, title: table.title, at: table.deletedAt })
          .from(table)
          .where(isNotNull(table.deletedAt))
          .orderBy(desc(table.deletedAt))
          .limit(DELETED_LISTED)
          .all()
          .map((row) => ({ kind, ...row })),
      )
      const sets = read
        .select({ id: progressions.id, title: progressions.title, at: progressions.deletedAt })
        .from(progressions)
        .where(and(eq(progressions.role, 'kept'), isNotNull(progressions.deletedAt)))
        .orderBy(desc(progressions.deletedAt))
        .limit(DELETED_LISTED)
        .all()
      return [
        ...shapes.map((row) => ({ kind: 'shape' as const, ...row })),
        ...others,
        ...sets.map((row) => ({ kind: 'set' as const, ...row })),
      ]
        .flatMap(({ at, ...thing }) => (at === null ? [] : [{ ...thing, at: at.toISOString() }]))
        .toSorted((a, b) => b.at.localeCompare(a.at))
        .slice(0, DELETED_LISTED)
    },
  }
}
