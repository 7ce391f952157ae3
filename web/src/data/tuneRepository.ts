/** Tunes that are kept. Callers see texts, never rows. */
import { and, count, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import type { KeptTune, TuneChange, TuneDraft } from '../contracts/tune.ts'
import { type Outcome, outcomeOf, staleSince } from './outcome.ts'
import { tunes } from './schema.ts'
import type { Store } from './store.ts'

type Row = typeof tunes.$inferSelect

const listed = isNull(tunes.deletedAt)
const one = (id: number) => and(eq(tunes.id, id), listed)

export type TuneRepository = ReturnType<typeof createTuneRepository>

export function createTuneRepository({ read, write }: Store) {
  return {
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly tunes: readonly KeptTune[]; readonly total: number } {
      const rows = read
        .select()
        .from(tunes)
        .where(listed)
        .orderBy(desc(tunes.createdAt), desc(tunes.id))
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(tunes).where(listed).get()?.total ?? 0
      return { tunes: rows.map(tuneOf), total }
    },
    find(id: number): KeptTune | undefined {
      const row = read.select().from(tunes).where(one(id)).get()
      return row && tuneOf(row)
    },
    /** One that can still be brought back. */
    findDeleted(id: number): KeptTune | undefined {
      const row = read
        .select()
        .from(tunes)
        .where(and(eq(tunes.id, id), isNotNull(tunes.deletedAt)))
        .get()
      return row && tuneOf(row)
    },
    add: (draft: TuneDraft, at: Date): KeptTune =>
      write((within) =>
        tuneOf(
          within
            .insert(tunes)
            .values({ ...draft, createdAt: at })
            .returning()
            .get(),
        ),
      ),
    replace: (id: number, { version, ...draft }: TuneChange): Outcome<KeptTune> =>
      write((within) => {
        const now = within.select().from(tunes).where(one(id)).get()
        if (!now) return { kind: 'missing' }
        if (now.version !== version) return { kind: 'stale', now: tuneOf(now) }
        const row = within
          .update(tunes)
          .set({ ...draft, version: version + 1 })
          .where(one(id))
          .returning()
          .get()
        return row ? { kind: 'done', value: tuneOf(row) } : { kind: 'missing' }
      }),
    /** @param seen Its version as it was seen; without it whatever is there is deleted. */
    remove: (id: number, at: Date, seen?: number): Outcome<KeptTune | undefined> =>
      write(
        (within) =>
          staleSince(within.select().from(tunes).where(one(id)).all().map(tuneOf)[0], seen) ??
          outcomeOf(within.update(tunes).set({ deletedAt: at }).where(one(id)).run()),
      ),
    /** Takes a deletion back. */
    restore: (id: number): Outcome<KeptTune> =>
      write((within) => {
        const row = within
          .update(tunes)
          .set({ deletedAt: null })
          .where(and(eq(tunes.id, id), isNotNull(tunes.deletedAt)))
          .returning()
          .get()
        return row ? { kind: 'done', value: tuneOf(row) } : { kind: 'missing' }
      }),
  }
}

const tuneOf = ({ id, title, tune, remarks, version, createdAt }: Row): KeptTune => ({
  id,
  title,
  tune,
  remarks,
  version,
  createdAt: createdAt.toISOString(),
})
