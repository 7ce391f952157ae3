/** Practice: what is practised, cards with their schedules, and the log of attempts. Callers see texts, never rows. */
import { WEAK_LOOKS_BACK, weakOf } from '@nestling/core/practice'
import { and, asc, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type {
  AttemptChange,
  AttemptDraft,
  CardsDraft,
  DueCard,
  KeptAttempt,
  KeptAttemptAnswer,
  LogAsk,
} from '../contracts/practice.ts'
import { askedFor, classOf, daysIn, homeIn, newestIn, ownIn, tempoIn } from './logCounts.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { isLost, isNew, scheduleOf } from './schedule.ts'
import { practiceAttempts, practiceCards, practiceMaterials, practiceRuns } from './schema.ts'
import type { Reader, Store, Writer } from './store.ts'

export type PracticeRepository = ReturnType<typeof createPracticeRepository>

/** An attempt with what is made of it: the shape without its place. */
export type FormedAttempt = AttemptDraft & { readonly form: string }

export interface ListedCard extends Omit<DueCard, 'due'> {
  readonly dueAt: number
}

/** Of one shape on one root; all are in the file. */
const MOST_OWN = 60

type Row = typeof practiceAttempts.$inferSelect
const listed = isNull(practiceAttempts.deletedAt)
const one = (id: string) => and(eq(practiceAttempts.id, id), listed)
/** The same question on another tuning is another card. */
const cardIdOf = (card: string, tuning: string): string => `${card}@${tuning}`

export function createPracticeRepository({ read, write }: Store) {
  return {
    /** Cards that are there already stay as they are. @returns How many are new. */
    addCards: ({ material, title, tuning, cards }: CardsDraft, at: Date): number =>
      write((within) => {
        const materialId = materialIn(within, { text: material, title, tuning }, at)
        const createdAt = at.getTime()
        let added = 0
        for (const card of cards) {
          const fresh = {
            ...scheduleOf(createdAt, []),
            id: cardIdOf(card, tuning),
            card,
            tuning,
            materialId,
            createdAt,
          }
          added += within.insert(practiceCards).values(fresh).onConflictDoNothing().run().changes
        }
        return added
      }),
    cards(): readonly ListedCard[] {
      const rows = read
        .select({ card: practiceCards, material: practiceMaterials.text, title: practiceMaterials.title })
        .from(practiceCards)
        .innerJoin(practiceMaterials, eq(practiceMaterials.id, practiceCards.materialId))
        .orderBy(asc(practiceCards.dueAt), asc(practiceCards.id))
        .all()
      return rows.map(({ card, material, title }) => ({
        id: card.id,
        card: card.card,
        tuning: card.tuning,
        material,
        title,
        dueAt: card.dueAt,
        isNew: isNew(card),
        isLost: isLost(card),
        times: card.reps,
      }))
    },
    /** How often this very shape was played, how quickly it was had, and when last. */
    playedShape({ frets, tuning }: { readonly frets: string; readonly tuning: string }) {
      const [row] = read
        .select({
          times: count(),
          clean: sql<
            number | null
          >`max(case when ${practiceAttempts.grade} in ('had', 'easy') and ${practiceAttempts.tempo} > 0 then ${practiceAttempts.tempo} end)`,
          last: sql<string | null>`max(${practiceAttempts.day})`,
        })
        .from(practiceAttempts)
        .where(
          and(
            eq(practiceAttempts.frets, frets),
            eq(practiceAttempts.tuning, tuning),
            isNull(practiceAttempts.deletedAt),
          ),
        )
        .all()
      return row ?? { times: 0, clean: null, last: null }
    },
    /** How many cards were answered on a day, and how many of them for the first time. */
    answeredOn(day: string): { readonly cards: number; readonly newCards: number } {
      const first = read
        .select({ id: practiceAttempts.cardId, day: sql<string>`min(${practiceAttempts.day})` })
        .from(practiceAttempts)
        .where(and(eq(practiceAttempts.kind, 'card'), listed))
        .groupBy(practiceAttempts.cardId)
        .having(sql`max(${practiceAttempts.day}) >= ${day}`)
        .all()
      const today = read
        .selectDistinct({ id: practiceAttempts.cardId })
        .from(practiceAttempts)
        .where(and(eq(practiceAttempts.kind, 'card'), eq(practiceAttempts.day, day), listed))
        .all()
      return { cards: today.length, newCards: first.filter((card) => card.day === day).length }
    },
    /** Kept once, however often it is sent; `isNew` tells. Its card is scheduled with it. */
    record: (attempt: FormedAttempt, at: Date): { readonly value: KeptAttemptAnswer; readonly isNew: boolean } =>
      write((within) => {
        const known = within.select().from(practiceAttempts).where(eq(practiceAttempts.id, attempt.id)).get()
        if (known) return { value: { attempt: attemptOf(known), due: dueOf(within, known.cardId) }, isNew: false }
        const row = added(within, attempt, at)
        reschedule(within, row.cardId)
        return { value: { attempt: attemptOf(row), due: dueOf(within, row.cardId) }, isNew: true }
      }),
    /** A whole log that nobody has yet; its cards are scheduled once. */
    recordAll: (attempts: readonly FormedAttempt[], at: Date): void =>
      write((within) => {
        const cards = new Set(attempts.map((attempt) => added(within, attempt, at).cardId))
        for (const cardId of cards) reschedule(within, cardId)
      }),
    correct: (id: string, { version, ...changes }: AttemptChange): Outcome<KeptAttempt> =>
      write((within) => {
        const now = within.select().from(practiceAttempts).where(one(id)).get()
        if (!now) return { kind: 'missing' }
        if (now.version !== version) return { kind: 'stale', now: attemptOf(now) }
        const row = within
          .update(practiceAttempts)
          .set({ ...changes, ...(changes.grade ? { judge: 'player' as const } : {}), version: version + 1 })
          .where(one(id))
          .returning()
          .get()
        if (!row) return { kind: 'missing' }
        reschedule(within, row.cardId)
        return { kind: 'done', value: attemptOf(row) }
      }),
    remove: (id: string, at: Date): Outcome<undefined> =>
      write((within) => {
        const cardId = within.select().from(practiceAttempts).where(one(id)).get()?.cardId ?? null
        const outcome = outcomeOf(within.update(practiceAttempts).set({ deletedAt: at.getTime() }).where(one(id)).run())
        reschedule(within, cardId)
        return outcome
      }),
    /** Takes a deletion back. */
    restore: (id: string): Outcome<KeptAttempt> =>
      write((within) => {
        const row = within
          .update(practiceAttempts)
          .set({ deletedAt: null })
          .where(and(eq(practiceAttempts.id, id), isNotNull(practiceAttempts.deletedAt)))
          .returning()
          .get()
        if (!row) return { kind: 'missing' }
        reschedule(within, row.cardId)
        return { kind: 'done', value: attemptOf(row) }
      }),
    /** The newest first, at most `limit`; `total` counts all. */
    list(ask: LogAsk, limit: number): { readonly entries: readonly KeptAttempt[]; readonly total: number } {
      const asked = askedFor(ask)
      const rows = read
        .select()
        .from(practiceAttempts)
        .where(asked)
        .orderBy(desc(practiceAttempts.at), desc(practiceAttempts.id))
        .limit(limit)
        .all()
      const total = read.select({ total: count() }).from(practiceAttempts).where(asked).get()?.total ?? 0
      return { entries: rows.map(attemptOf), total }
    },
    /** What the logbook shows, days of rest aside: `row` and `root` are those that were played most where they are not given. */
    counts(ask: LogAsk, wanted: { readonly row?: string | undefined; readonly root?: number | undefined }) {
      const rows = homeIn(read, ask)
      const row = rows.find(({ key }) => key === wanted.row) ?? rows[0]
      const played = row?.cells.findIndex((cell) => cell !== null) ?? -1
      const root = wanted.root ?? Math.max(0, played)
      const own = row ? ownIn(read, ask, row, root, MOST_OWN) : { rows: [], total: 0 }
      const total = read.select({ total: count() }).from(practiceAttempts).where(askedFor(ask)).get()?.total ?? 0
      return {
        rows,
        row: row?.key,
        root,
        days: daysIn(read, ask),
        tempo: row ? tempoIn(read, ask, row, root) : [],
        weak: weakOf(newestIn(read, ask, WEAK_LOOKS_BACK).map((one) => ({ ...one, root: classOf(one.root) ?? null }))),
        own: own.rows.map(attemptOf),
        ownTotal: own.total,
        total,
      }
    },
    /** What can be filtered by: instruments that were played, and materials with their titles. */
    filters() {
      const instruments = read
        .selectDistinct({ name: practiceAttempts.instrument })
        .from(practiceAttempts)
        .where(listed)
        .all()
      const materials = read
        .select({ text: practiceAttempts.material, times: count() })
        .from(practiceAttempts)
        .where(and(listed, eq(practiceAttempts.kind, 'run')))
        .groupBy(practiceAttempts.material)
        .orderBy(desc(count()), asc(practiceAttempts.material))
        .all()
      return {
        instruments: instruments.flatMap(({ name }) => (name === '' ? [] : [name])),
        materials: materials.map(({ text }) => text),
      }
    },
  }
}

function materialIn(
  within: Writer,
  { text, title, tuning }: { readonly text: string; readonly title: string; readonly tuning: string },
  at: Date,
): number {
  const wanted = and(eq(practiceMaterials.text, text), eq(practiceMaterials.tuning, tuning))
  const there = within.select({ id: practiceMaterials.id }).from(practiceMaterials).where(wanted).get()
  if (there) return there.id
  return within
    .insert(practiceMaterials)
    .values({ text, title, tuning, createdAt: at })
    .returning({ id: practiceMaterials.id })
    .get().id
}

/** The row of an attempt that is not there yet, and its run's. */
function added(within: Writer, attempt: FormedAttempt, now: Date): Row {
  const { run, card, at, ...rest } = attempt
  if (run) {
    const materialId = materialIn(within, { text: attempt.material, title: run.title, tuning: attempt.tuning }, now)
    const { id, query, startedAt } = run
    within
      .insert(practiceRuns)
      .values({ id, query, materialId, startedAt: new Date(startedAt) })
      .onConflictDoNothing()
      .run()
  }
  const cardId = card === '' ? null : cardIdOf(card, attempt.tuning)
  return within
    .insert(practiceAttempts)
    .values({ ...rest, at: Date.parse(at), runId: run?.id ?? null, cardId })
    .returning()
    .get()
}

/** A card's schedule anew, from all its answers. */
function reschedule(within: Writer, cardId: string | null): void {
  if (cardId === null) return
  const card = within.select().from(practiceCards).where(eq(practiceCards.id, cardId)).get()
  if (!card) return
  const answers = within
    .select({ at: practiceAttempts.at, grade: practiceAttempts.grade })
    .from(practiceAttempts)
    .where(and(eq(practiceAttempts.cardId, cardId), listed))
    .all()
    .flatMap(({ at, grade }) => (grade === 'played' ? [] : [{ at, grade }]))
  within.update(practiceCards).set(scheduleOf(card.createdAt, answers)).where(eq(practiceCards.id, cardId)).run()
}

function dueOf(within: Reader, cardId: string | null): string | null {
  if (cardId === null) return null
  const card = within
    .select({ dueAt: practiceCards.dueAt })
    .from(practiceCards)
    .where(eq(practiceCards.id, cardId))
    .get()
  return card ? new Date(card.dueAt).toISOString() : null
}

function attemptOf({ at, runId, cardId, deletedAt: _, ...row }: Row): KeptAttempt {
  return { ...row, at: new Date(at).toISOString(), run: runId, card: cardId?.split('@')[0] ?? '' }
}
