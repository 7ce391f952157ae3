/** All of a player's data at once: where it lies and how large it is, all of it as one file, and the end of all of it. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import type { AboutData } from '../contracts/book.ts'
import { copiesFolder, listCopies, SET_ASIDE } from './copyFiles.ts'
import { FILE, type Opened } from './database.ts'
import { ownTables } from './startChecks.ts'

export type AllData = ReturnType<typeof createAllData>

export function createAllData({ sqlite }: Pick<Opened, 'sqlite'>, folder: string) {
  return {
    about(): AboutData {
      const copies = listCopies(folder)
      return {
        folder,
        bytes: readdirSync(folder)
          .filter((name) => name.startsWith(FILE))
          .reduce((sum, name) => sum + (statSync(join(folder, name), { throwIfNoEntry: false })?.size ?? 0), 0),
        copies: copies.length,
        copiesBytes: copies.reduce((sum, { bytes }) => sum + bytes, 0),
      }
    },
    /** The database as one file without a log, made while it is in use. */
    async whole(): Promise<Buffer> {
      const aside = mkdtempSync(join(tmpdir(), 'nestling-whole-'))
      try {
        await sqlite.backup(join(aside, FILE))
        // Any program opens it, from a disk that can't be written too: it waits for no log.
        const copy = new Sqlite(join(aside, FILE))
        copy.pragma('journal_mode = delete')
        copy.close()
        return readFileSync(join(aside, FILE))
      } finally {
        rmSync(aside, { recursive: true, force: true })
      }
    },
    /** Every row of every table, in one transaction; then the copies, and what a copy was put over. Numbers are not given again: an old page finds nothing. */
    deleteAll(): void {
      const tables = ownTables(sqlite)
      // What is deleted is written over, not left in free pages.
      sqlite.pragma('secure_delete = on')
      sqlite
        .transaction(() => {
          sqlite.pragma('defer_foreign_keys = on')
          for (const table of tables) sqlite.prepare(`delete from "${table}"`).run()
        })
        .immediate()
      sqlite.pragma('wal_checkpoint(truncate)')
      for (const { id } of listCopies(folder)) rmSync(join(copiesFolder(folder), id), { force: true })
      for (const name of readdirSync(folder))
        if (name.startsWith(SET_ASIDE)) rmSync(join(folder, name), { recursive: true, force: true })
    },
  }
}
