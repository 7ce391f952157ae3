/** The Book's shapes. Callers see `KeptShape`, never rows. */
import { and, asc, count, desc, eq, inArray, isNotNull, isNull, like, ne, type SQL, sql } from 'drizzle-orm'
import type {
  BookAsk,
  BookShapes,
  KeptShape,
  KeptShapeChange,
  KeptShapeDraft,
  ShapesChange,
} from '../contracts/shape.ts'
import { remember, rowsBefore } from './changes.ts'
import { type Outcome, outcomeOf, staleSince } from './outcome.ts'
import { keptShapes, tunes } from './schema.ts'
import type { Reader, Store } from './store.ts'

export type ShapeRepository = ReturnType<typeof createShapeRepository>

const listed = isNull(keptShapes.deletedAt)
/** The tune that a shape stands under: none while it is deleted. */
const underTune = sql<number | null>`${tunes.id}`
const joined = and(eq(tunes.id, keptShapes.tuneId), isNull(tunes.deletedAt))

/** Small letters, accidentals as they are typed: what is looked for is written the same way. */
export const plain = (words: string): string => words.toLowerCase().replaceAll('♭', 'b').replaceAll('♯', '#')

const searchOf = ({
  name,
  chord,
  frets,
  note,
  tags,
}: Pick<KeptShapeDraft, 'name' | 'chord' | 'frets' | 'note' | 'tags'>): string =>
  plain([name, chord, frets, note, ...tags].join(' '))

/** Texts are put in with care: `%` and `_` are signs of the pattern. */
const holding = (word: string): string => `%${word.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`

/** What a question means, as conditions on shapes joined with their tunes. Every word must be found, in the tune's name too. */
function meant({ find, tag, tune, tuning }: BookAsk): SQL | undefined {
  const words = plain(find).split(/\s+/).filter(Boolean)
  return and(
    listed,
    ...words.map(
      (word) =>
        sql`(${like(keptShapes.search, holding(word))} escape '\\' or lower(coalesce(${tunes.title}, '')) like ${holding(word)} escape '\\')`,
    ),
    tag === undefined ? undefined : sql`exists (select 1 from json_each(${keptShapes.tags}) where value = ${tag})`,
    tune === undefined ? undefined : tune === 'none' ? isNull(tunes.id) : eq(tunes.id, Number(tune)),
    tuning === undefined ? undefined : inArray(keptShapes.tuning, tuning.split(';')),
  )
}

/** Tunes that are meant without any of their shapes: by their names, where nothing is asked that only a shape has. */
function tunesMeant({ find, tag, tune, tuning }: BookAsk): SQL | undefined {
  const words = plain(find).split(/\s+/).filter(Boolean)
  return and(
    isNull(tunes.deletedAt),
    tag !== undefined || tuning !== undefined || tune === 'none' ? sql`0` : undefined,
    tune === undefined || tune === 'none' ? undefined : eq(tunes.id, Number(tune)),
    ...words.map((word) => sql`lower(${tunes.title}) like ${holding(word)} escape '\\'`),
  )
}

const ORDERS: Readonly<Record<BookAsk['by'], readonly SQL[]>> = {
  // Tunes as they were kept, what is in none last; in a tune as the shapes were kept.
  tune: [sql`${tunes.id} is null`, asc(tunes.createdAt), asc(tunes.id), asc(keptShapes.createdAt), asc(keptShapes.id)],
  chord: [sql`${keptShapes.chord} collate nocase`, asc(keptShapes.createdAt), asc(keptShapes.id)],
  newest: [desc(keptShapes.createdAt), desc(keptShapes.id)],
  name: [sql`${keptShapes.name} collate nocase`, asc(keptShapes.id)],
}

function find(id: number, within: Reader): KeptShape | undefined {
  const [row] = within
    .select({ shape: keptShapes, tune: underTune })
    .from(keptShapes)
    .leftJoin(tunes, joined)
    .where(and(eq(keptShapes.id, id), listed))
    .all()
  return row && shapeOf(row)
}

