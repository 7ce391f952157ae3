/** Copies from outside a running Nestling, and the way back past a database that may be damaged. */
import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { copyOf, listCopies, MOST_COPIES, putBack } from './copyFiles.ts'
import { FILE, openDatabase } from './database.ts'
import { createRepositories } from './repositories.ts'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-copies-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const at = (second: number) => new Date(Date.UTC(2026, 10, 2, 18, 0, second))
function keep(tempo: number): void {
  const { db, close } = openDatabase(folder)
  createRepositories(db).settings.change({ tempo })
  close()
}
function tempo(): number {
  const { db, close } = openDatabase(folder)
  const found = createRepositories(db).settings.read().tempo
  close()
  return found
}

test('a copy made while the database is in use holds what was committed, and is put back with what was there set aside', async () => {
  const { db, close } = openDatabase(folder)
  createRepositories(db).settings.change({ tempo: 71 })
  const copy = await copyOf(folder, 'by-hand', at(1))
  createRepositories(db).settings.change({ tempo: 99 })
  close()
  const aside = putBack(copy, folder, at(2))
  expect(tempo()).toBe(71)
  // What was there is whole as well.
  expect(aside).toContain('set-aside-2026-11-02')
  const again = putBack(join(aside as string, FILE), folder, at(3))
  expect(again).toBeDefined()
  expect(tempo()).toBe(99)
})

test('past a damaged database, its log goes aside with it', async () => {
  keep(71)
  const copy = await copyOf(folder, 'by-hand', at(1))
  writeFileSync(join(folder, FILE), 'not a database at all')
  writeFileSync(join(folder, `${FILE}-wal`), 'nor a log')
  const aside = putBack(copy, folder, at(2)) as string
  expect(readdirSync(aside).toSorted()).toEqual([FILE, `${FILE}-wal`])
  expect(tempo()).toBe(71)
})

test('what is no database of Nestling’s is not put back, and nothing is moved', () => {
  keep(71)
  const other = join(folder, 'song.db')
  writeFileSync(other, 'a song')
  expect(() => putBack(other, folder, at(1))).toThrow()
  expect(() => putBack(join(folder, 'none.db'), folder, at(1))).toThrow()
  expect(readdirSync(folder).some((name) => name.startsWith('set-aside'))).toBe(false)
  expect(existsSync(join(folder, `${FILE}.coming`))).toBe(false)
  expect(tempo()).toBe(71)
})

test('of those made by themselves the last ten stay; those made by hand all do', async () => {
  keep(71)
  for (let second = 0; second < MOST_COPIES + 3; second++) await copyOf(folder, 'before-reading', at(second))
  for (let second = 0; second < 3; second++) await copyOf(folder, 'by-hand', at(second))
  const reasons = listCopies(folder).map(({ reason }) => reason)
  expect(reasons.filter((reason) => reason === 'before-reading')).toHaveLength(MOST_COPIES)
  expect(reasons.filter((reason) => reason === 'by-hand')).toHaveLength(3)
  const [newest] = listCopies(folder).filter(({ reason }) => reason === 'before-reading')
  expect(newest?.at).toBe(at(MOST_COPIES + 2).toISOString())
})

test('where nothing is there is nothing to copy, and that is said', async () => {
  await expect(copyOf(folder, 'by-hand', at(1))).rejects.toThrow(`there is no database in ${folder}`)
})

test('a clock that is set back deletes no copy that was just made; order and number are those of their making', async () => {
  keep(71)
  // As they were called before they had numbers, and of a year that is still to come.
  await copyOf(folder, 'before-reading', new Date(Date.UTC(2031, 0, 1)))
  const [first] = listCopies(folder)
  renameSync(join(folder, 'copies', first?.id ?? ''), join(folder, 'copies', (first?.id ?? '').replace('-000001', '')))
  const made: string[] = []
  for (let second = MOST_COPIES + 4; second > 0; second--) {
    const path = await copyOf(folder, 'before-reading', at(second))
    made.push(basename(path))
    expect(existsSync(path)).toBe(true)
    expect(listCopies(folder)[0]?.id).toBe(basename(path))
  }
  expect(listCopies(folder).map(({ id }) => id)).toEqual(made.slice(-MOST_COPIES).toReversed())
  // Two of one moment are two.
  expect(await copyOf(folder, 'by-hand', at(1))).not.toBe(await copyOf(folder, 'by-hand', at(1)))
})
