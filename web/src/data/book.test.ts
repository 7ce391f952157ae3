import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chordsOf } from '@nestling/core/tune'
import { EMPTY_TABLES, readNotebook, writeNotebook } from '@nestling/formats/notebook'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS, DEMO_SET, DEMO_SHAPES } from '../../server/demoData.ts'
import { demoSheets } from '../../server/demoSheets.ts'
import { demoTunes } from '../../server/demoTunes.ts'
import type { NotebookRows } from '../contracts/notebook.ts'
import { musicOf } from '../contracts/tuneFile.ts'
import { checkedRows } from '../pages/api/_notebook.ts'
import { createCopies } from './copies.ts'
import { copiesFolder, MOST_COPIES } from './copyFiles.ts'
import { type Opened, openDatabase } from './database.ts'
import { createRepositories, type Repositories } from './repositories.ts'
import { placesInTunes } from './shapePlaces.ts'

const folders: string[] = []
let opened: Opened
let book: Repositories
const open = (folder = mkdtempSync(join(tmpdir(), 'nestling-book-'))) => {
  folders.push(folder)
  opened = openDatabase(folder)
  book = createRepositories(opened.db)
  return folder
}
beforeEach(() => void open())
afterEach(() => {
  opened.close()
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true })
})

const at = (minute: number) => new Date(Date.UTC(2026, 10, 1, 20, minute))
const ASK = { find: '', by: 'tune' } as const
const archtop = DEMO_INSTRUMENTS[0] as (typeof DEMO_INSTRUMENTS)[number]

/** The demo's Book. */
function fill() {
  for (const instrument of DEMO_INSTRUMENTS) book.instruments.add(instrument)
  book.settings.change({ instrumentId: book.instruments.list()[0]?.id ?? null, tempo: 96 })
  const tunes = demoTunes(archtop).map((tune, index) => book.tunes.add(tune, at(index)))
  for (const [index, shape] of DEMO_SHAPES.entries())
    book.shapes.add({ ...shape, tune: tunes.find(({ title }) => title === shape.tune)?.id ?? null }, at(10 + index))
  book.sets.add(DEMO_SET, at(30))
  for (const sheet of demoSheets(tunes, book.shapes.window(ASK, 0, 20).shapes)) book.sheets.add(sheet, at(40))
  book.practice.recordAll(
    [
      {
        id: 'an-attempt-of-one',
        kind: 'run',
        run: { id: 'a-run-of-one', query: 'material=m7', title: '', startedAt: at(1).toISOString() },
        card: '',
        at: at(2).toISOString(),
        day: '2026-11-01',
        material: 'm7',
        suffix: 'maj7',
        root: 'Bb',
        string: 5,
        frets: 'x1323x',
        form: 'x0212x',
        tuning: 'E2,A2,D3,G3,B3,E4',
        tempo: 66,
        grade: 'had',
        judge: 'player',
        shown: false,
        seconds: 3.6,
        faults: '',
        instrument: 'Archtop',
      },
    ],
    at(50),
  )
  book.practice.addCards({ material: 'm9', title: '', tuning: 'E2,A2,D3,G3,B3,E4', cards: ['spell|C|b7'] }, at(51))
}

const names = (found: { readonly shapes: readonly { readonly name: string }[] }) => found.shapes.map(({ name }) => name)

