import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Grade } from '@nestling/core/practice'
import Sqlite from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS } from '../../server/demoData.ts'
import { EMPTY_TRAY } from '../contracts/progression.ts'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { DataProblem, openDatabase } from './database.ts'
import { at, attempt, done, STANDARD, set, shape, tune } from './kept.testkit.ts'
import type { FormedAttempt } from './practiceRepository.ts'
import { createRepositories, type Repositories } from './repositories.ts'
import { scheduleOf } from './schedule.ts'

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
    expect(book.shapes.change(id, { name: 'Slow Ferry, opening', version }, at(1))).toMatchObject({ kind: 'done' })
    expect(book.shapes.change(id, { name: 'Ferry', version }, at(2))).toMatchObject({
      kind: 'stale',
      now: { name: 'Slow Ferry, opening', version: version + 1 },
    })
    expect(book.shapes.change(id + 1, { name: 'Ferry', version }, at(2))).toEqual({ kind: 'missing' })
  })

  test('a deletion can be taken back once, and a deleted shape can’t be renamed', () => {
    const { id, version } = book.shapes.add(shape('Kettle Song'), at(0))
    expect(book.shapes.remove(id, at(1))).toMatchObject({ kind: 'done' })
    expect(book.shapes.remove(id, at(1))).toEqual({ kind: 'missing' })
    expect(book.shapes.list(10).total).toBe(0)
    expect(book.shapes.change(id, { name: 'no', version }, at(2))).toEqual({ kind: 'missing' })
    expect(done(book.shapes.restore(id)).name).toBe('Kettle Song')
    expect(book.shapes.restore(id)).toEqual({ kind: 'missing' })
    expect(book.shapes.list(10).total).toBe(1)
  })

  test('bringing a shape back is a change: an edit that was begun before it is stale', () => {
    const { id, version } = book.shapes.add(shape('Kettle Song'), at(0))
    book.shapes.remove(id, at(1))
    expect(done(book.shapes.restore(id)).version).toBe(version + 1)
    expect(book.shapes.change(id, { name: 'Kettle', version }, at(2))).toMatchObject({ kind: 'stale' })
  })
})

test('instruments come back as they went in, a partial capo too; one of the same name is not added twice', () => {
  const [archtop] = DEMO_INSTRUMENTS
  if (!archtop) throw new Error('the demo has an archtop')
  const capoed = { ...archtop, name: 'Archtop, capo', capo: { fret: 2, strings: [5, 4, 3] } }
  book.instruments.add(archtop)
  book.instruments.add(capoed)
  expect(book.instruments.add({ ...archtop, frets: 12 })).toEqual({ kind: 'name-taken' })
  expect(book.instruments.list()).toMatchObject([archtop, capoed])
})

describe('settings', () => {
  test('start at their defaults and keep what is changed', () => {
    expect(book.settings.read()).toEqual(DEFAULT_SETTINGS)
    const value = { ...DEFAULT_SETTINGS, labels: 'note', volume: 30 }
    expect(book.settings.change({ labels: 'note', volume: 30 })).toEqual({ kind: 'done', value })
    expect(book.settings.change({ instrumentId: 3 })).toMatchObject({ value: { instrumentId: 3 } })
    expect(book.settings.change({ instrumentId: null })).toMatchObject({ value: { instrumentId: null } })
  })
  test('what was chosen a while ago is not kept over what somebody else has chosen since', () => {
    book.settings.change({ tempo: 120 })
    const late = book.settings.change({ tempo: 90, labels: 'note' }, { tempo: 80, labels: 'degree' })
    expect(late).toMatchObject({ kind: 'stale', now: { tempo: 120, labels: 'degree' } })
    expect(book.settings.read()).toEqual({ ...DEFAULT_SETTINGS, tempo: 120 })
    // Who chose the same, or changed something else, is no other opinion.
    expect(book.settings.change({ tempo: 120 }, { tempo: 80 })).toMatchObject({ kind: 'done' })
    expect(book.settings.change({ volume: 30 }, { volume: 70, tempo: 80 })).toMatchObject({ kind: 'done' })
  })
  test('a value that can’t be read is at its default, and no other with it', () => {
    book.settings.change({ labels: 'note', volume: 30 })
    const sqlite = new Sqlite(join(folder, 'nestling.db'))
    sqlite.prepare("update settings set value = '900' where key = 'volume'").run()
    sqlite.prepare("insert into settings (key, value) values ('strange', '1')").run()
    sqlite.close()
    expect(book.settings.read()).toEqual({ ...DEFAULT_SETTINGS, labels: 'note' })
  })
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
    const kept = done(book.instruments.add(archtop))
    book.instruments.add(flatTop)
    expect(book.instruments.edit(kept.id, { ...archtop, frets: 22 }, kept.version)).toMatchObject({ kind: 'done' })
    expect(book.instruments.edit(kept.id, archtop, kept.version)).toMatchObject({ kind: 'stale', now: { frets: 22 } })
    expect(book.instruments.edit(kept.id, { ...archtop, name: flatTop.name }, kept.version + 1)).toEqual({
      kind: 'name-taken',
    })
    expect(book.instruments.remove(kept.id)).toMatchObject({ kind: 'done' })
    expect(book.instruments.edit(kept.id, archtop, 1)).toEqual({ kind: 'missing' })
  })
  test('a tuning of one’s own comes back as it went in', () => {
    const kept = done(book.tunings.add({ ...flatTop.tuning, name: 'Night Heron' }))
    expect(book.tunings.list()).toEqual([{ ...flatTop.tuning, name: 'Night Heron', id: kept.id }])
    expect(book.tunings.add({ ...archtop.tuning, name: 'Night Heron' })).toEqual({ kind: 'name-taken' })
    expect(book.tunings.remove(kept.id)).toMatchObject({ kind: 'done' })
    expect(book.tunings.remove(kept.id)).toEqual({ kind: 'missing' })
  })
})

