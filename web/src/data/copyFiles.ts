/** Copies of the database beside it: what they are called, and the one that is made before tables change. */
import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { COPY_REASONS, type Copy, type CopyReason } from '../contracts/book.ts'
import { checkContents, FILE } from './startChecks.ts'

/** So many are kept of each reason; those that were saved by hand go last and are never deleted by themselves. */
export const MOST_COPIES = 10
/** A folder of what was there before a copy was put back. */
export const SET_ASIDE = 'set-aside-'
/** When, why, and the how-manyth it is: a clock may be set back. Copies of before have no number. */
const NAME = /^nestling-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z-([a-z-]+?)(?:-(\d{6}))?\.db$/
const numberOf = (name: string): number => Number(NAME.exec(name)?.[7] ?? 0)

export const copiesFolder = (folder: string): string => join(folder, 'copies')

export function newCopyPath(
  folder: string,
  reason: CopyReason,
  at: Date,
): { readonly id: string; readonly path: string } {
  mkdirSync(copiesFolder(folder), { recursive: true })
  const number =
    1 + Math.max(0, ...readdirSync(copiesFolder(folder)).map((name) => numberOf(name.replace(/\.part$/, ''))))
  const id = `nestling-${at.toISOString().replace(/[:.]/g, '-')}-${reason}-${String(number).padStart(6, '0')}.db`
  return { id, path: join(copiesFolder(folder), id) }
}

export function copyNamed(folder: string, id: string): Copy | undefined {
  const read = NAME.exec(id)
  const reason = COPY_REASONS.find((one) => one === read?.[6])
  const path = join(copiesFolder(folder), id)
  if (!read || !reason || !existsSync(path)) return undefined
  const [, day, hour, minute, second, ms] = read
  return { id, reason, at: `${day}T${hour}:${minute}:${second}.${ms}Z`, bytes: statSync(path).size }
}

/** The one that was made last first, whatever the clock said. */
export function listCopies(folder: string): readonly Copy[] {
  if (!existsSync(copiesFolder(folder))) return []
  return readdirSync(copiesFolder(folder))
    .flatMap((name) => copyNamed(folder, name) ?? [])
    .sort((a, b) => numberOf(b.id) - numberOf(a.id) || b.at.localeCompare(a.at))
}

/** The oldest of what was copied by itself go. */
export function dropOldCopies(folder: string): void {
  for (const reason of COPY_REASONS) {
    if (reason === 'by-hand') continue
    for (const { id } of listCopies(folder)
      .filter((copy) => copy.reason === reason)
      .slice(MOST_COPIES))
      rmSync(join(copiesFolder(folder), id), { force: true })
  }
}

/** Before tables change, while nothing else runs: the database writes the copy itself, whole and without its log. */
export function copyBeforeMigration(sqlite: Sqlite.Database, folder: string, at: Date): void {
  const { path } = newCopyPath(folder, 'before-migration', at)
  sqlite.prepare('vacuum into ?').run(path)
  dropOldCopies(folder)
}

/**
 * A copy of the database in a folder, whoever uses it, by the database's own online backup.
 * @returns Its path. Throws when there is no database, and what SQLite or the file system throws; no half a copy is left.
 */
export async function copyOf(folder: string, reason: CopyReason, at: Date): Promise<string> {
  const from = join(folder, FILE)
  if (!existsSync(from)) throw new Error(`there is no database in ${folder}`)
  const sqlite = new Sqlite(from, { fileMustExist: true })
  try {
    return await backUp(sqlite, folder, reason, at)
  } finally {
    sqlite.close()
  }
}

/** Under its own name only when it is whole. */
export async function backUp(sqlite: Sqlite.Database, folder: string, reason: CopyReason, at: Date): Promise<string> {
  const { path } = newCopyPath(folder, reason, at)
  const making = `${path}.part`
  try {
    await sqlite.backup(making)
    renameSync(making, path)
  } catch (error) {
    rmSync(making, { force: true })
    throw error
  }
  dropOldCopies(folder)
  return path
}

/**
 * Puts a copy in the place of the database that nobody uses now. What is there, whole or damaged, is moved aside with its log.
 * @returns Where that is; `undefined` when nothing was there.
 * @throws when the copy is no database of Nestling's, or damaged; nothing is changed then.
 */
export function putBack(copy: string, folder: string, at: Date): string | undefined {
  const sqlite = new Sqlite(copy, { readonly: true, fileMustExist: true })
  try {
    checkContents(sqlite, copy)
  } finally {
    sqlite.close()
  }
  // Beside what is there until it is whole: a full disk changes nothing.
  const coming = join(folder, `${FILE}.coming`)
  try {
    copyFileSync(copy, coming)
  } catch (error) {
    rmSync(coming, { force: true })
    throw error
  }
  const own = ['', '-wal', '-shm'].map((end) => `${FILE}${end}`).filter((name) => existsSync(join(folder, name)))
  const aside = own.length === 0 ? undefined : join(folder, `${SET_ASIDE}${at.toISOString().replace(/[:.]/g, '-')}`)
  if (aside !== undefined) {
    mkdirSync(aside)
    for (const name of own) renameSync(join(folder, name), join(aside, name))
  }
  renameSync(coming, join(folder, FILE))
  return aside
}
