import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { STANDARD_TUNING } from '@nestling/core/neck'
import { chordsOf, readTune, writeTune } from '@nestling/core/tune'
import type Sqlite from 'better-sqlite3'
import fc from 'fast-check'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { anyTune } from '../../../core/src/tune/tune.testkit.ts'
import { listCopies } from './copyFiles.ts'
import { openDatabase } from './database.ts'
import { olderDatabase } from './olderDatabase.testkit.ts'
import { createRepositories } from './repositories.ts'

/** How many migrations a program had that kept a tune as an address: since the seventh, until the fourteenth. */
const EARLIER = [7, 8, 9, 10, 11, 12, 13]
/** After so many a kept tune holds every shape of its way. */
const HOLDS = 12

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-earlier-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

/** What that program wrote of a tune: the Path view's address, with how the view stood, and the chords beside it. */
function keepEarlier(sqlite: Sqlite.Database, title: string, { way, ...texts }: ReturnType<typeof writeTune>): void {
  const query = new URLSearchParams({ ...(texts as Record<string, string>), at: '2', part: '1-2' })
  sqlite
    .prepare('insert into tunes (title, query, chords, created_at) values (?, ?, ?, 1)')
    .run(title, query.toString(), JSON.stringify(chordsOf({ ...texts, way })))
}

const STANDARD = 'E2,A2,D3,G3,B3,E4'
const step = (id: string, chord: string, frets: string) => ({ id, chord, shape: frets, tuning: STANDARD })

test('before the tray was a progression: tray, sets, deleted sets, shapes, settings, in their order', () => {
  const tray = [step('z', 'Fm9', 'x8688x'), step('a', 'Bb13', '6x678x'), step('m', 'not a chord', 'x-x')]
  olderDatabase(folder, 4, (sqlite) => {
    sqlite
      .prepare('insert into trays (id, name, shapes, version) values (1, ?, ?, 7)')
      .run('Slow Ferry', JSON.stringify(tray))
    const insert = sqlite.prepare(
      'insert into kept_sets (id, name, shapes, created_at, deleted_at) values (?, ?, ?, ?, ?)',
    )
    insert.run(4, 'Low “Tide” Waltz', JSON.stringify([step('q', 'Bbmaj7', 'x1323x')]), 1000, null)
    insert.run(9, 'Kettle Song', JSON.stringify([]), 2000, 3000)
    sqlite
      .prepare('insert into kept_shapes (name, chord, shape, tuning, created_at, updated_at) values (?, ?, ?, ?, 5, 5)')
      .run('home', 'F13', '1x123x', STANDARD)
    sqlite.prepare("insert into settings (key, value) values ('labels', '\"note\"')").run()
  })
  const { db, close } = openDatabase(folder)
  const { tray: now, sets, shapes, settings } = createRepositories(db)
  expect(now.read()).toMatchObject({ title: 'Slow Ferry', version: 7, metre: '4/4', tempoBpm: 80, key: '' })
  expect(now.read().steps).toEqual(
    tray.map(({ id, chord, shape: frets, tuning }) => ({
      id,
      beats: 4,
      chord,
      shape: { chord, frets, tuning, fingers: '' },
      held: true,
    })),
  )
  expect(sets.list(10).sets).toMatchObject([
    { id: 4, title: 'Low “Tide” Waltz', createdAt: '1970-01-01T00:00:01.000Z' },
  ])
  expect(sets.restore(9)).toMatchObject({ kind: 'done', value: { title: 'Kettle Song', steps: [] } })
  expect(shapes.list(10).shapes).toMatchObject([{ name: 'home', frets: '1x123x' }])
  expect(settings.read().labels).toBe('note')
  close()
})

