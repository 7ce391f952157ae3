/** A data folder as an older Nestling has left it: its tables, with shapes in them. */
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'

const migrations = join(import.meta.dirname, '..', '..', 'web', 'drizzle')
const JOURNAL = join('meta', '_journal.json')

interface Journal {
  readonly entries: readonly object[]
}
const journalIn = (folder: string): Journal => JSON.parse(readFileSync(join(folder, JOURNAL), 'utf8'))

export const migrationCount = (): number => journalIn(migrations).entries.length

/** @param known As many migrations were there. */
export function olderDatabase(folder: string, known: number, names: readonly string[]): void {
  const own = mkdtempSync(join(tmpdir(), 'nestling-older-'))
  cpSync(migrations, own, { recursive: true })
  const journal = journalIn(own)
  writeFileSync(join(own, JOURNAL), JSON.stringify({ ...journal, entries: journal.entries.slice(0, known) }))
  mkdirSync(folder, { recursive: true })
  const sqlite = new Sqlite(join(folder, 'nestling.db'))
  try {
    migrate(drizzle(sqlite), { migrationsFolder: own })
    const row = sqlite.prepare(
      "insert into kept_shapes (name, chord, shape, tuning, note, created_at, updated_at) values (?, 'Am7', '5x555x', 'E2,A2,D3,G3,B3,E4', ?, 1, 1)",
    )
    const note = 'the third stays under the hand '.repeat(40)
    sqlite.transaction(() => {
      for (const name of names) row.run(name, note)
    })()
    // What it is found by, where that Nestling already kept it.
    const columns = sqlite.prepare("select name from pragma_table_info('kept_shapes')").pluck().all()
    if (columns.includes('search')) sqlite.exec('update kept_shapes set search = name')
  } finally {
    sqlite.close()
    rmSync(own, { recursive: true, force: true })
  }
}