describe('tunes', () => {
  test('are listed newest first, found, changed over their version, deleted and brought back', () => {
    const first = book.tunes.add(tune('Low Tide Waltz'), at(1))
    const second = book.tunes.add(tune('Kettle Song'), at(2))
    expect(book.tunes.list(10)).toEqual({ tunes: [second, first], total: 2 })
    expect(book.tunes.list(1)).toMatchObject({ tunes: [{ title: 'Kettle Song' }], total: 2 })
    const changed = done(book.tunes.replace(first.id, { ...tune('Slow Ferry'), version: 1 }))
    expect(changed).toEqual({ ...first, title: 'Slow Ferry', version: 2 })
    // A page that still has the first version does not overwrite it.
    expect(book.tunes.replace(first.id, { ...tune('late'), version: 1 })).toEqual({ kind: 'stale', now: changed })
    expect(book.tunes.replace(99, { ...tune('x'), version: 1 })).toEqual({ kind: 'missing' })
    book.tunes.remove(first.id, at(3))
    expect(book.tunes.find(first.id)).toBeUndefined()
    expect(book.tunes.replace(first.id, { ...tune('x'), version: 2 })).toEqual({ kind: 'missing' })
    expect(done(book.tunes.restore(first.id))).toEqual(changed)
    expect(book.tunes.find(first.id)).toEqual(changed)
    expect(book.tunes.restore(first.id)).toEqual({ kind: 'missing' })
  })
})

describe('the tray and the sets that it is kept as', () => {
  test('the tray is replaced as a whole, and a stale replacement gets what it holds', () => {
    expect(book.tray.read()).toEqual(EMPTY_TRAY)
    expect(done(book.tray.replace({ ...set('Slow Ferry'), version: 0 }, at(0))).version).toBe(1)
    expect(book.tray.replace({ ...set('other'), version: 0 }, at(1))).toMatchObject({
      kind: 'stale',
      now: { title: 'Slow Ferry', version: 1 },
    })
    close()
    open()
    expect(book.tray.read()).toEqual({ ...set('Slow Ferry'), version: 1 })
    expect(done(book.tray.replace({ ...EMPTY_TRAY, version: 1 }, at(2))).version).toBe(2)
  })
  test('a set keeps its steps with their fingers; the tray is no set; a deletion can be taken back once', () => {
    book.tray.replace({ ...set('Slow Ferry'), version: 0 }, at(0))
    const kept = book.sets.add(set('Low Tide Waltz'), at(1))
    expect(book.sets.list(10)).toEqual({ sets: [kept], total: 1 })
    expect(kept).toMatchObject(set('Low Tide Waltz'))
    expect(book.sets.remove(kept.id, at(2))).toMatchObject({ kind: 'done' })
    expect(book.sets.list(10).total).toBe(0)
    expect(done(book.sets.restore(kept.id))).toEqual(kept)
    expect(book.sets.restore(kept.id)).toEqual({ kind: 'missing' })
  })
})

