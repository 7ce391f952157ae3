/** Tunings of the player's own. */
import { readTuning, type Tuning, writeTuning } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { asc, eq } from 'drizzle-orm'
import type { OwnTuning } from '../contracts/instrument.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import { ownTunings } from './schema.ts'
import type { Store } from './store.ts'

export type TuningRepository = ReturnType<typeof createTuningRepository>

export function createTuningRepository({ read, write }: Store) {
  return {
    list: (): readonly OwnTuning[] => read.select().from(ownTunings).orderBy(asc(ownTunings.name)).all().map(tuningOf),
    add: (tuning: Tuning): Outcome<OwnTuning> =>
      write((within) => {
        const values = { name: tuning.name, tuning: writeTuning(tuning) }
        const row = within.insert(ownTunings).values(values).onConflictDoNothing().returning().get()
        return row ? { kind: 'done', value: tuningOf(row) } : { kind: 'name-taken' }
      }),
    remove: (id: number): Outcome<undefined> =>
      write((within) => outcomeOf(within.delete(ownTunings).where(eq(ownTunings.id, id)).run())),
  }
}

const tuningOf = ({ id, name, tuning }: typeof ownTunings.$inferSelect): OwnTuning => ({
  ...must(readTuning(tuning, { name })),
  id,
})