describe('what was deleted', () => {
  test('knows the version that was seen: what was changed since stays, and is told as it is', () => {
    fill()
    const [shape] = book.shapes.window(ASK, 0, 1).shapes
    const [sheet] = book.sheets.list(1).sheets
    const [tune] = book.tunes.list(1).tunes
    if (!shape || !sheet || !tune) throw new Error('the demo has one of each')
    book.shapes.change(shape.id, { name: 'otherwise', version: shape.version }, at(60))
    const { id: _id, createdAt: _at, ...draft } = sheet
    book.sheets.replace(sheet.id, { ...draft, title: 'otherwise' })
    const { id: _tune, createdAt: _made, ...chart } = tune
    book.tunes.replace(tune.id, { ...chart, title: 'otherwise' })
    expect(book.shapes.remove(shape.id, at(61), shape.version)).toMatchObject({
      kind: 'stale',
      now: { name: 'otherwise' },
    })
    for (const [from, one] of [
      [book.sheets, sheet],
      [book.tunes, tune],
    ] as const) {
      expect(from.remove(one.id, at(61), one.version)).toMatchObject({ kind: 'stale', now: { title: 'otherwise' } })
      expect(from.find(one.id)).toBeDefined()
      expect(from.remove(one.id, at(62), one.version + 1)).toEqual({ kind: 'done', value: undefined })
      expect(from.remove(one.id, at(63), one.version + 1)).toEqual({ kind: 'missing' })
    }
  })
  test('is listed with its kind, the newest first, and leaves the list when it comes back', () => {
    fill()
    const [shape] = book.shapes.window(ASK, 0, 1).shapes
    const [set] = book.sets.list(1).sets
    const [sheet] = book.sheets.list(1).sheets
    const [tune] = book.tunes.list(1).tunes
    if (!shape || !set || !sheet || !tune) throw new Error('the demo has one of each')
    expect(book.deleted.list()).toEqual([])
    book.shapes.remove(shape.id, at(60))
    book.sets.remove(set.id, at(61))
    book.sheets.remove(sheet.id, at(62))
    book.tunes.remove(tune.id, at(63))
    expect(book.deleted.list()).toEqual([
      { kind: 'tune', id: tune.id, title: tune.title, at: at(63).toISOString() },
      { kind: 'sheet', id: sheet.id, title: sheet.title, at: at(62).toISOString() },
      { kind: 'set', id: set.id, title: set.title, at: at(61).toISOString() },
      { kind: 'shape', id: shape.id, title: shape.name, at: at(60).toISOString() },
    ])
    book.sheets.restore(sheet.id)
    book.shapes.restore(shape.id)
    expect(book.deleted.list().map(({ kind }) => kind)).toEqual(['tune', 'set'])
  })
})

describe('shapes are found again', () => {
  test.each([
    ['waltz', ['first bar', 'second bar', 'turn', 'home']],
    ['WALTZ turn', ['turn']],
    ['clarinet', ['first bar']],
    ['Cm9', ['turn']],
    ['c♯7', ['bridge']],
    ['x6878x', ['drop 2']],
    ['100%', []],
    ['_', []],
  ])('“%s” finds %j', (find, found) => {
    fill()
    expect(names(book.shapes.window({ ...ASK, find }, 0, 50))).toEqual(found)
  })

  test('by tune, chord, age and name; of a tag, a tune, a tuning; window by window, and all are counted', () => {
    fill()
    const all = book.shapes.window(ASK, 0, 50)
    expect(all).toMatchObject({ total: 12 })
    expect(all.groups.map(({ count }) => count)).toEqual([4, 3, 2, 2, 1])
    const pages = [0, 5, 10].flatMap((from) => names(book.shapes.window(ASK, from, 5)))
    expect(pages).toEqual(names(all))
    expect(names(book.shapes.window({ ...ASK, by: 'newest' }, 0, 1))).toEqual(['drone'])
    expect(book.shapes.window({ ...ASK, by: 'chord' }, 0, 50).shapes.map(({ chord }) => chord)).toEqual(
      all.shapes.map(({ chord }) => chord).toSorted((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1)),
    )
    expect(names(book.shapes.window({ ...ASK, by: 'name' }, 0, 2))).toEqual(['bridge', 'drone'])
    expect(book.shapes.window({ ...ASK, tune: '2' }, 0, 50).total).toBe(3)
    expect(book.shapes.window({ ...ASK, tune: 'none' }, 0, 50).total).toBe(0)
    expect(book.shapes.window({ ...ASK, tuning: 'D2,A2,D3,F#3,A3,D4' }, 0, 50).total).toBe(1)
    expect(book.shapes.window({ ...ASK, tag: 'the Lantern Room' }, 0, 50).total).toBe(12)
    expect(book.shapes.window({ ...ASK, tag: 'Lantern' }, 0, 50).total).toBe(0)
    expect(book.shapes.tags()).toEqual([{ tag: 'the Lantern Room', count: 12 }])
  })

  test('a deleted tune leaves its shapes in none, and has them again when it comes back', () => {
    fill()
    book.tunes.remove(1, at(60))
    expect(book.shapes.window({ ...ASK, tune: 'none' }, 0, 50).total).toBe(4)
    expect(book.shapes.window({ ...ASK, find: 'waltz' }, 0, 50).total).toBe(0)
    book.tunes.restore(1)
    expect(book.shapes.window({ ...ASK, tune: '1' }, 0, 50).total).toBe(4)
  })

  test('it is told where a shape stands in tunes, what follows it there, and how it was played', () => {
    fill()
    const tunes = book.tunes.list(10).tunes
    const waltz = tunes.find(({ title }) => title === 'Low Tide Waltz')
    const [first, second] = chordsOf(waltz?.tune ?? { chart: '' })
    const found = placesInTunes({ frets: first?.frets ?? '', tuning: 'E2,A2,D3,G3,B3,E4' }, tunes, archtop.tuning)
    expect(found[0]).toMatchObject({ title: 'Low Tide Waltz', leadsTo: second })
    expect(found[0]?.bars.slice(0, 2)).toEqual([1, 9])
    expect(placesInTunes({ frets: first?.frets ?? '', tuning: 'D2,A2,D3,F#3,A3,D4' }, tunes, archtop.tuning)).toEqual(
      [],
    )
    expect(book.practice.playedShape({ frets: 'x1323x', tuning: 'E2,A2,D3,G3,B3,E4' })).toEqual({
      times: 1,
      clean: 66,
      last: '2026-11-01',
    })
    expect(book.practice.playedShape({ frets: 'x1323x', tuning: 'B1' })).toEqual({ times: 0, clean: null, last: null })
  })
})

