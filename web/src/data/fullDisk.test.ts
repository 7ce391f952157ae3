import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS } from '../../server/demoData.ts'
import type { NotebookChoices, NotebookRows } from '../contracts/notebook.ts'
import type { SheetDraft } from '../contracts/sheet.ts'
import { FILE, openDatabase } from './database.ts'
import { at, attempt, STANDARD, set, shape, tune } from './kept.testkit.ts'
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

/** What only looks. */
type Reads =
  | 'list'
  | 'find'
  | 'findDeleted'
  | 'read'
  | 'cards'
  | 'answeredOn'
  | 'counts'
  | 'filters'
  | 'window'
  | 'tags'
  | 'same'
  | 'playedShape'
  | 'rows'
  | 'preview'

const sheet = (title: string): SheetDraft => ({
  title,
  paper: 'A4',
  lying: true,
  barsALine: 4,
  necks: 'lying',
  labels: 'none',
  ink: 'colour',
  blocks: [{ id: 'a', kind: 'title', text: title, aside: '' }],
})
const TAKE_ALL: NotebookChoices = { fresh: 'take', different: 'take', each: {} }
const EMPTY_ROWS = {
  settings: [],
  instruments: [],
  tunings: [],
  tunes: [],
  shapes: [],
  sets: [],
  tray: [],
  sheets: [],
  materials: [],
  runs: [],
  cards: [],
  attempts: [],
}
const notebookOf = (title: string): NotebookRows => ({
  ...EMPTY_ROWS,
  tunes: [{ ...tune(title), id: 7, createdAt: at(0).toISOString() }],
  shapes: [{ ...shape(title), frets: '3x333x', chord: 'Gm7', tune: 7, createdAt: at(0).toISOString() }],
})

