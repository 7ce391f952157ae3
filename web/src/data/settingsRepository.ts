/** The player's settings, one row each. */
import { inArray, sql } from 'drizzle-orm'
import * as v from 'valibot'
import { DEFAULT_SETTINGS, Settings, type SettingsChange } from '../contracts/settings.ts'
import type { Database } from './database.ts'
import { settings } from './schema.ts'

export type SettingsRepository = ReturnType<typeof createSettingsRepository>

export function createSettingsRepository(db: Database) {
  const read = (): Settings => {
    const kept = Object.fromEntries(
      db
        .select()
        .from(settings)
        .all()
        .map(({ key, value }) => [key, value]),
    )
    const parsed = v.safeParse(Settings, { ...DEFAULT_SETTINGS, ...kept })
    // A value of another version is no reason not to start: the defaults are safe.
    return parsed.success ? parsed.output : DEFAULT_SETTINGS
  }
  return {
    read,
    change(changes: v.InferOutput<typeof SettingsChange>): Settings {
      const entries = Object.entries(changes)
      // Nothing chosen is how every setting starts: the row goes.
      const cleared = entries.flatMap(([key, value]) => (value === null ? [key] : []))
      if (cleared.length > 0) db.delete(settings).where(inArray(settings.key, cleared)).run()
      const rows = entries.flatMap(([key, value]) => (value === null ? [] : [{ key, value }]))
      if (rows.length > 0)
        db.insert(settings)
          .values(rows)
          .onConflictDoUpdate({ target: settings.key, set: { value: sql`excluded.value` } })
          .run()
      return read()
    },
  }
}
