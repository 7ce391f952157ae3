import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS, DEMO_SHAPES } from '../../server/demoData.ts'
import { createAllData } from './allData.ts'
import { createCopies } from './copies.ts'
import { listCopies } from './copyFiles.ts'
import { FILE, type Opened, openDatabase } from './database.ts'
import { createRepositories } from './repositories.ts'
import { ownTables } from './startChecks.ts'

process.env['NESTLING_MIGRATIONS'] ??= join(import.meta.dirname, '..', '..', 'drizzle')

let folder: string
let opened: Opened
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-all-'))
  opened = openDatabase(folder)
  const book = createRepositories(opened.db)
  for (const instrument of DEMO_INSTRUMENTS) book.instruments.add(instrument)
  const tune = { title: 'Slow Ferry', tune: { chart: '| Fm9 |' }, remarks: '' }
  book.tunes.add(tune, new Date(0))
  for (const { tune: _, ...shape } of DEMO_SHAPES) book.shapes.add({ ...shape, tune: 1, tags: [] }, new Date(0))
})
afterEach(() => {
  opened.close()
  rmSync(folder, { recursive: true, force: true })
})

test('all of it as one file is a database that opens with everything in it', async () => {
  const whole = await createAllData(opened, folder).whole()
  const aside = mkdtempSync(join(tmpdir(), 'nestling-all-'))
  try {
    writeFileSync(join(aside, FILE), whole)
    const there = openDatabase(aside)
    expect(createRepositories(there.db).shapes.list(1e6)).toEqual(createRepositories(opened.db).shapes.list(1e6))
    there.close()
  } finally {
    rmSync(aside, { recursive: true, force: true })
  }
})

test('deleted, nothing is left: no row, no copy, no word of it in the file; what comes after has other numbers', async () => {
  const all = createAllData(opened, folder)
  const copies = createCopies(opened, folder)
  await copies.save('by-hand', new Date(0))
  await copies.save('before-reading', new Date(1))
  expect(all.about()).toMatchObject({ folder, copies: 2, bytes: expect.any(Number) })
  expect(all.about().copiesBytes).toBeGreaterThan(50_000)
  mkdirSync(join(folder, 'set-aside-before'))
  writeFileSync(join(folder, 'set-aside-before', FILE), 'Slow Ferry')
  all.deleteAll()
  expect(existsSync(join(folder, 'set-aside-before'))).toBe(false)
  const tables = ownTables(opened.sqlite)
  expect(tables.length).toBeGreaterThan(10)
  for (const table of tables)
    expect(opened.sqlite.prepare(`select count(*) from "${table}"`).pluck().get(), table).toBe(0)
  expect([listCopies(folder), all.about().copies, all.about().copiesBytes]).toEqual([[], 0, 0])
  for (const end of ['', '-wal']) expect(readFileSync(join(folder, FILE + end)).includes('Slow Ferry')).toBe(false)
  const { id } = createRepositories(opened.db).tunes.add(
    { title: 'Kettle Song', tune: { chart: 'C' }, remarks: '' },
    new Date(2),
  )
  expect(id).toBe(2)
  // The file itself is whole.
  expect(new Sqlite(join(folder, FILE), { readonly: true }).pragma('integrity_check', { simple: true })).toBe('ok')
})
