/**
 * What is looked at before a database is used, so that nothing is taken over in silence: a log without its database, an
 * older copy beside a newer log, another program's file, damaged pages, missing tables. Nothing is ever deleted for it.
 */
import { closeSync, existsSync, openSync, readFileSync, readSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type Sqlite from 'better-sqlite3'
import { getTableName, is, Table } from 'drizzle-orm'
import * as schema from './schema.ts'

export const FILE = 'nestling.db'
const LOG = `${FILE}-wal`
/** Beside the database: which stretch of its life its log belongs to. */
const NOTE = 'nestling.run.json'

/** Something that the person who started Nestling can mend; its message is one clear line. */
export class DataProblem extends Error {}

const WAY_BACK = 'Nothing was changed. npm run restore lists the copies and puts one back.'

const sizeOf = (path: string): number => (existsSync(path) ? statSync(path).size : 0)

/**
 * Before SQLite opens the file: it would empty a log whose database is gone, and play one into a database that it is not of.
 * @throws {DataProblem}
 */
export function checkFiles(folder: string): void {
  if (sizeOf(join(folder, LOG)) === 0) return
  if (sizeOf(join(folder, FILE)) === 0)
    throw new DataProblem(
      `In ${folder} the database ${FILE} is ${existsSync(join(folder, FILE)) ? 'empty' : 'missing'}, but its log ${LOG} is not: somebody has moved it or the disk has lost it. Put ${FILE} back beside its log, or move the log away to begin anew. ${WAY_BACK}`,
    )
  if (runIn(join(folder, FILE)) < notedRun(folder))
    throw new DataProblem(
      `In ${folder} the database ${FILE} is not the one that its log ${LOG} belongs to: an older copy was put back beside a newer log. To use the copy, move ${LOG} and ${FILE}-shm away; to use what was there, put that file back. ${WAY_BACK}`,
    )
  // A head alone is a log with nothing in it.
  if (sizeOf(join(folder, LOG)) > LOG_HEAD_BYTES && !isHeadWhole(join(folder, LOG)))
    throw new DataProblem(
      `In ${folder} the head of the log ${LOG} is damaged: what was kept last may be in it alone, and SQLite would drop it. To go on without it, move ${LOG} and ${FILE}-shm away. ${WAY_BACK}`,
    )
}

const LOG_HEAD_BYTES = 32

/** The head of SQLite's log: a magic number, six more and their checksum; whoever finds another there takes the log for empty. */
function isHeadWhole(log: string): boolean {
  const head = Buffer.alloc(LOG_HEAD_BYTES)
  const file = openSync(log, 'r')
  try {
    readSync(file, head, 0, LOG_HEAD_BYTES, 0)
  } finally {
    closeSync(file)
  }
  const magic = head.readUInt32BE()
  if (magic !== 0x37_7f_06_82 && magic !== 0x37_7f_06_83) return false
  const word = (index: number) => (magic % 2 === 0 ? head.readUInt32LE(4 * index) : head.readUInt32BE(4 * index))
  let [first, second] = [0, 0]
  for (let index = 0; index < 6; index += 2) {
    first = (first + word(index) + second) >>> 0
    second = (second + word(index + 1) + first) >>> 0
  }
  return head.readUInt32BE(24) === first && head.readUInt32BE(28) === second
}

/** Where SQLite keeps a number for programs in a database's head: ours counts how often the file was opened. */
const RUN_AT = 60

function runIn(path: string): number {
  const head = Buffer.alloc(4)
  const file = openSync(path, 'r')
  try {
    readSync(file, head, 0, 4, RUN_AT)
  } finally {
    closeSync(file)
  }
  return head.readUInt32BE()
}

/** 0 where none is noted. */
function notedRun(folder: string): number {
  try {
    const { run } = JSON.parse(readFileSync(join(folder, NOTE), 'utf8')) as { readonly run?: unknown }
    return typeof run === 'number' ? run : 0
  } catch {
    return 0
  }
}

/** A new stretch of the database's life: counted in the file itself, not only in its log, and noted beside it. */
export function beginRun(sqlite: Sqlite.Database, folder: string): void {
  const run = ((sqlite.pragma('user_version', { simple: true }) as number) % 1_000_000_000) + 1
  try {
    sqlite.pragma(`user_version = ${run}`)
    sqlite.pragma('wal_checkpoint(TRUNCATE)')
    // As the file itself has it: where somebody reads it at this moment, it may have it later only.
    writeFileSync(join(folder, NOTE), JSON.stringify({ run: runIn(join(folder, FILE)) }))
  } catch (error) {
    // On a full disk what was kept can still be read; the check of the next start has less to go by.
    console.error(`The start could not be noted in ${folder} (${(error as Error).message}).`)
  }
}

/**
 * Before tables are made or changed.
 * @throws {DataProblem} when it is another program's file, or damaged.
 */
export function checkContents(sqlite: Sqlite.Database, folder: string): void {
  const tables = orDamaged(folder, () => tablesOf(sqlite))
  if (tables.length > 0 && !tables.includes('__drizzle_migrations'))
    throw new DataProblem(
      `The file ${FILE} in ${folder} is a database of another program (its tables: ${tables.slice(0, 3).join(', ')}). Nothing was changed. Set NESTLING_DATA to another folder.`,
    )
  const told = orDamaged(folder, () => String(sqlite.pragma('quick_check(1)', { simple: true })))
  if (told !== 'ok') throw damaged(folder, told)
}

const damaged = (folder: string, why: string): DataProblem =>
  new DataProblem(`The database in ${folder} is damaged (${why.split('\n')[0]}). ${WAY_BACK}`)

/** Where the damage is such that SQLite gives up looking. */
function orDamaged<Value>(folder: string, look: () => Value): Value {
  try {
    return look()
  } catch (error) {
    if ((error as { readonly code?: string }).code?.startsWith('SQLITE_CORRUPT'))
      throw damaged(folder, (error as Error).message)
    throw error
  }
}

/**
 * After migrations: they are marked as done, so a table that somebody took away would not be made again.
 * @throws {DataProblem}
 */
export function checkTables(sqlite: Sqlite.Database, folder: string): void {
  const there = new Set(tablesOf(sqlite))
  const missing = Object.values(schema)
    .flatMap((one) => (is(one, Table) ? [getTableName(one)] : []))
    .filter((name) => !there.has(name))
  if (missing.length > 0)
    throw new DataProblem(
      `The database in ${folder} lacks ${missing.length === 1 ? 'a table' : 'tables'} (${missing.join(', ')}). ${WAY_BACK}`,
    )
}

/** The tables that hold what is kept: neither SQLite's own nor the list of migrations. */
export const ownTables = (sqlite: Sqlite.Database): readonly string[] =>
  tablesOf(sqlite).filter((name) => !name.startsWith('__'))

const tablesOf = (sqlite: Sqlite.Database): readonly string[] =>
  sqlite
    .prepare("select name from sqlite_master where type = 'table' and name not like 'sqlite_%'")
    .pluck()
    .all() as string[]