describe('many at once', () => {
  const state = () => book.shapes.window(ASK, 0, 50).shapes.map(({ version: _version, ...shape }) => shape)
  test.each([
    [{ kind: 'delete' }, ['12', '10', '12']],
    [{ kind: 'move', tune: 3 }, ['12', '12', '12']],
    [{ kind: 'tag', tag: 'small hall' }, ['12', '12', '12']],
    [{ kind: 'untag', tag: 'the Lantern Room' }, ['12', '12', '12']],
  ] as const)('%j is one step, and is taken back as it was', (act, totals) => {
    fill()
    const before = state()
    const { changed, undo } = book.shapes.changeMany({ ids: [1, 2, 99], act }, (count) => `${count}`, at(60))
    expect(changed).toBe(2)
    expect(String(book.shapes.window(ASK, 0, 50).total)).toBe(totals[1])
    expect(state()).not.toEqual(before)
    expect(book.changes.undo(undo ?? 0, at(61))).toEqual({ kind: 'done', value: { words: '2' } })
    expect(state()).toEqual(before)
    // Once.
    expect(book.changes.undo(undo ?? 0, at(62))).toEqual({ kind: 'missing' })
  })

  test('all that a question means, and an edit made before is stale after', () => {
    fill()
    const { changed, undo } = book.shapes.changeMany(
      { all: { ...ASK, find: 'waltz' }, act: { kind: 'tag', tag: 'encore' } },
      String,
      at(60),
    )
    expect(changed).toBe(4)
    expect(book.shapes.window({ ...ASK, find: 'encore' }, 0, 50).total).toBe(4)
    book.changes.undo(undo ?? 0, at(61))
    // Whoever saw it before, and whoever saw it tagged.
    for (const version of [1, 2])
      expect(book.shapes.change(1, { name: 'late', version }, at(62))).toMatchObject({ kind: 'stale' })
    expect(book.shapes.changeMany({ ids: [], act: { kind: 'delete' } }, String, at(63))).toEqual({
      changed: 0,
      undo: undefined,
    })
  })
})

