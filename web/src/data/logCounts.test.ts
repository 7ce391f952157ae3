import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pitchClassOf } from '@nestling/core/pitch'
import { type LogEntry, rowKey } from '@nestling/core/practice'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { DEMO_INSTRUMENTS } from '../../server/demoData.ts'
import { demoLog } from '../../server/demoLog.ts'
import { openDatabase } from './database.ts'
import { daysOf, homeOf, tempoOf } from './logCounts.testkit.ts'
import type { FormedAttempt } from './practiceRepository.ts'
import { createRepositories, type Repositories } from './repositories.ts'

let folder: string
let kept: Repositories
let close: () => void
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-log-'))
  const opened = openDatabase(folder)
  kept = createRepositories(opened.db)
  close = opened.close
})
afterEach(() => {
  close()
  rmSync(folder, { recursive: true, force: true })
})

const entryOf = ({ run: _, card: __, at, root, ...rest }: FormedAttempt): LogEntry => ({
  ...rest,
  at: Date.parse(at),
  root: root === '' ? null : pitchClassOf(root as 'C'),
})
const [archtop] = DEMO_INSTRUMENTS
const { attempts } = archtop ? demoLog(archtop, new Date(Date.UTC(2026, 10, 26, 20)), 3) : { attempts: [] }
// What is shown and what nobody judged counts as played, and no more.
const turned = attempts.map(
  (attempt, index): FormedAttempt =>
    index % 7 === 0 ? { ...attempt, shown: true } : index % 11 === 0 ? { ...attempt, grade: 'played' } : attempt,
)

test('what the database counts is what going through every entry counts', () => {
  kept.practice.recordAll(turned, new Date())
  const entries = turned.map(entryOf)
  expect(entries.length).toBeGreaterThan(800)
  const { rows, days, total } = kept.practice.counts({}, {})
  expect(rows).toEqual(homeOf(entries))
  expect(days.map(({ seconds, ...rest }) => ({ ...rest, seconds: Math.round(seconds) }))).toEqual(
    daysOf(entries).map(({ seconds, ...rest }) => ({ ...rest, seconds: Math.round(seconds) })),
  )
  expect(total).toBe(entries.length)
  for (const { key } of rows)
    for (const root of [0, 6, 8])
      expect(kept.practice.counts({}, { row: key, root }).tempo, `${key} ${root}`).toEqual(tempoOf(entries, key, root))
})

test('only what is asked for counts: days, materials', () => {
  kept.practice.recordAll(turned, new Date())
  const ask = { from: '2026-11-01', to: '2026-11-14', material: 'm7' }
  const entries = turned
    .map(entryOf)
    .filter(({ day, material }) => day >= ask.from && day <= ask.to && material === 'm7')
  expect(kept.practice.counts(ask, {}).rows).toEqual(homeOf(entries))
})

test('the shape and the root that are asked for, and those that were played most where none is', () => {
  kept.practice.recordAll(turned, new Date())
  const { rows, row, root, own, ownTotal } = kept.practice.counts({}, {})
  expect(row).toBe(rows[0]?.key)
  expect(own.length).toBe(Math.min(60, ownTotal))
  const mine = turned
    .map(entryOf)
    .filter((entry) => entry.kind === 'run' && rowKey(entry) === row && entry.root === root)
  expect(own.map(({ id }) => id)).toEqual(mine.toSorted((a, b) => b.at - a.at).map(({ id }) => id))
  expect(kept.practice.counts({}, { row: 'no such shape', root: 3 })).toMatchObject({ row: rows[0]?.key, root: 3 })
  expect(kept.practice.counts({ material: 'nothing' }, {})).toMatchObject({
    rows: [],
    row: undefined,
    own: [],
    total: 0,
  })
})

test('a black key is one place under both its names', () => {
  const [one] = turned.filter(({ kind, grade }) => kind === 'run' && grade === 'had')
  if (!one) throw new Error('the demo has a root that was had')
  const named = (id: string, root: string, tempo: number): FormedAttempt => ({ ...one, id, root, tempo, shown: false })
  kept.practice.recordAll([named('as-sharp', 'F#', 70), named('as-flat', 'Gb', 90)], new Date())
  expect(kept.practice.counts({}, { root: 6 })).toMatchObject({ ownTotal: 2 })
  expect(kept.practice.counts({}, {}).rows[0]?.cells[6]).toEqual({ best: 90, times: 2, last: 'had' })
})
