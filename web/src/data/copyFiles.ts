/** Copies of the database beside it: what they are called, and the one that is made before tables change. */
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type Sqlite from 'better-sqlite3'
import { COPY_REASONS, type Copy, type CopyReason } from '../contracts/book.ts'

/** So many are kept of each reason; those that were saved by hand go last and are never deleted by themselves. */
export const MOST_COPIES = 10
const NAME = /^nestling-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z-([a-z-]+)\.db$/

export const copiesFolder = (folder: string): string => join(folder, 'copies')

export function newCopyPath(
  folder: string,
  reason: CopyReason,
  at: Date,
): { readonly id: string; readonly path: string } {
  mkdirSync(copiesFolder(folder), { recursive: true })
  const id = `nestling-${at.toISOString().replace(/[:.]/g, '-')}-${reason}.db`
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

/** Newest first. */
export function listCopies(folder: string): readonly Copy[] {
  if (!existsSync(copiesFolder(folder))) return []
  return readdirSync(copiesFolder(folder))
    .flatMap((name) => copyNamed(folder, name) ?? [])
    .sort((a, b) => b.at.localeCompare(a.at))
}

/** The oldest of what was copied by itself go. */
export function dropOldCopies(folder: string): void {
  for (const reason of COPY_REASONS) {
    if (reason === 'by-hand') continue
    for (const { id } of listCopies(folder).filter((copy) => copy.reason === reason).slice(MOST_COPIES))
      rmSync(join(copiesFolder(folder), id), { force: true })
  }
} // biome-ignore format: one condition

/** Before tables change, while nothing else runs: the database writes the copy itself, whole and without its log. */
export function copyBeforeMigration(sqlite: Sqlite.Database, folder: string, at: Date): void {
  const { path } = newCopyPath(folder, 'before-migration', at)
  sqlite.prepare('vacuum into ?').run(path)
  dropOldCopies(folder)
}