describe('a full disk', () => {
  /** Every write that there is. One that is not here does not compile: `satisfies` asks for each repository's. */
  const writes = {
    shapes: {
      add: () => book.shapes.add({ ...shape('full'), note: 'x'.repeat(400) }, at(9)),
      change: () => book.shapes.change(1, { name: 'y'.repeat(60), version: 3 }, at(9)),
      changeMany: () => book.shapes.changeMany({ ids: [1], act: { kind: 'tag', tag: 'trio' } }, String, at(9)),
      remove: () => book.shapes.remove(1, at(9)),
      restore: () => book.shapes.restore(2),
    },
    sets: {
      add: () => book.sets.add({ ...set('full'), steps: Array(64).fill(set('x').steps[0]) }, at(9)),
      remove: () => book.sets.remove(1, at(9)),
      restore: () => book.sets.restore(2),
    },
    tunes: {
      add: () => book.tunes.add({ ...tune('full'), tune: { chart: 'C '.repeat(4000) } }, at(9)),
      replace: () => book.tunes.replace(1, { ...tune('other'), version: 1 }),
      remove: () => book.tunes.remove(1, at(9)),
      restore: () => book.tunes.restore(2),
    },
    sheets: {
      add: () => book.sheets.add(sheet('full'), at(9)),
      replace: () => book.sheets.replace(1, { ...sheet('other'), version: 1 }),
      remove: () => book.sheets.remove(1, at(9)),
      restore: () => book.sheets.restore(2),
    },
    changes: { undo: () => book.changes.undo(1, at(9)) },
    notebook: { apply: () => book.notebook.apply(notebookOf('new'), TAKE_ALL, 'read', at(9)) },
    tray: { replace: () => book.tray.replace({ ...set('full'), version: 0 }, at(9)) },
    instruments: {
      add: () => book.instruments.add({ ...(DEMO_INSTRUMENTS[1] as (typeof DEMO_INSTRUMENTS)[number]) }),
      edit: () => book.instruments.edit(1, { ...(DEMO_INSTRUMENTS[0] as never as object), name: 'z' } as never, 1),
      remove: () => book.instruments.remove(1),
    },
    tunings: {
      add: () => book.tunings.add({ name: 'full', strings: DEMO_INSTRUMENTS[0]?.tuning.strings ?? [] }),
      remove: () => book.tunings.remove(1),
    },
    settings: { change: () => book.settings.change({ labels: 'note' }) },
    practice: {
      addCards: () =>
        book.practice.addCards({ material: 'm9', title: 'full', tuning: STANDARD, cards: ['spell|C|b7'] }, at(9)),
      record: () => book.practice.record(attempt('attempt-full'), at(9)),
      recordAll: () => book.practice.recordAll([attempt('attempt-all')], at(9)),
      correct: () => book.practice.correct('attempt-one', { grade: 'lost', version: 1 }),
      remove: () => book.practice.remove('attempt-one', at(9)),
      restore: () => book.practice.restore('attempt-two'),
    },
    deleted: {},
    unreadable: { remove: () => book.unreadable.remove(1) },
  } satisfies {
    readonly [Name in keyof Repositories]: {
      readonly [Write in Exclude<keyof Repositories[Name], Reads>]: () => unknown
    }
  }
  const all = Object.entries(writes).flatMap(([name, of]) =>
    Object.entries(of).map(([write, act]) => [`${name}.${write}`, act as () => unknown] as const),
  )
  const contents = () => ({
    shapes: book.shapes.list(1e6),
    sets: book.sets.list(1e6),
    tunes: book.tunes.list(1e6),
    tray: book.tray.read(),
    instruments: book.instruments.list(),
    sheets: book.sheets.list(1e6),
    tunings: book.tunings.list(),
    unreadable: book.unreadable.list(),
    settings: book.settings.read(),
    log: book.practice.list({}, 1e6),
    cards: book.practice.cards(),
  })

  test.each(all)('%s is not acknowledged when its commit fails, and nothing of it is kept', (_, act) => {
    const [archtop] = DEMO_INSTRUMENTS
    if (!archtop) throw new Error('the demo has an archtop')
    for (const name of ['one', 'two']) book.shapes.add(shape(name), at(0))
    book.shapes.remove(2, at(1))
    for (const title of ['one', 'two']) book.sets.add(set(title), at(0))
    book.sets.remove(2, at(1))
    for (const title of ['one', 'two']) book.tunes.add(tune(title), at(0))
    book.tunes.remove(2, at(1))
    for (const title of ['one', 'two']) book.sheets.add(sheet(title), at(0))
    book.sheets.remove(2, at(1))
    book.shapes.changeMany({ ids: [1], act: { kind: 'move', tune: 1 } }, String, at(1))
    book.shapes.changeMany({ ids: [1], act: { kind: 'move', tune: null } }, String, at(1))
    for (const id of ['attempt-one', 'attempt-two']) book.practice.record(attempt(id), at(0))
    book.practice.remove('attempt-two', at(1))
    book.instruments.add(archtop)
    book.tunings.add(archtop.tuning)
    const beside = new Sqlite(join(folder, FILE))
    beside.exec("insert into unreadable (of_table, row, reason, found_at) values ('tunes', '{}', 'query', 0)")
    beside.close()
    const before = contents()
    close()
    // The log can't grow: the commit is what fails, not the statement.
    const opened = openDatabase(folder)
    book = createRepositories(opened.db)
    close = opened.close
    const fails = failCommits(opened.sqlite)
    expect(act).toThrow()
    fails.end()
    expect(contents()).toEqual(before)
    // With room again the same write goes through.
    expect(act).not.toThrow()
    expect(contents()).not.toEqual(before)
  })

  test('a database that may grow no further refuses with SQLITE_FULL, and keeps what it had acknowledged', () => {
    close()
    const opened = openDatabase(folder)
    book = createRepositories(opened.db)
    close = opened.close
    opened.sqlite.pragma(`max_page_count = ${(opened.sqlite.pragma('page_count', { simple: true }) as number) + 2}`)
    let acknowledged = 0
    let refused = 0
    for (let take = 0; take < 300; take++)
      try {
        book.shapes.add({ ...shape(`take ${take}`), note: 'x'.repeat(400) }, at(0))
        acknowledged++
      } catch (error) {
        expect(error).toMatchObject({ code: 'SQLITE_FULL' })
        refused++
      }
    expect(refused).toBeGreaterThan(200)
    expect(book.shapes.list(1e6).total).toBe(acknowledged)
    expect(acknowledged).toBeGreaterThan(0)
  })
})

/** Lets every statement succeed and every commit fail, as a disk does that fills at the last moment. */
function failCommits(sqlite: Sqlite.Database): { readonly end: () => void } {
  // A deferred reference to nothing is found at the commit, whatever was written.
  sqlite.exec(`
    create temp table gone (id integer primary key);
    create temp table wants (id integer references gone (id) deferrable initially deferred);
  `)
  const triggers = [
    'kept_shapes',
    'progressions',
    'tunes',
    'sheets',
    'book_changes',
    'instruments',
    'own_tunings',
    'settings',
    'practice_materials',
    'practice_runs',
    'practice_cards',
    'practice_attempts',
    'unreadable',
  ].flatMap((table) =>
    ['insert', 'update', 'delete'].map((event) => {
      const name = `fail_${table}_${event}`
      sqlite.exec(
        `create temp trigger ${name} after ${event} on main.${table} begin insert into wants values (99); end;`,
      )
      return name
    }),
  )
  return { end: () => sqlite.exec(triggers.map((name) => `drop trigger ${name};`).join('')) }
}
