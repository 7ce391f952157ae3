/** What the disk or the database refused, as an answer: a write that was not committed is never told as kept. */
import Sqlite from 'better-sqlite3'
import type { Problem } from '../contracts/problem.ts'

const NOTHING_KEPT = 'Nothing was kept.'

/** `undefined` when the error is none of the storage's: a bug of ours. */
export function storageProblem(error: unknown): (Problem & { readonly status: number }) | undefined {
  const told = (status: number, why: string, expected: string) => ({
    status,
    error: `${why}. ${NOTHING_KEPT}`,
    field: 'storage',
    at: 0,
    expected,
  })
  const code = codeOf(error)
  if (code === undefined) return undefined
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT')
    return told(507, 'The disk is full', 'free space, then the same again')
  // What is asked for refers to something that is not there: waiting does not help.
  if (code === 'SQLITE_CONSTRAINT_FOREIGNKEY')
    return {
      ...told(400, 'The tune that this belongs to is not in the Book', 'the number of a kept tune, or none'),
      field: 'tune',
    }
  if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED'))
    return told(503, 'The database is busy with another program', 'the same again in a moment')
  return told(503, `The database can't be read or written (${code})`, 'a data folder that can be written')
}

/** Of what the file system refuses: copies are files beside the database. */
const OF_FILES = ['ENOENT', 'ENOSPC', 'EDQUOT', 'EROFS', 'EACCES', 'EPERM', 'EIO', 'EMFILE', 'ENFILE']

function codeOf(error: unknown): string | undefined {
  if (error instanceof Sqlite.SqliteError) return error.code
  const { code } = error as NodeJS.ErrnoException
  return error instanceof Error && code !== undefined && OF_FILES.includes(code) ? code : undefined
}
