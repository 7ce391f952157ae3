/** Opens the database in the data folder: SQLite with a write-ahead log, migrations applied first. */
import { accessSync, constants, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { copyBeforeMigration } from './copyFiles.ts'
import { giveToMigrations } from './earlierTunes.ts'
import * as schema from './schema.ts'
import { beginRun, checkContents, checkFiles, checkTables, DataProblem, FILE } from './startChecks.ts'
import { setAside } from './unreadable.ts'

export { DataProblem, FILE } from './startChecks.ts'

export type Database = BetterSQLite3Database<typeof schema>

export interface Opened {
  readonly db: Database
  /** The driver beneath, for what has no words in the query language. */
  readonly sqlite: Sqlite.Database
  readonly close: () => void
}

/** What the command that starts Nestling must have told; it decides, and nobody guesses. */
function told(variable: 'NESTLING_DATA' | 'NESTLING_MIGRATIONS'): string {
  const folder = process.env[variable]
  if (!folder) throw new Error(`${variable} is not set: start Nestling with npm run demo, npm run dev or npm start`)
  return folder
}
export const openedFolder = (): string => told('NESTLING_DATA')
const migrationsFolder = (): string => told('NESTLING_MIGRATIONS')

/**
 * @throws {DataProblem} when the folder can't be made or written, the file is no database, damaged or another program's, its
 * log is of another file, or a newer Nestling made it.
 */
export function openDatabase(folder: string): Opened {
  try {
    makeFolder(folder)
    accessSync(folder, constants.W_OK)
    if (existsSync(join(folder, FILE))) accessSync(join(folder, FILE), constants.W_OK)
  } catch (error) {
    throw new DataProblem(
      `The data folder ${folder} can't be written (${reasonOf(error)}). Set NESTLING_DATA to a folder of yours.`,
    )
  }
  let sqlite: Sqlite.Database | undefined
  try {
    checkFiles(folder)
    sqlite = new Sqlite(join(folder, FILE))
    checkContents(sqlite, folder)
    asWeUseIt(sqlite)
    if (refuseNewer(sqlite, folder) === 'older') copyBeforeMigration(sqlite, folder, new Date())
    const db = drizzle(sqlite, { schema })
    giveToMigrations(sqlite)
    migrated(db)
    checkTables(sqlite, folder)
    setAside(sqlite, new Date())
    beginRun(sqlite, folder)
    countForPlans(sqlite)
    const opened = sqlite
    return { db, sqlite: opened, close: () => opened.close() }
  } catch (error) {
    sqlite?.close()
    if (error instanceof DataProblem) throw error
    throw new DataProblem(`The database in ${folder} can't be opened (${reasonOf(error)}).`)
  }
}

/** Of two servers that start at once the slower one finds the steps taken that it was about to take, and reads anew. */
function migrated(db: Database): void {
  const migrations = { migrationsFolder: migrationsFolder() }
  try {
    migrate(db, migrations)
  } catch {
    migrate(db, migrations)
  }
}

/** Another connection to a database that was opened, and checked, already. */
export function openBeside(folder: string): Opened {
  // In the file system's own words where it is gone: the driver has none that could be told apart.
  accessSync(join(folder, FILE), constants.W_OK)
  const sqlite = new Sqlite(join(folder, FILE), { fileMustExist: true })
  asWeUseIt(sqlite)
  return { db: drizzle(sqlite, { schema }), sqlite, close: () => sqlite.close() }
}

function asWeUseIt(sqlite: Sqlite.Database): void {
  sqlite.pragma('journal_mode = WAL')
  sqlite.pragma('synchronous = FULL')
  sqlite.pragma('foreign_keys = ON')
  sqlite.pragma('busy_timeout = 4000')
}

/** SQLite counts rows now and then, or it takes the wrong index of two: of ten years of a log, to find six weeks. */
function countForPlans(sqlite: Sqlite.Database): void {
  try {
    sqlite.pragma('optimize = 0x10002')
  } catch {
    // A full disk or another writer: slower, and nothing else.
  }
}

/** Other connections count their commits, this one the rows that it has changed. */
export function stampOf(sqlite: Sqlite.Database): () => string {
  const own = sqlite.prepare('select total_changes()').pluck()
  return () => `${sqlite.pragma('data_version', { simple: true })} ${own.get()}`
}

/** A commit of nothing new: the number that programs may leave in a database's head, as it is. */
export function probe(sqlite: Sqlite.Database): void {
  const left = sqlite.pragma('user_version', { simple: true }) as number
  sqlite.transaction(() => sqlite.pragma(`user_version = ${left}`)).immediate()
}

/** A folder and those above it. Node's own way to make them all never ends where the system itself allows no folder. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) {
    if (!statSync(folder).isDirectory()) throw new Error('it is a file')
    return
  }
  makeFolder(dirname(folder))
  mkdirSync(folder)
}

/** A database whose last migration this program does not know comes from a newer one; to touch it could lose data. */
function refuseNewer(sqlite: Sqlite.Database, folder: string): 'older' | 'same' {
  const migrated = sqlite.prepare("select 1 from sqlite_master where name = '__drizzle_migrations'").get()
  if (migrated === undefined) return 'same'
  const applied = sqlite.prepare('select max(created_at) as at from __drizzle_migrations').get() as {
    at: number | null
  }
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[]
  }
  const newest = Math.max(...journal.entries.map((entry) => entry.when))
  if ((applied.at ?? 0) > newest)
    throw new DataProblem(
      `The database in ${folder} was made by a newer Nestling. Update Nestling, or set NESTLING_DATA to another folder.`,
    )
  return applied.at !== null && applied.at < newest ? 'older' : 'same'
}

const reasonOf = (error: unknown): string =>
  (error instanceof Error ? error.message.split('\n')[0] : String(error)) ?? ''
