/** The player's settings, one row each. */
import { inArray, sql } from 'drizzle-orm'
import * as v from 'valibot'
import { changedSince, DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { Settings } from '../contracts/settingsSchema.ts'
import type { Outcome } from './outcome.ts'
import { settings } from './schema.ts'
import type { Reader, Store } from './store.ts'

type Changes = Partial<Settings>

export type SettingsRepository = ReturnType<typeof createSettingsRepository>

/** A value of another version is at its default; what else was chosen stays. */
function readSettings(within: Reader): Settings {
  const kept = new Map(
    within
      .select()
      .from(settings)
      .all()
      .map(({ key, value }) => [key, value]),
  )
  const readable = Object.entries(Settings.entries).flatMap(([key, schema]) => {
    const read = kept.has(key) ? v.safeParse(schema, kept.get(key)) : undefined
    return read?.success ? [[key, read.output]] : []
  })
  return { ...DEFAULT_SETTINGS, ...Object.fromEntries(readable) }
}

export function createSettingsRepository({ read, write }: Store) {
  return {
    read: (): Settings => readSettings(read),
    /**
     * @param seen What some of them were when they were chosen: where one is something else by now, nothing is kept.
     */
    change: (changes: Changes, seen: Changes = {}): Outcome<Settings> =>
      write((within) => {
        const now = readSettings(within)
        if (changedSince(now, seen, changes).length > 0) return { kind: 'stale', now }
        const entries = Object.entries(changes)
        // Nothing chosen is how every setting starts: the row goes.
        const cleared = entries.flatMap(([key, value]) => (value === null ? [key] : []))
        if (cleared.length > 0) within.delete(settings).where(inArray(settings.key, cleared)).run()
        const rows = entries.flatMap(([key, value]) => (value === null ? [] : [{ key, value }]))
        if (rows.length > 0)
          within
            .insert(settings)
            .values(rows)
            .onConflictDoUpdate({ target: settings.key, set: { value: sql`excluded.value` } })
            .run()
        return { kind: 'done', value: readSettings(within) }
      }),
  }
}
