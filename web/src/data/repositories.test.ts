import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS } from '../../server/demoData.ts'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { DataProblem, openDatabase } from './database.ts'
import { createRepositories, type Repositories } from './repositories.ts'

let folder: string
let book: Repositories
let close: () => void

const open = () => {
  const opened = openDatabase(folder)
  book = createRepositories(opened.db)
  close = opened.close
}
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-data-'))
  open()
})
afterEach(() => {
  close()
  rmSync(folder, { recursive: true, force: true })
})

const shape = (name: string) => ({
  name,
  chord: 'Ebmaj7',
  shape: 'x6878x',
  tuning: 'E2,A2,D3,G3,B3,E4',
  fingers: '',
  note: '',
})
const at = (minute: number) => new Date(Date.UTC(2026, 10, 1, 20, minute))

describe('the Book', () => {
  test('lists the newest first, counts all, and survives a new start', () => {
    for (const minute of [1, 2, 3]) book.shapes.add(shape(`take ${minute}`), at(minute))
    close()
    open()
    const { shapes, total } = book.shapes.list(2)
    expect(shapes.map(({ name }) => name)).toEqual(['take 3', 'take 2'])
    expect(total).toBe(3)
  })

  test('a rename over somebody else’s rename is refused with what they made of it', () => {
    const { id, version } = book.shapes.add(shape('Slow Ferry'), at(0))
    expect(book.shapes.rename(id, { name: 'Slow Ferry, opening', version }, at(1))).toMatchObject({ kind: 'done' })
    expect(book.shapes.rename(id, { name: 'Ferry', version }, at(2))).toMatchObject({
      kind: 'stale',
      now: { name: 'Slow Ferry, opening', version: version + 1 },
    })
    expect(book.shapes.rename(id + 1, { name: 'Ferry', version }, at(2))).toEqual({ kind: 'missing' })
  })

  test('a deletion can be taken back once, and a deleted shape can’t be renamed', () => {
    const { id, version } = book.shapes.add(shape('Kettle Song'), at(0))
    expect(book.shapes.remove(id, at(1))).toBe(true)
    expect(book.shapes.remove(id, at(1))).toBe(false)
    expect(book.shapes.list(10).total).toBe(0)
    expect(book.shapes.rename(id, { name: 'no', version }, at(2))).toEqual({ kind: 'missing' })
    expect(book.shapes.restore(id)?.name).toBe('Kettle Song')
    expect(book.shapes.restore(id)).toBeUndefined()
    expect(book.shapes.list(10).total).toBe(1)
  })
})

test('instruments come back as they went in, a partial capo too; one of the same name is not added twice', () => {
  const [archtop] = DEMO_INSTRUMENTS
  if (!archtop) throw new Error('the demo has an archtop')
  const capoed = { ...archtop, name: 'Archtop, capo', capo: { fret: 2, strings: [5, 4, 3] } }
  book.instruments.addIfMissing(archtop)
  book.instruments.addIfMissing(capoed)
  book.instruments.addIfMissing({ ...archtop, frets: 12 })
  expect(book.instruments.list()).toMatchObject([archtop, capoed])
})

test('settings start at their defaults, keep what is changed, and a value that no longer fits does no harm', () => {
  expect(book.settings.read()).toEqual(DEFAULT_SETTINGS)
  expect(book.settings.change({ labels: 'note', volume: 30 })).toEqual({
    ...DEFAULT_SETTINGS,
    labels: 'note',
    volume: 30,
  })
  expect(book.settings.change({ instrumentId: 3 }).instrumentId).toBe(3)
  expect(book.settings.change({ instrumentId: null }).instrumentId).toBeNull()
  const sqlite = new Sqlite(join(folder, 'nestling.db'))
  sqlite.prepare("update settings set value = '900' where key = 'volume'").run()
  sqlite.close()
  expect(book.settings.read()).toEqual(DEFAULT_SETTINGS)
})

describe('a data folder that can’t serve is told in one line', () => {
  const message = (of: string) => {
    try {
      openDatabase(of).close()
      return 'opened'
    } catch (error) {
      expect(error).toBeInstanceOf(DataProblem)
      return (error as Error).message
    }
  }
  test('a file where the folder should be', () => {
    writeFileSync(join(folder, 'file'), '')
    expect(message(join(folder, 'file', 'data'))).toMatch(/can't be written.*NESTLING_DATA/)
  })
  test('a file that is no database', () => {
    const other = mkdtempSync(join(folder, 'other-'))
    writeFileSync(join(other, 'nestling.db'), 'this is a letter, not a database, and it is long enough to tell')
    expect(message(other)).toMatch(/can't be opened \(file is not a database\)/)
  })
  test('a database from a newer version', () => {
    const sqlite = new Sqlite(join(folder, 'nestling.db'))
    sqlite.prepare("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)").run()
    sqlite.close()
    expect(message(folder)).toMatch(/made by a newer Nestling/)
  })
})

describe('instruments and tunings are changed one version at a time', () => {
  const [archtop, flatTop] = DEMO_INSTRUMENTS
  if (!archtop || !flatTop) throw new Error('the demo has two instruments')
  test('a stale edit gets what it is now, a taken name is refused, and what is gone is missing', () => {
    const kept = book.instruments.add(archtop)
    if (!kept) throw new Error('not added')
    expect(book.instruments.add(archtop)).toBeUndefined()
    book.instruments.add(flatTop)
    expect(book.instruments.edit(kept.id, { ...archtop, frets: 22 }, kept.version)).toMatchObject({ kind: 'done' })
    expect(book.instruments.edit(kept.id, archtop, kept.version)).toMatchObject({ kind: 'stale', now: { frets: 22 } })
    expect(book.instruments.edit(kept.id, { ...archtop, name: flatTop.name }, kept.version + 1)).toEqual({
      kind: 'name-taken',
    })
    expect(book.instruments.remove(kept.id)).toBe(true)
    expect(book.instruments.edit(kept.id, archtop, 1)).toEqual({ kind: 'missing' })
  })
  test('a tuning of one’s own comes back as it went in', () => {
    const kept = book.tunings.add({ ...flatTop.tuning, name: 'Night Heron' })
    expect(book.tunings.list()).toEqual([{ ...flatTop.tuning, name: 'Night Heron', id: kept?.id }])
    expect(book.tunings.add({ ...archtop.tuning, name: 'Night Heron' })).toBeUndefined()
    expect(book.tunings.remove(kept?.id ?? 0)).toBe(true)
  })
})

test('the tray is replaced as a whole, and a stale replacement gets what it holds', () => {
  const shape = { id: 'a', chord: 'Fm9', shape: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4' }
  expect(book.tray.replace({ name: 'Slow Ferry', shapes: [shape], version: 0 })).toMatchObject({ kind: 'done' })
  expect(book.tray.replace({ name: 'other', shapes: [], version: 0 })).toMatchObject({
    kind: 'stale',
    now: { name: 'Slow Ferry', shapes: [shape], version: 1 },
  })
  const kept = book.sets.add({ name: 'Slow Ferry', shapes: [shape] }, at(1))
  expect(book.sets.list(5)).toEqual({ sets: [kept], total: 1 })
  expect(book.sets.remove(kept.id, at(2))).toBe(true)
  expect(book.sets.list(5).total).toBe(0)
  expect(book.sets.restore(kept.id)).toEqual(kept)
})
