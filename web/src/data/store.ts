/**
 * How repositories reach the database: `read` can only select, and `write` is the one way to change anything. It answers
 * after a commit that is known to have succeeded: a single statement with RETURNING would be answered at its first row,
 * before SQLite has committed it, and a full disk would then be acknowledged and lost.
 */
import type { Database } from './database.ts'

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
export type Reader = Pick<Database, 'select' | 'selectDistinct'>
export type Writer = Pick<Transaction, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete'>

export interface Store {
  readonly read: Reader
  /** Throws what SQLite throws (disk full, locked); nothing is kept then. */
  readonly write: <Value>(change: (within: Writer) => Value) => Value
}

export const storeOf = (db: Database): Store => ({
  read: db,
  write: (change) => db.transaction((within) => change(within), { behavior: 'immediate' }),
})