export function createShapeRepository({ read, write }: Store) {
  const query = (within: Reader) =>
    within.select({ shape: keptShapes, tune: underTune }).from(keptShapes).leftJoin(tunes, joined)
  const idsOf = (ask: BookAsk, within: Reader): readonly number[] =>
    within
      .select({ id: keptShapes.id })
      .from(keptShapes)
      .leftJoin(tunes, joined)
      .where(meant(ask))
      .all()
      .map(({ id }) => id)
  return {
    find: (id: number): KeptShape | undefined => find(id, read),
    /** Newest first, at most `limit`; `total` counts all. */
    list(limit: number): { readonly shapes: readonly KeptShape[]; readonly total: number } {
      const rows = query(read)
        .where(listed)
        .orderBy(...ORDERS.newest)
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(keptShapes).where(listed).get()?.total ?? 0
      return { shapes: rows.map(shapeOf), total }
    },
    /** A window of what is meant, and how many stand under each tune. */
    window(ask: BookAsk, from: number, most: number): BookShapes {
      const rows = query(read)
        .where(meant(ask))
        .orderBy(...ORDERS[ask.by])
        .limit(most)
        .offset(from)
        .all()
      // Grouped by what stands in the row: tunes need not be looked up for it.
      const counts = read
        .select({ tune: keptShapes.tuneId, count: count() })
        .from(keptShapes)
        .leftJoin(tunes, joined)
        .where(meant(ask))
        .groupBy(keptShapes.tuneId)
        .all()
      const total = counts.reduce((sum, group) => sum + group.count, 0)
      if (ask.by !== 'tune') return { total, from, shapes: rows.map(shapeOf), groups: [] }
      // A tune is there without a shape of its own too, where it is meant by its name.
      const named = read
        .select({ id: tunes.id })
        .from(tunes)
        .where(isNull(tunes.deletedAt))
        .orderBy(asc(tunes.createdAt), asc(tunes.id))
        .all()
      const there = new Set<number | null>(named.map(({ id }) => id))
      const counted = new Map<number | null, number>()
      for (const group of counts) {
        const under = there.has(group.tune) ? group.tune : null
        counted.set(under, (counted.get(under) ?? 0) + group.count)
      }
      const byName = new Set(
        read
          .select({ id: tunes.id })
          .from(tunes)
          .where(tunesMeant(ask))
          .all()
          .map(({ id }) => id),
      )
      const groups = named.flatMap(({ id }) => {
        const own = counted.get(id) ?? 0
        return own > 0 || byName.has(id) ? [{ tune: id, count: own }] : []
      })
      const inNone = counted.get(null)
      return {
        total,
        from,
        shapes: rows.map(shapeOf),
        groups: inNone === undefined ? groups : [...groups, { tune: null, count: inNone }],
      }
    },
    /** Every tag with how many shapes have it, the most used first. */
    tags: (): readonly { readonly tag: string; readonly count: number }[] =>
      read
        .select({ tag: sql<string>`t.value`, count: count() })
        .from(sql`${keptShapes}, json_each(${keptShapes.tags}) as t`)
        .where(listed)
        .groupBy(sql`t.value`)
        .orderBy(desc(count()), sql`t.value`)
        .all(),
    /** Others that are the same shape in the same tuning. */
    same: ({ id, frets, tuning }: Pick<KeptShape, 'id' | 'frets' | 'tuning'>) =>
      read
        .select({ id: keptShapes.id, name: keptShapes.name })
        .from(keptShapes)
        .where(and(eq(keptShapes.frets, frets), eq(keptShapes.tuning, tuning), ne(keptShapes.id, id), listed))
        .limit(5)
        .all(),
    add: (draft: KeptShapeDraft, at: Date): KeptShape =>
      write((within) => {
        const { tune, ...own } = draft
        const [row] = within
          .insert(keptShapes)
          .values({ ...own, tuneId: tune, search: searchOf(draft), createdAt: at, updatedAt: at })
          .returning({ id: keptShapes.id })
          .all()
        return find(row?.id ?? 0, within) as KeptShape
      }),
    change: (id: number, { version, tune, ...change }: KeptShapeChange, at: Date): Outcome<KeptShape> =>
      write((within) => {
        const now = find(id, within)
        if (!now) return { kind: 'missing' }
        if (now.version !== version) return { kind: 'stale', now }
        const { name = now.name, note = now.note, tags = now.tags } = change
        const next = { ...now, name, note, tags }
        within
          .update(keptShapes)
          .set({
            name,
            note,
            tags,
            search: searchOf(next),
            updatedAt: at,
            version: version + 1,
            ...(tune === undefined ? {} : { tuneId: tune }),
          })
          .where(eq(keptShapes.id, id))
          .run()
        return { kind: 'done', value: find(id, within) as KeptShape }
      }),
    /** @param seen Its version as it was seen; without it whatever is there is deleted. */
    remove: (id: number, at: Date, seen?: number): Outcome<KeptShape | undefined> =>
      write(
        (within) =>
          staleSince(find(id, within), seen) ??
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
        const { changes } = within
          .update(keptShapes)
          .set({ deletedAt: null, version: sql`${keptShapes.version} + 1` })
          .where(and(eq(keptShapes.id, id), isNotNull(keptShapes.deletedAt)))
          .run()
        return changes === 1 ? { kind: 'done', value: find(id, within) as KeptShape } : { kind: 'missing' }
      }),
    /** Many at once, in one step that can be taken back. `undo` is its number. */
    changeMany: ({ ids, all, act }: ShapesChange, words: (count: number) => string, at: Date) =>
      write((within) => {
        const wanted = all ? idsOf(all, within) : (ids ?? [])
        const before = rowsBefore(within, 'shapes', wanted).filter((row) => row['deletedAt'] === null)
        for (const row of before) {
          const own = row as unknown as Row
          const tags =
            act.kind === 'tag'
              ? [...new Set([...own.tags, act.tag])]
              : act.kind === 'untag'
                ? own.tags.filter((tag) => tag !== act.tag)
                : own.tags
          within
            .update(keptShapes)
            .set({
              version: own.version + 1,
              updatedAt: at,
              ...(act.kind === 'delete' ? { deletedAt: at } : {}),
              ...(act.kind === 'move' ? { tuneId: act.tune } : {}),
              ...(tags === own.tags ? {} : { tags: [...tags], search: searchOf({ ...own, tags: [...tags] }) }),
            })
            .where(eq(keptShapes.id, own.id))
            .run()
        }
        const undo =
          before.length === 0
            ? undefined
            : remember(within, words(before.length), [{ table: 'shapes', before, added: [] }], at)
        return { changed: before.length, undo }
      }),
  }
}

type Row = typeof keptShapes.$inferSelect

const shapeOf = ({ shape: row, tune }: { readonly shape: Row; readonly tune: number | null }): KeptShape => ({
  id: row.id,
  name: row.name,
  chord: row.chord,
  frets: row.frets,
  tuning: row.tuning,
  fingers: row.fingers,
  note: row.note,
  tune,
  tags: [...row.tags],
  createdAt: row.createdAt.toISOString(),
  version: row.version,
})
