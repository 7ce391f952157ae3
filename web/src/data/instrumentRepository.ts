/** The player's instruments. */
import { type Instrument, readTuning, writeTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { and, asc, eq } from 'drizzle-orm'
import type { KeptInstrument } from '../contracts/instrument.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { instruments } from './schema.ts'
import type { Store } from './store.ts'

type Row = typeof instruments.$inferSelect

export type InstrumentRepository = ReturnType<typeof createInstrumentRepository>

export function createInstrumentRepository({ read, write }: Store) {
  return {
    list: (): readonly KeptInstrument[] =>
      read.select().from(instruments).orderBy(asc(instruments.id)).all().map(instrumentOf),
    find(id: number): KeptInstrument | undefined {
      const row = read.select().from(instruments).where(eq(instruments.id, id)).get()
      return row && instrumentOf(row)
    },
    add: (instrument: Instrument): Outcome<KeptInstrument> =>
      write((within) => {
        const row = within.insert(instruments).values(instrumentRow(instrument)).onConflictDoNothing().returning().get()
        return row ? { kind: 'done', value: instrumentOf(row) } : { kind: 'name-taken' }
      }),
    edit: (id: number, instrument: Instrument, version: number): Outcome<KeptInstrument> =>
      write((within) => {
        const twin = within.select().from(instruments).where(eq(instruments.name, instrument.name)).get()
        if (twin && twin.id !== id) return { kind: 'name-taken' }
        const row = within
          .update(instruments)
          .set({ ...instrumentRow(instrument), version: version + 1 })
          .where(and(eq(instruments.id, id), eq(instruments.version, version)))
          .returning()
          .get()
        if (row) return { kind: 'done', value: instrumentOf(row) }
        const now = within.select().from(instruments).where(eq(instruments.id, id)).get()
        return now ? { kind: 'stale', now: instrumentOf(now) } : { kind: 'missing' }
      }),
    remove: (id: number): Outcome<undefined> =>
      write((within) => outcomeOf(within.delete(instruments).where(eq(instruments.id, id)).run())),
  }
}

export const instrumentRow = ({ tuning, capo, ...rest }: Instrument) => ({
  ...rest,
  tuningName: tuning.name,
  tuning: writeTuning(tuning),
  capoFret: capo?.fret ?? null,
  capoStrings: capo === undefined ? null : capo.strings === 'all' ? 'all' : capo.strings.join(','),
})

export function instrumentOf({ tuningName, tuning, capoFret, capoStrings, ...rest }: Row): KeptInstrument {
  const strings = capoStrings === 'all' || capoStrings === null ? 'all' : capoStrings.split(',').map(Number)
  return {
    ...rest,
    tuning: must(readTuning(tuning, { name: tuningName })),
    ...(capoFret === null ? {} : { capo: { fret: capoFret, strings } }),
  }
}
