import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { expect, test } from 'vitest'
import { openDatabase } from './database.ts'
import { createRepositories } from './repositories.ts'
import { storageProblem } from './storageProblem.ts'

test('a shape of a tune that is not there is wrong, not put off: a page would wait for it for ever', () => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-storage-'))
  const { db, close } = openDatabase(folder)
  try {
    const { shapes } = createRepositories(db)
    const draft = {
      name: 'drop 2',
      chord: 'Ebmaj7',
      frets: 'x6878x',
      tuning: 'E2,A2,D3,G3,B3,E4',
      fingers: '',
      note: '',
      tune: 9999,
      tags: [],
    }
    let told: unknown
    try {
      shapes.add(draft, new Date())
    } catch (error) {
      told = storageProblem(error)
    }
    expect(told).toMatchObject({ status: 400, field: 'tune', error: expect.stringContaining('Nothing was kept.') })
    expect(shapes.add({ ...draft, tune: null }, new Date()).name).toBe('drop 2')
  } finally {
    close()
    rmSync(folder, { recursive: true, force: true })
  }
})

test.each([
  ['SQLITE_FULL', 507],
  ['SQLITE_BUSY_SNAPSHOT', 503],
  ['SQLITE_LOCKED', 503],
  ['SQLITE_READONLY', 503],
])('%s is answered with %d', (code, status) =>
  expect(storageProblem(new Sqlite.SqliteError('told by the database', code))).toMatchObject({
    status,
    field: 'storage',
  }),
)

test('what the file system says counts as well, and a bug of ours does not', () => {
  expect(storageProblem(Object.assign(new Error('no room'), { code: 'ENOSPC' }))?.status).toBe(507)
  expect(storageProblem(Object.assign(new Error('gone'), { code: 'EIO' }))?.status).toBe(503)
  expect(storageProblem(Object.assign(new Error('?'), { code: 'ERR_OURS' }))).toBeUndefined()
  expect(storageProblem(new TypeError('a slip'))).toBeUndefined()
})
