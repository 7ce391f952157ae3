/** Databases as earlier programs made them. */
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'

const MIGRATIONS = join(import.meta.dirname, '..', '..', 'drizzle')
const JOURNAL = join('meta', '_journal.json')

interface Journal {
  readonly entries: readonly object[]
}
const journalIn = (folder: string): Journal => JSON.parse(readFileSync(join(folder, JOURNAL), 'utf8')) as Journal

export const migrationCount = (): number => journalIn(MIGRATIONS).entries.length

/**
 * Makes the database of a data folder.
 * @param known How many migrations there were.
 * @param fill What was kept then.
 */
export function olderDatabase(folder: string, known: number, fill: (sqlite: Sqlite.Database) => void): void {
  const then = mkdtempSync(join(tmpdir(), 'nestling-older-'))
  cpSync(MIGRATIONS, then, { recursive: true })
  const journal = journalIn(then)
  writeFileSync(join(then, JOURNAL), JSON.stringify({ ...journal, entries: journal.entries.slice(0, known) }))
  mkdirSync(folder, { recursive: true })
  const sqlite = new Sqlite(join(folder, 'nestling.db'))
  try {
    migrate(drizzle(sqlite), { migrationsFolder: then })
    fill(sqlite)
  } finally {
    sqlite.close()
    rmSync(then, { recursive: true, force: true })
  }
}