describe('practice', () => {
  const SPELL = 'spell|A|#5'
  const answer = (id: string, minute: number, grade: FormedAttempt['grade']) =>
    book.practice.record(
      attempt(id, { kind: 'card', run: null, card: SPELL, at: at(minute).toISOString(), grade }),
      at(0),
    )
  const card = () => book.practice.cards().find(({ card: text }) => text === SPELL)
  const addCard = () =>
    book.practice.addCards({ material: 'm7', title: '', tuning: STANDARD, cards: [SPELL, 'spell|A|b7'] }, at(0))

  test('an attempt is kept once, however often it is sent, and survives a new start', () => {
    const first = book.practice.record(attempt('attempt-1'), at(2))
    const again = book.practice.record(attempt('attempt-1', { grade: 'lost' }), at(3))
    expect([first.isNew, again.isNew]).toEqual([true, false])
    expect(again.value).toEqual(first.value)
    close()
    open()
    expect(book.practice.list({}, 10)).toEqual({ entries: [first.value.attempt], total: 1 })
    expect(first.value.attempt).toMatchObject({ root: 'Ab', form: 'x0201x', run: 'a-run-of-twelve', card: '' })
  })

  test('two pages that practise the same run at once lose nothing', () => {
    for (const id of ['page-one-1', 'page-two-1', 'page-one-2', 'page-two-2']) book.practice.record(attempt(id), at(1))
    expect(book.practice.list({}, 10).total).toBe(4)
  })

  test('cards are new until they are answered; an answer schedules as the library does', () => {
    expect(addCard()).toBe(2)
    expect(addCard()).toBe(0)
    expect(card()).toMatchObject({ isNew: true, material: 'm7', times: 0, dueAt: at(0).getTime() })
    const { due } = answer('answer-1', 10, 'had').value
    const expected = scheduleOf(at(0).getTime(), [{ at: at(10).getTime(), grade: 'had' }])
    expect(due).toBe(new Date(expected.dueAt).toISOString())
    expect(card()).toMatchObject({ isNew: false, times: 1, dueAt: expected.dueAt })
  })

  test('an answer that is corrected, taken out and brought back schedules as if it had always been so', () => {
    addCard()
    answer('answer-1', 10, 'had')
    answer('answer-2', 5, 'easy')
    const dueAfter = (...answers: readonly (readonly [number, Grade])[]) =>
      scheduleOf(
        at(0).getTime(),
        answers.map(([minute, grade]) => ({ at: at(minute).getTime(), grade })),
      ).dueAt
    expect(card()?.dueAt).toBe(dueAfter([5, 'easy'], [10, 'had']))
    expect(done(book.practice.correct('answer-2', { grade: 'lost', version: 1 }))).toMatchObject({
      grade: 'lost',
      judge: 'player',
      version: 2,
    })
    expect(card()?.dueAt).toBe(dueAfter([5, 'lost'], [10, 'had']))
    expect(book.practice.correct('answer-2', { grade: 'had', version: 1 })).toMatchObject({
      kind: 'stale',
      now: { grade: 'lost' },
    })
    book.practice.remove('answer-1', at(20))
    expect(card()?.dueAt).toBe(dueAfter([5, 'lost']))
    done(book.practice.restore('answer-1'))
    expect(card()?.dueAt).toBe(dueAfter([5, 'lost'], [10, 'had']))
    expect(book.practice.restore('answer-1')).toEqual({ kind: 'missing' })
  })

  test('a day counts its cards, and those that were asked for the first time', () => {
    addCard()
    answer('answer-1', 10, 'had')
    answer('answer-2', 20, 'had')
    book.practice.record(attempt('later', { kind: 'card', run: null, card: SPELL, day: '2026-11-03' }), at(0))
    expect(book.practice.answeredOn('2026-11-01')).toEqual({ cards: 1, newCards: 1 })
    expect(book.practice.answeredOn('2026-11-03')).toEqual({ cards: 1, newCards: 0 })
    expect(book.practice.answeredOn('2026-11-02')).toEqual({ cards: 0, newCards: 0 })
  })

  test('the log is asked by days, instrument and material', () => {
    book.practice.record(attempt('on-the-first'), at(1))
    book.practice.record(attempt('on-the-fifth', { day: '2026-11-05', material: '7', instrument: 'Baritone' }), at(1))
    const ids = (ask: Parameters<typeof book.practice.list>[0]) =>
      book.practice.list(ask, 9).entries.map(({ id }) => id)
    expect(ids({ from: '2026-11-02' })).toEqual(['on-the-fifth'])
    expect(ids({ to: '2026-11-04' })).toEqual(['on-the-first'])
    expect(ids({ instrument: 'Baritone' })).toEqual(['on-the-fifth'])
    expect(ids({ material: 'm7' })).toEqual(['on-the-first'])
    expect(book.practice.filters()).toEqual({ instruments: ['Archtop', 'Baritone'], materials: ['7', 'm7'] })
  })
})
