/** What the disk or the database refused, as an answer: a write that was not committed is never told as kept. */
import Sqlite from 'better-sqlite3'
import type { Problem } from '../contracts/problem.ts'

const NOTHING_KEPT = 'Nothing was kept.'

/** `undefined` when the error is none of the storage's: a bug of ours. */
export function storageProblem(error: unknown): (Problem & { readonly status: number }) | undefined {
  if (!(error instanceof Sqlite.SqliteError)) return undefined
  const told = (status: number, why: string, expected: string) => ({
    status,
    error: `${why}. ${NOTHING_KEPT}`,
    field: 'storage',
    at: 0,
    expected,
  })
  if (error.code === 'SQLITE_FULL') return told(507, 'The disk is full', 'free space, then the same again')
  if (error.code.startsWith('SQLITE_BUSY') || error.code.startsWith('SQLITE_LOCKED'))
    return told(503, 'The database is busy with another program', 'the same again in a moment')
  return told(503, `The database can't be read or written (${error.code})`, 'a data folder that can be written')
}
