import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayNumber, dayPlan, daysOf, dayText, GRADES, graded, gradeHeard, homeOf, isClean, type LogEntry, middleOf, rowKey, tempoOf, weakOf } from './index.ts' // biome-ignore format: a list

let count = 0
const entry = (more: Partial<LogEntry> = {}): LogEntry => ({
  id: String(count++), at: count * 1000, day: '2026-11-02', kind: 'run', material: 'm7', suffix: 'm7', root: 8, string: 5, frets: 'x-11-13-11-12-x',
  form: 'x0201x', tempo: 66, grade: 'had', judge: 'player', shown: false, seconds: 3, faults: '', instrument: 'Archtop', ...more,
}) // biome-ignore format: a table

describe('where the hand is at home', () => {
  test('a cell holds the quickest clean tempo, how often, and how it went last', () => {
    const [row] = homeOf([
      entry({ tempo: 60 }),
      entry({ tempo: 72, grade: 'easy' }),
      entry({ tempo: 90, grade: 'hard' }),
    ])
    expect(row).toMatchObject({ suffix: 'm7', string: 5, form: 'x0201x' })
    expect(row?.cells[8]).toEqual({ best: 72, times: 3, last: 'hard' })
    expect(row?.cells.filter((cell) => cell !== null)).toHaveLength(1)
  })
  test('what was shown is not clean; cards and arpeggios without a root are no home', () => {
    const [row] = homeOf([entry({ shown: true, tempo: 99 }), entry({ kind: 'card' }), entry({ root: null })])
    expect(row?.cells[8]).toMatchObject({ best: undefined, times: 1 })
  })
  test('it is the same as counting every shape by itself', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            root: fc.nat(11),
            form: fc.constantFrom('x0201x', '0x000x'),
            tempo: fc.integer({ min: 40, max: 120 }),
            grade: fc.constantFrom(...GRADES),
          }),
        ),
        (all) => {
          const entries = all.map((one) => entry(one))
          for (const row of homeOf(entries))
            for (const [root, cell] of row.cells.entries()) {
              const mine = entries.filter((one) => rowKey(one) === row.key && one.root === root)
              const clean = mine.filter(({ grade }) => isClean(grade)).map(({ tempo }) => tempo)
              expect(cell?.times ?? 0).toBe(mine.length)
              expect(cell?.best).toBe(clean.length > 0 ? Math.max(...clean) : undefined)
            }
          expect(
            homeOf(entries).reduce(
              (sum, { cells }) => sum + cells.reduce((all, cell) => all + (cell?.times ?? 0), 0),
              0,
            ),
          ).toBe(entries.length)
        },
      ),
    ))
})

test('days of rest stand among the days that were played', () => {
  const days = daysOf(
    [
      entry({ day: '2026-10-30', seconds: 90 }),
      entry({ day: '2026-11-01', kind: 'card' }),
      entry({ day: '2026-11-01' }),
    ],
    '2026-10-30',
    '2026-11-02',
  )
  expect(days.map(({ day, seconds, runs, cards }) => `${day} ${seconds} ${runs} ${cards}`)).toEqual([
    '2026-10-30 90 1 0',
    '2026-10-31 0 0 0',
    '2026-11-01 6 1 1',
    '2026-11-02 0 0 0',
  ])
  expect(dayText(dayNumber('2028-02-29'))).toBe('2028-02-29')
  expect(daysOf([], '2026-11-02', '2026-11-01')).toEqual([])
})

test('tempo over time: the middle of a day’s clean tempi, and the quickest on one root', () => {
  const entries = [
    entry({ day: '2026-11-03', tempo: 70 }), entry({ day: '2026-11-03', tempo: 80, root: 1 }), entry({ day: '2026-11-03', tempo: 90, root: 1 }),
    entry({ day: '2026-11-01', tempo: 60, grade: 'lost' }), entry({ form: 'other' }),
  ] // biome-ignore format: a table
  expect(tempoOf(entries, rowKey(entry()), 1)).toEqual([
    { day: '2026-11-01', middle: undefined, onRoot: undefined },
    { day: '2026-11-03', middle: 80, onRoot: 90 },
  ])
  expect([middleOf([3, 1, 2]), middleOf([4, 1])]).toEqual([2, 2.5])
})

