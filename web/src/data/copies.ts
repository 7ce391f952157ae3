/** Copies of the whole notebook and the way back. A copy is made by the database's own online backup, while it is in use. */
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import type Sqlite from 'better-sqlite3'
import type { Copy, CopyReason } from '../contracts/book.ts'
import { backUp, copiesFolder, copyNamed, listCopies } from './copyFiles.ts'
import { FILE, type Opened, openDatabase } from './database.ts'
import type { Outcome } from './outcome.ts'
import { ownTables } from './startChecks.ts'

export type Copies = ReturnType<typeof createCopies>

export function createCopies({ sqlite }: Pick<Opened, 'sqlite'>, folder: string) {
  const save = async (reason: CopyReason, at: Date): Promise<Copy> =>
    copyNamed(folder, basename(await backUp(sqlite, folder, reason, at))) as Copy
  return {
    list: (): readonly Copy[] => listCopies(folder),
    save,
    path: (id: string): string | undefined => (copyNamed(folder, id) ? join(copiesFolder(folder), id) : undefined),
    /**
     * All tables as the copy has them, in one transaction; what is here is copied first, so this can be taken back as well.
     * A copy of an older Nestling is brought up to this one beforehand, beside it.
     */
    async goBack(id: string, at: Date): Promise<Outcome<Copy>> {
      if (!copyNamed(folder, id)) return { kind: 'missing' }
      const aside = mkdtempSync(join(tmpdir(), 'nestling-copy-'))
      try {
        const before = await save('before-going-back', at)
        // A copy is whole and nobody writes to it: opened where it lies, it would get a log of its own there.
        copyFileSync(join(copiesFolder(folder), id), join(aside, FILE))
        openDatabase(aside).close()
        takeOver(sqlite, join(aside, FILE))
        return { kind: 'done', value: before }
      } finally {
        rmSync(aside, { recursive: true, force: true })
      }
    },
  }
}

/** Rows of every table from another database that has the same tables. */
function takeOver(sqlite: Sqlite.Database, path: string): void {
  sqlite.prepare('attach ? as copy').run(path)
  try {
    const tables = ownTables(sqlite)
    sqlite
      .transaction(() => {
        sqlite.pragma('defer_foreign_keys = on')
        for (const table of tables) {
          const columns = (sqlite.prepare('select name from pragma_table_info(?)').pluck().all(table) as string[])
            .map((name) => `"${name}"`)
            .join(', ')
          sqlite.prepare(`delete from main."${table}"`).run()
          sqlite.prepare(`insert into main."${table}" (${columns}) select ${columns} from copy."${table}"`).run()
        }
      })
      .immediate()
  } finally {
    sqlite.prepare('detach copy').run()
  }
}
