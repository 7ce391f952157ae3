/** Functions that a migration calls: what earlier forms kept of tunes, brought up to the form that `schema.ts` has now. */
import { tuneOfEarlier } from '@nestling/core/tune'
import type Sqlite from 'better-sqlite3'

const parse = (query: string) => new URLSearchParams(query)
const now = (row: unknown): unknown => tuneOfEarlier(row, parse)

/** What is damaged comes out as it was: it keeps nothing else from being brought up, and is set aside when tables are read. */
function orAsItWas(change: () => unknown, was: string): string {
  try {
    return JSON.stringify(change())
  } catch {
    return was
  }
}

export function giveToMigrations(sqlite: Sqlite.Database): void {
  sqlite.function('tune_of_earlier', { deterministic: true }, (query, chords) =>
    orAsItWas(() => {
      const { tune } = now({ query, chords: JSON.parse(String(chords)) as unknown }) as { readonly tune: unknown }
      return tune
    }, `${query} ${chords}`),
  )
  sqlite.function('steps_of_earlier', { deterministic: true }, (steps) =>
    orAsItWas(() => {
      const all = JSON.parse(String(steps)) as readonly {
        readonly table: string
        readonly before: readonly unknown[]
      }[]
      return all.map((step) => (step.table === 'tunes' ? { ...step, before: step.before.map(now) } : step))
    }, String(steps)),
  )
}