test('what asks for more: what is lost most often, and the string that the ear finds wrong; never a single slip', () => {
  const many = (times: number, more: Partial<LogEntry>) => Array.from({ length: times }, () => entry(more))
  const weak = weakOf([
    ...many(4, { root: 6, grade: 'lost', judge: 'ear', faults: '3:+1' }),
    ...many(20, { root: 0 }),
    entry({ root: 2, grade: 'lost', faults: '4:0' }),
  ])
  expect(
    weak.map((one) =>
      one.kind === 'root'
        ? `root ${one.root} ${one.lost}/${one.of}`
        : one.kind === 'string'
          ? `string ${one.string} ${one.fault} ${one.times}/${one.of}`
          : `shape ${one.lost}/${one.of}`,
    ),
  ).toEqual(['root 6 4/4', 'string 3 +1 4/4', 'shape 5/25'])
  expect(weakOf(many(2, { grade: 'lost' }))).toEqual([])
})

describe('grades', () => {
  test('what was shown is hard at best', () =>
    expect(GRADES.map((grade) => graded(grade, true))).toEqual(['lost', 'hard', 'hard', 'hard']))
  test.each([
    [{ right: 4, faults: 0, lateMs: 20 }, 'had'],
    [{ right: 4, faults: 0, lateMs: 200 }, 'hard'],
    [{ right: 3, faults: 1, lateMs: 0 }, 'hard'],
    [{ right: 2, faults: 2, lateMs: 0 }, 'lost'],
    [{ right: 0, faults: 0, lateMs: 0 }, 'lost'],
  ] as const)('%j is %s', (heard, grade) => expect(gradeHeard(heard)).toBe(grade))
})

describe('the plan of a day', () => {
  const DAY = 24 * 3600_000
  const card = (id: string, dueAt: number, more: { isNew?: boolean; isLost?: boolean } = {}) => ({
    id,
    dueAt,
    isNew: false,
    isLost: false,
    ...more,
  })
  const cards = [
    card('b', 2 * DAY),
    card('a', DAY),
    card('lost', 3 * DAY, { isLost: true }),
    card('far', 9 * DAY),
    card('n2', 2, { isNew: true }),
    card('n1', 1, { isNew: true }),
  ]
  const ask = { endsAt: 4 * DAY, isRest: false, limits: { cards: 30, newCards: 8 } }
  const ids = (more: object) =>
    dayPlan(cards, { ...ask, ...more })
      .asked.map(({ id }) => id)
      .join(' ')

  test('lost first, then due, the longest overdue before, then new', () => {
    expect(ids({})).toBe('lost a b n1 n2')
    expect(dayPlan(cards, ask)).toMatchObject({ lost: 1, due: 2, fresh: 2, later: 0 })
  })
  test('limits hold, what was answered today counts towards them, and what is left is told', () => {
    expect(ids({ limits: { cards: 30, newCards: 1 } })).toBe('lost a b n1')
    expect(ids({ limits: { cards: 2, newCards: 8 } })).toBe('lost a')
    expect(ids({ done: { cards: 28, newCards: 0 } })).toBe('lost a')
    expect(ids({ done: { cards: 1, newCards: 7 } })).toBe('lost a b n1')
    expect(dayPlan(cards, { ...ask, limits: { cards: 2, newCards: 8 } }).later).toBe(3)
  })
  test('on a day of rest nothing is due', () =>
    expect(dayPlan(cards, { ...ask, isRest: true })).toMatchObject({ isRest: true, asked: [], later: 0 }))
})
