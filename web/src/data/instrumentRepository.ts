/** The player's instruments. */
import { type Instrument, readTuning, writeTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { and, asc, eq } from 'drizzle-orm'
import type { KeptInstrument } from '../contracts/instrument.ts'
import type { Database } from './database.ts'
import { instruments } from './schema.ts'

type Row = typeof instruments.$inferSelect

export type EditOutcome =
  | { readonly kind: 'done'; readonly instrument: KeptInstrument }
  | { readonly kind: 'missing' }
  | { readonly kind: 'name-taken' }
  /** Changed on another page meanwhile; `now` is what it is. */
  | { readonly kind: 'stale'; readonly now: KeptInstrument }

export type InstrumentRepository = ReturnType<typeof createInstrumentRepository>

export function createInstrumentRepository(db: Database) {
  return {
    list: (): readonly KeptInstrument[] =>
      db.select().from(instruments).orderBy(asc(instruments.id)).all().map(instrumentOf),
    find(id: number): KeptInstrument | undefined {
      const row = db.select().from(instruments).where(eq(instruments.id, id)).get()
      return row && instrumentOf(row)
    },
    /** `undefined` when there is one of this name already. */
    add(instrument: Instrument): KeptInstrument | undefined {
      const row = db.insert(instruments).values(rowOf(instrument)).onConflictDoNothing().returning().get()
      return row && instrumentOf(row)
    },
    edit(id: number, instrument: Instrument, version: number): EditOutcome {
      const twin = db.select().from(instruments).where(eq(instruments.name, instrument.name)).get()
      if (twin && twin.id !== id) return { kind: 'name-taken' }
      const row = db
        .update(instruments)
        .set({ ...rowOf(instrument), version: version + 1 })
        .where(and(eq(instruments.id, id), eq(instruments.version, version)))
        .returning()
        .get()
      if (row) return { kind: 'done', instrument: instrumentOf(row) }
      const now = db.select().from(instruments).where(eq(instruments.id, id)).get()
      return now ? { kind: 'stale', now: instrumentOf(now) } : { kind: 'missing' }
    },
    /** False when there is no such instrument. */
    remove: (id: number): boolean => db.delete(instruments).where(eq(instruments.id, id)).run().changes === 1,
    /** Adds it unless there is one of this name. */
    addIfMissing: (instrument: Instrument): void => {
      db.insert(instruments).values(rowOf(instrument)).onConflictDoNothing({ target: instruments.name }).run()
    },
  }
}

const rowOf = ({ tuning, capo, ...rest }: Instrument) => ({
  ...rest,
  tuningName: tuning.name,
  tuning: writeTuning(tuning),
  capoFret: capo?.fret ?? null,
  capoStrings: capo === undefined ? null : capo.strings === 'all' ? 'all' : capo.strings.join(','),
})

function instrumentOf({ tuningName, tuning, capoFret, capoStrings, ...rest }: Row): KeptInstrument {
  const strings = capoStrings === 'all' || capoStrings === null ? 'all' : capoStrings.split(',').map(Number)
  return {
    ...rest,
    tuning: must(readTuning(tuning, { name: tuningName })),
    ...(capoFret === null ? {} : { capo: { fret: capoFret, strings } }),
  }
}
