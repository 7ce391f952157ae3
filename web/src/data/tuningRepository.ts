/** Tunings of the player's own. */
import { readTuning, type Tuning, writeTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { asc, eq } from 'drizzle-orm'
import type { OwnTuning } from '../contracts/instrument.ts'
import type { Database } from './database.ts'
import { ownTunings } from './schema.ts'

export type TuningRepository = ReturnType<typeof createTuningRepository>

export function createTuningRepository(db: Database) {
  return {
    list: (): readonly OwnTuning[] => db.select().from(ownTunings).orderBy(asc(ownTunings.name)).all().map(tuningOf),
    /** `undefined` when there is one of this name already. */
    add(tuning: Tuning): OwnTuning | undefined {
      const values = { name: tuning.name, tuning: writeTuning(tuning) }
      const row = db.insert(ownTunings).values(values).onConflictDoNothing().returning().get()
      return row && tuningOf(row)
    },
    /** False when there is no such tuning. */
    remove: (id: number): boolean => db.delete(ownTunings).where(eq(ownTunings.id, id)).run().changes === 1,
  }
}

const tuningOf = ({ id, name, tuning }: typeof ownTunings.$inferSelect): OwnTuning => ({
  ...must(readTuning(tuning, { name })),
  id,
})