test('before tables change a copy is made, once; what was kept is found by its words', () => {
  olderDatabase(folder, 8, (sqlite) => {
    keepEarlier(sqlite, 'Old Way', { chart: 'Dm7 G7 C', way: 'x5756x,none,x-3-5-5-5-3' })
    sqlite
      .prepare(
        "insert into kept_shapes (name, chord, shape, tuning, note, created_at, updated_at) values ('first bar', 'F13', '1x123x', ?, 'with the clarinet', 5, 5)",
      )
      .run(STANDARD)
  })
  expect(listCopies(folder)).toEqual([])
  const { db, close } = openDatabase(folder)
  const { shapes, tunes } = createRepositories(db)
  // A tune that was kept before ways were chosen by taste holds its shapes.
  expect(tunes.list(1).tunes[0]?.tune).toMatchObject({ hold: '1:x5756x,3:x-3-5-5-5-3', way: 'x5756x,none,x-3-5-5-5-3' })
  expect(shapes.window({ find: 'clarinet', by: 'tune' }, 0, 9).shapes.map(({ name }) => name)).toEqual(['first bar'])
  expect(listCopies(folder).map(({ reason }) => reason)).toEqual(['before-migration'])
  close()
  openDatabase(folder).close()
  expect(listCopies(folder)).toHaveLength(1)
})

test.each(EARLIER)('kept by a program of %i migrations, tunes are the same tunes', (migrations) => {
  const tunes = fc
    .sample(anyTune, 75)
    .map((tune) => writeTune({ ...tune, way: tune.held.map(({ frets }) => frets) }, STANDARD_TUNING))
  olderDatabase(folder, migrations, (sqlite) => {
    for (const [index, texts] of tunes.entries()) keepEarlier(sqlite, `tune ${index}`, texts)
  })
  const { db, close } = openDatabase(folder)
  const { tunes: kept, unreadable } = createRepositories(db)
  expect(unreadable.list()).toEqual([])
  const there = kept.list(tunes.length).tunes
  expect(there).toHaveLength(tunes.length)
  for (const { title, tune, version, remarks } of there) {
    const before = tunes[Number(title.slice(5))] ?? { chart: '' }
    expect([version, remarks]).toEqual([1, ''])
    expect(chordsOf(tune)).toEqual(chordsOf(before))
    const [now, then] = [tune, before].map((texts) => readTune(texts, STANDARD_TUNING))
    const shapes = then?.tune.way
      .slice(0, chordsOf(before).length)
      .flatMap((frets, chord) => (frets ? [{ chord, frets }] : []))
    expect(now?.errors).toEqual([])
    expect({ ...now?.tune, way: [], held: [] }).toEqual({ ...then?.tune, way: [], held: [] })
    expect(now?.tune.held).toEqual(migrations < HOLDS && shapes?.length ? shapes : then?.tune.held)
  }
  close()
})

test('what was damaged is set aside as it was; a change of before is taken back in the form of now', () => {
  olderDatabase(folder, 13, (sqlite) => {
    keepEarlier(sqlite, 'Slow Ferry', { chart: 'Fm9 Bbm7', way: 'x8688x,none' })
    sqlite.exec("insert into tunes (title, query, chords, created_at) values ('Torn', 'chart=C', '{bad', 1)")
    const row = sqlite.prepare("select * from tunes where title = 'Slow Ferry'").get() as Record<string, unknown>
    const { created_at: _at, deleted_at: _gone, chords, ...texts } = row
    const before = { ...texts, title: 'Kettle Song', chords: JSON.parse(String(chords)), createdAt: { time: 1 } }
    const steps = JSON.stringify([{ table: 'tunes', before: [before], added: [] }])
    sqlite.prepare("insert into book_changes (words, at, steps) values ('Read', 2, ?)").run(steps)
    sqlite.exec("insert into book_changes (words, at, steps) values ('Torn', 2, '{bad')")
  })
  const { db, sqlite, close } = openDatabase(folder)
  const book = createRepositories(db)
  expect(book.unreadable.list()).toMatchObject([{ kind: 'tune', title: 'Torn', reason: 'tune: no JSON' }])
  expect(JSON.stringify(book.unreadable.find(1)?.row)).toContain('chart=C {bad')
  expect(sqlite.prepare('select steps from book_changes where id = 2').pluck().get()).toBe('{bad')
  expect(book.changes.undo(1, new Date(3))).toMatchObject({ kind: 'done' })
  expect(book.tunes.list(9).tunes).toMatchObject([
    { title: 'Kettle Song', tune: { chart: 'Fm9 Bbm7', way: 'x8688x,none' } },
  ])
  close()
})
