/** Sheets that are kept. Callers see `KeptSheet`, never rows. */
import { and, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { KeptSheet, SheetChange, SheetDraft } from '../contracts/sheet.ts'
import { type Outcome, outcomeOf, staleSince } from './outcome.ts'
import { sheets } from './schema.ts'
import type { Reader, Store } from './store.ts'

const listed = isNull(sheets.deletedAt)
const one = (id: number) => and(eq(sheets.id, id), listed)

export type SheetRepository = ReturnType<typeof createSheetRepository>

function find(id: number, within: Reader): KeptSheet | undefined {
  const [row] = within.select().from(sheets).where(one(id)).all()
  return row && sheetOf(row)
}

export function createSheetRepository({ read, write }: Store) {
  return {
    find: (id: number): KeptSheet | undefined => find(id, read),
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly sheets: readonly KeptSheet[]; readonly total: number } {
      const rows = read
        .select()
        .from(sheets)
        .where(listed)
        .orderBy(desc(sheets.createdAt), desc(sheets.id))
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(sheets).where(listed).get()?.total ?? 0
      return { sheets: rows.map(sheetOf), total }
    },
    add: ({ title, ...body }: SheetDraft, at: Date): KeptSheet =>
      write((within) => {
        const [row] = within.insert(sheets).values({ title, body, createdAt: at }).returning().all()
        return sheetOf(row as Row)
      }),
    replace: (id: number, { version, title, ...body }: SheetChange): Outcome<KeptSheet> =>
      write((within) => {
        const now = find(id, within)
        if (!now) return { kind: 'missing' }
        if (now.version !== version) return { kind: 'stale', now }
        within
          .update(sheets)
          .set({ title, body, version: version + 1 })
          .where(one(id))
          .run()
        return { kind: 'done', value: find(id, within) as KeptSheet }
      }),
    /** @param seen Its version as it was seen; without it whatever is there is deleted. */
    remove: (id: number, at: Date, seen?: number): Outcome<KeptSheet | undefined> =>
      write(
        (within) =>
          staleSince(find(id, within), seen) ??
          outcomeOf(within.update(sheets).set({ deletedAt: at }).where(one(id)).run()),
      ),
    /** Takes a deletion back; an edit made before it is stale. */
    restore: (id: number): Outcome<KeptSheet> =>
      write((within) => {
        const { changes } = within
          .update(sheets)
          .set({ deletedAt: null, version: sql`${sheets.version} + 1` })
          .where(and(eq(sheets.id, id), isNotNull(sheets.deletedAt)))
          .run()
        return changes === 1 ? { kind: 'done', value: find(id, within) as KeptSheet } : { kind: 'missing' }
      }),
  }
}

type Row = typeof sheets.$inferSelect
const sheetOf = ({ id, title, body, version, createdAt }: Row): KeptSheet => ({
  ...body,
  id,
  title,
  version,
  createdAt: createdAt.toISOString(),
})