describe('the notebook', () => {
  const TAKE = { fresh: 'take', different: 'take', each: {} } as const
  const exported = () => JSON.parse(writeNotebook(book.notebook.rows() as never, ''))
  const checked = (json: unknown): NotebookRows => {
    const read = readNotebook(JSON.stringify(json))
    if (!read.ok) throw new Error(read.error.code)
    const { rows, wrong } = checkedRows(read.value)
    expect(wrong).toEqual([])
    return rows
  }

  test('export, an empty database, import: equal, every table; and once more changes nothing', () => {
    fill()
    const file = exported()
    const before = book.notebook.rows()
    opened.close()
    open()
    const preview = book.notebook.preview(checked(file))
    expect(preview.counts.every(({ same, different }) => same === 0 && different === 0)).toBe(true)
    book.notebook.apply(checked(file), TAKE, 'Read', at(70))
    expect(book.notebook.rows()).toEqual(before)
    const again = book.notebook.preview(checked(file))
    expect(again.counts.every(({ fresh, different }) => fresh === 0 && different === 0)).toBe(true)
    expect(book.notebook.apply(checked(file), TAKE, 'Read', at(71))).toEqual({ changed: 0, undo: undefined })
    // Every table of the demo was there to compare.
    expect(
      Object.entries(before)
        .filter(([, rows]) => rows.length === 0)
        .map(([table]) => table),
    ).toEqual(['tunings', 'tray'])
  })

  test('into a Book that has others, ids are its own: shapes, sheets and the chosen instrument find what they refer to', () => {
    fill()
    const file = exported()
    opened.close()
    open()
    book.tunes.add({ title: 'other', tune: { chart: '| C |' }, remarks: '' }, at(0))
    book.instruments.add({ ...archtop, name: 'other' })
    book.notebook.apply(checked(file), TAKE, 'Read', at(70))
    const waltz = book.tunes.list(10).tunes.find(({ title }) => title === 'Low Tide Waltz')
    expect(waltz?.id).not.toBe(1)
    expect(names(book.shapes.window({ ...ASK, tune: String(waltz?.id) }, 0, 9))).toHaveLength(4)
    const sheet = book.sheets.list(9).sheets.find(({ title }) => title.startsWith('The small hall'))
    expect(sheet?.blocks[1]).toMatchObject({ source: { kind: 'kept', tune: waltz?.id } })
    expect(book.instruments.find(book.settings.read().instrumentId ?? 0)?.name).toBe('Archtop')
  })

  test('what differs is told by its parts and chosen one by one; nothing else changes, and it is one step to undo', () => {
    fill()
    const file = exported()
    file.shapes[0].note = 'otherwise'
    file.shapes[1].fingers = ''
    file.shapes[1].name = 'renamed'
    file.tunes[0].remarks = '# new'
    file.shapes.push({ ...file.shapes[2], frets: '8x888x', chord: 'Cm7', name: 'fresh' })
    const rows = checked(file)
    const before = book.notebook.rows()
    const { items, counts, cut } = book.notebook.preview(rows)
    expect(items.map(({ table, place, state, differs }) => [table, place, state, differs])).toEqual([
      ['tunes', 0, 'different', ['remarks']],
      ['shapes', 0, 'different', ['note']],
      ['shapes', 1, 'different', ['name']],
      ['shapes', 12, 'new', []],
    ])
    expect(cut).toBe(0)
    expect(counts.find(({ table }) => table === 'shapes')).toEqual({
      table: 'shapes',
      fresh: 1,
      same: 10,
      different: 2,
    })
    expect(book.notebook.rows()).toEqual(before)
    const { changed, undo } = book.notebook.apply(
      rows,
      { fresh: 'take', different: 'leave', each: { shapes: { 0: 'take', 1: 'both' } } },
      'Read',
      at(70),
    )
    expect(changed).toBe(3)
    const after = book.notebook.rows()
    expect(after.shapes.map(({ name, note }) => [name, note])).toEqual([
      ['first bar', 'otherwise'],
      ...before.shapes.slice(1).map(({ name, note }) => [name, note]),
      ['renamed', ''],
      ['fresh', before.shapes[2]?.note],
    ])
    expect(after.tunes).toEqual(before.tunes)
    book.changes.undo(undo ?? 0, at(71))
    expect(book.notebook.rows()).toEqual(before)
  })

  test('of several of one name those that are alike are paired, whatever order the file has', () => {
    fill()
    const [first] = DEMO_SHAPES
    if (!first) throw new Error('no shape')
    for (const name of ['once', 'twice', 'thrice']) book.shapes.add({ ...first, name, tune: null }, at(60))
    const file = exported()
    file.shapes.reverse()
    const { counts, items } = book.notebook.preview(checked(file))
    expect(items).toEqual([])
    expect(counts.find(({ table }) => table === 'shapes')).toEqual({
      table: 'shapes',
      fresh: 0,
      same: 15,
      different: 0,
    })
    // One more than is here is new; one that is otherwise is paired with what is left.
    file.shapes.push({ ...file.shapes[0] })
    file.shapes[1].name = 'changed'
    expect(
      book.notebook.preview(checked(file)).items.map(({ table, state, differs }) => [table, state, differs]),
    ).toEqual([
      ['shapes', 'different', ['name']],
      ['shapes', 'new', []],
    ])
  })

  test('a notebook of the first version is read', () => {
    const old = {
      format: 'nestling-notebook',
      version: 1,
      tunes: [
        {
          id: 3,
          title: 'Slow Ferry',
          query: 'chart=%7C+C+%7C',
          chords: [{ symbol: 'C', frets: null }],
          createdAt: at(0).toISOString(),
        },
      ],
      shapes: [
        { name: 'turn', chord: 'Cm9', frets: 'x3133x', tuning: 'E2,A2,D3,G3,B3,E4', createdAt: at(0).toISOString() },
      ],
    }
    expect(book.notebook.apply(checked(old), TAKE, 'Read', at(1)).changed).toBe(2)
    expect(book.shapes.window(ASK, 0, 9).shapes[0]).toMatchObject({ tags: [], tune: null, note: '' })
  })

  test('rows that are wrong are told with their place, and the others are read', () => {
    const good = {
      name: 'turn',
      chord: 'Cm9',
      frets: 'x3133x',
      tuning: 'E2,A2,D3,G3,B3,E4',
      createdAt: at(0).toISOString(),
    }
    const file = {
      version: 2,
      savedAt: '',
      tables: {
        ...EMPTY_TABLES,
        shapes: [good, { ...good, frets: 'x31' }, { ...good, chord: 7 }],
        tunings: [
          { name: 'a', tuning: 'E2,A2,D3,G3' },
          { name: 'a', tuning: 'E2,A2,D3,G3' },
          { name: 'b', tuning: 'Q' },
        ],
        runs: [{ id: 'r', material: 4, query: '', startedAt: at(0).toISOString() }],
        settings: [{ key: 'tempo', value: 'fast' }],
      },
    }
    const { rows, wrong } = checkedRows(file)
    expect(rows.shapes).toHaveLength(1)
    expect(wrong.map(({ table, place, field }) => [table, place, field])).toEqual([
      ['settings', 0, 'settings'],
      ['tunings', 1, 'tunings'],
      ['tunings', 2, 'tuning'],
      ['shapes', 1, 'frets'],
      ['shapes', 2, 'chord'],
      ['runs', 0, 'material'],
    ])
  })
})

