/** What somebody, or a disk, has done to the files between two starts is told, and nothing is taken over in silence. */
import {
  closeSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { STANDARD_TUNING } from '@nestling/core/neck'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { DataProblem, FILE, openDatabase } from './database.ts'
import { createRepositories } from './repositories.ts'

process.env['NESTLING_MIGRATIONS'] ??= join(import.meta.dirname, '..', '..', 'drizzle')

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-start-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const file = (name = FILE) => join(folder, name)
const tempo = (of: ReturnType<typeof openDatabase>) => createRepositories(of.db).settings.read().tempo
function keep(value: number) {
  const opened = openDatabase(folder)
  createRepositories(opened.db).settings.change({ tempo: value })
  return opened
}
/** As it lies after a kill: the log is not in the database yet. */
function killed(value: number): void {
  const opened = keep(value)
  copyFileSync(file(), file('db'))
  copyFileSync(file(`${FILE}-wal`), file('wal'))
  opened.close()
  // Over the same file, as the kill would have left it.
  writeFileSync(file(), readFileSync(file('db')))
  renameSync(file('wal'), file(`${FILE}-wal`))
  rmSync(file('db'))
}
const refusal = () => {
  try {
    openDatabase(folder).close()
    return 'opened'
  } catch (error) {
    expect(error).toBeInstanceOf(DataProblem)
    return (error as Error).message
  }
}

test('after a kill the log is played into its own database', () => {
  killed(91)
  const again = openDatabase(folder)
  expect(tempo(again)).toBe(91)
  again.close()
})

test.each(['empty', 'missing'])('a database that is %s beside its log is told, and the log stays', (how) => {
  killed(91)
  if (how === 'empty') truncateSync(file())
  else rmSync(file())
  const size = statSync(file(`${FILE}-wal`)).size
  expect(refusal()).toContain(`the database nestling.db is ${how}, but its log nestling.db-wal is not`)
  expect(statSync(file(`${FILE}-wal`)).size).toBe(size)
})

test('an older copy put back beside a newer log is told, over the file or in its place; without the log it is used', () => {
  keep(71).close()
  copyFileSync(file(), file('older'))
  for (const way of ['over', 'in place'] as const) {
    killed(92)
    const log = readFileSync(file(`${FILE}-wal`))
    if (way === 'over') writeFileSync(file(), readFileSync(file('older')))
    else {
      copyFileSync(file('older'), file('copy'))
      renameSync(file('copy'), file())
    }
    expect(refusal()).toContain('an older copy was put back beside a newer log')
    expect(readFileSync(file(`${FILE}-wal`)).equals(log)).toBe(true)
    rmSync(file(`${FILE}-wal`))
    const opened = openDatabase(folder)
    expect(tempo(opened)).toBe(71)
    opened.close()
  }
})

test('a log whose head is damaged is told and stays; without it what is in the database is used', () => {
  keep(71).close()
  killed(92)
  const log = readFileSync(file(`${FILE}-wal`))
  for (const place of [0, 5, 17, 31]) {
    const torn = Buffer.from(log)
    torn[place] = (torn[place] ?? 0) ^ 0x40
    writeFileSync(file(`${FILE}-wal`), torn)
    expect(refusal()).toContain('the head of the log nestling.db-wal is damaged')
    expect(readFileSync(file(`${FILE}-wal`)).equals(torn)).toBe(true)
  }
  // As it was, it is played in.
  writeFileSync(file(`${FILE}-wal`), log)
  const opened = openDatabase(folder)
  expect(tempo(opened)).toBe(92)
  opened.close()
})

test('a damaged page is told with the way back, and the file stays as it is', () => {
  const opened = keep(80)
  for (let index = 0; index < 300; index++)
    createRepositories(opened.db).tunings.add({ ...STANDARD_TUNING, name: `own ${index}` })
  opened.close()
  const at = openSync(file(), 'r+')
  for (let page = 3; page * 4096 < statSync(file()).size; page++)
    writeSync(at, Buffer.alloc(64, 0xa5), 0, 64, page * 4096)
  closeSync(at)
  const before = readFileSync(file())
  expect(refusal()).toMatch(/is damaged \(.+\)\. Nothing was changed\. npm run restore/)
  expect(readFileSync(file()).equals(before)).toBe(true)
})

test('another program’s database, and a file that is none, are left alone', () => {
  const other = new Sqlite(file())
  other.exec('create table recipes (name text); insert into recipes values (1)')
  other.close()
  expect(refusal()).toContain('is a database of another program (its tables: recipes)')
  const again = new Sqlite(file())
  expect(again.prepare('select count(*) from sqlite_master').pluck().get()).toBe(1)
  again.close()
  rmSync(file())
  writeFileSync(file(), 'Am7 | Dm7 | G7 '.repeat(400))
  expect(refusal()).toContain("can't be opened (file is not a database)")
  expect(readFileSync(file(), 'utf8')).toContain('Am7 | Dm7')
})

test('a table that somebody took away is named', () => {
  const opened = keep(80)
  opened.sqlite.exec('drop table sheets')
  opened.close()
  expect(refusal()).toContain('lacks a table (sheets)')
})

test('nothing there at all is a beginning', () => {
  expect(existsSync(file())).toBe(false)
  expect(refusal()).toBe('opened')
})
