/** The player's settings, one row each. */
import { inArray, sql } from 'drizzle-orm'
import * as v from 'valibot'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { Settings, type SettingsChange } from '../contracts/settingsSchema.ts'
import { settings } from './schema.ts'
import type { Reader, Store } from './store.ts'

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
    change: (changes: v.InferOutput<typeof SettingsChange>): Settings =>
      write((within) => {
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
        return readSettings(within)
      }),
  }
}
