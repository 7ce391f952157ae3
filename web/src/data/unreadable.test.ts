/** Rows that something has damaged: taken out at the next start, told, and everything else as it was. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS, DEMO_SET, DEMO_SHAPES } from '../../server/demoData.ts'
import { bookContents } from './bookContents.ts'
import { type Opened, openDatabase } from './database.ts'
import { createRepositories, type Repositories } from './repositories.ts'

process.env['NESTLING_MIGRATIONS'] ??= join(import.meta.dirname, '..', '..', 'drizzle')

let folder: string
let opened: Opened
let book: Repositories
const at = new Date(Date.UTC(2026, 10, 1, 20))
const open = () => {
  opened = openDatabase(folder)
  book = createRepositories(opened.db)
}
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-damage-'))
  open()
  for (const instrument of DEMO_INSTRUMENTS) book.instruments.add(instrument)
  book.tunings.add({ name: 'low', strings: DEMO_INSTRUMENTS[0]?.tuning.strings ?? [] })
  const tune = {
    title: 'Slow Ferry',
    tune: { chart: '| Fm9 |', way: 'x8688x' },
    remarks: '',
  }
  for (const title of ['Slow Ferry', 'Kettle Song']) book.tunes.add({ ...tune, title }, at)
  for (const { tune: _, ...shape } of DEMO_SHAPES) book.shapes.add({ ...shape, tune: 1, tags: [] }, at)
  book.sets.add(DEMO_SET, at)
  const look = { paper: 'A4', lying: true, barsALine: 4, necks: 'lying', labels: 'none', ink: 'colour' } as const
  book.sheets.add({ title: 'Evening', ...look, blocks: [{ id: 'a', kind: 'words', text: 'Softly' }] }, at)
  book.settings.change({ tempo: 96 })
})
afterEach(() => {
  opened.close()
  rmSync(folder, { recursive: true, force: true })
})

/** As pages and files read it. */
const readAll = () => ({
  contents: { ...bookContents(book), unreadable: 0 },
  shapes: book.shapes.list(1e6).shapes.map(({ id }) => id),
  instruments: book.instruments.list().length,
  tunings: book.tunings.list().length,
  settings: book.settings.read(),
  rows: Object.keys(book.notebook.rows()),
})
const damage = (sql: string) => {
  opened.sqlite.exec(sql)
  opened.close()
  open()
}

test('what is whole stays where it is, however often it is opened', () => {
  const before = readAll()
  damage('select 1')
  damage('select 1')
  expect([readAll(), book.unreadable.list()]).toEqual([before, []])
})

test.each([
  ["update kept_shapes set tags = '{bad' where id = 2", 'shape', 'tags: no JSON'],
  ["update kept_shapes set tags = '[5]' where id = 2", 'shape', 'tags.0: '],
  ['update kept_shapes set created_at = 9e18 where id = 2', 'shape', 'created_at: '],
  ['update tunes set tune = \'{"chart":5}\' where id = 1', 'tune', 'tune.chart: '],
  ['update progressions set steps = \'[{"chord":"C"}]\' where role = \'kept\'', 'set', 'steps.0.'],
  ["update sheets set body = '{}' where id = 1", 'sheet', 'body.paper: '],
  ["update settings set value = 'x{' where key = 'tempo'", 'setting', 'value: no JSON'],
  ["update instruments set tuning = 'zz' where id = 1", 'instrument', 'tuning: a tuning'],
  ["update own_tunings set tuning = 'zz' where id = 1", 'tuning', 'tuning: a tuning'],
] as const)('%s: it is set aside, and everything else is read', (sql, kind, reason) => {
  damage(sql)
  const [found, ...more] = book.unreadable.list()
  expect(more).toEqual([])
  expect(found).toMatchObject({ kind, reason: expect.stringContaining(reason) })
  expect(bookContents(book).unreadable).toBe(1)
  expect(readAll().shapes).toHaveLength(DEMO_SHAPES.length - (kind === 'shape' ? 1 : 0))
  // All of it can be taken along; then it goes for good.
  const whole = book.unreadable.find(found?.id ?? 0)
  expect(JSON.stringify(whole?.row)).toContain(kind === 'setting' ? 'tempo' : '"id":')
  expect(book.unreadable.remove(found?.id ?? 0)).toEqual({ kind: 'done', value: undefined })
  expect(book.unreadable.list()).toEqual([])
  expect(book.unreadable.remove(1).kind).toBe('missing')
})

test('the shapes of an unreadable tune stay, in no tune', () => {
  damage("update tunes set tune = 'x' where id = 1")
  expect(bookContents(book)).toMatchObject({ inNone: DEMO_SHAPES.length, tunes: [{ title: 'Kettle Song' }] })
})
