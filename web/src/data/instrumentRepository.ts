/** The player's instruments. */
import { type Instrument, readTuning, writeTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { asc, eq } from 'drizzle-orm'
import type { KeptInstrument } from '../contracts/instrument.ts'
import type { Database } from './database.ts'
import { instruments } from './schema.ts'

type Row = typeof instruments.$inferSelect

export type InstrumentRepository = ReturnType<typeof createInstrumentRepository>

export function createInstrumentRepository(db: Database) {
  return {
    list: (): readonly KeptInstrument[] =>
      db.select().from(instruments).orderBy(asc(instruments.id)).all().map(instrumentOf),
    find(id: number): KeptInstrument | undefined {
      const row = db.select().from(instruments).where(eq(instruments.id, id)).get()
      return row && instrumentOf(row)
    },
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