describe('copies', () => {
  test('a copy is whole, and going back puts everything as it was; that can be gone back from too', async () => {
    fill()
    const folder = folders[0] as string
    const copies = createCopies(opened, folder)
    const before = book.notebook.rows()
    const copy = await copies.save('by-hand', at(80))
    book.shapes.changeMany({ all: ASK, act: { kind: 'delete' } }, String, at(81))
    book.tunes.remove(1, at(81))
    const changed = book.notebook.rows()
    const back = await copies.goBack(copy.id, at(82))
    expect(book.notebook.rows()).toEqual(before)
    if (back.kind !== 'done') throw new Error(back.kind)
    expect(back.value.reason).toBe('before-going-back')
    await copies.goBack(back.value.id, at(83))
    expect(readdirSync(join(folder, 'copies')).filter((name) => !name.endsWith('.db'))).toEqual([])
    expect(book.notebook.rows()).toEqual(changed)
    // The database goes on as before.
    expect(
      book.shapes.add({ ...(DEMO_SHAPES[0] as (typeof DEMO_SHAPES)[number]), tune: null }, at(84)).id,
    ).toBeGreaterThan(12)
    expect(await copies.goBack('../nestling.db', at(85))).toEqual({ kind: 'missing' })
    expect(readdirSync(copiesFolder(folder)).filter((name) => name.endsWith('.part'))).toEqual([])
  })

  test('those that came by themselves are kept ten of a kind; those by hand stay', async () => {
    const folder = folders[0] as string
    const copies = createCopies(opened, folder)
    await copies.save('by-hand', at(0))
    for (let minute = 1; minute <= MOST_COPIES + 2; minute++) await copies.save('before-reading', at(minute))
    const left = copies.list()
    expect(left.filter(({ reason }) => reason === 'before-reading').map(({ at: when }) => when)).toEqual(
      Array.from({ length: MOST_COPIES }, (_, index) => at(MOST_COPIES + 2 - index).toISOString()),
    )
    expect(left.at(-1)?.reason).toBe('by-hand')
  })
})

test('a kept tune is music with its shapes, in its own tuning or the instrument’s', () => {
  fill()
  const [tune] = book.tunes.list(1).tunes
  if (!tune) throw new Error('no tune')
  const music = musicOf(tune, archtop.tuning)
  expect(music.tune.chart.title).toBe(tune.title)
  expect(music.tune.shapes.flat().filter(Boolean).length).toBeGreaterThan(4)
  const other = musicOf({ ...tune, tune: { ...tune.tune, tuning: 'D2,A2,D3,F#3,A3,D4' } }, archtop.tuning)
  expect(other.tune.tuning.strings[0]).toMatchObject({ name: 'D', octave: 2 })
})
