import { describe, expect, test } from 'vitest'
import {
  dayNumber,
  dayPlan,
  dayText,
  GRADES,
  graded,
  gradeHeard,
  type LogEntry,
  middleOf,
  weakOf,
  withRest,
} from './index.ts'

let count = 0
const entry = (more: Partial<LogEntry> = {}): LogEntry => ({
  id: String(count++),
  at: count * 1000,
  day: '2026-11-02',
  kind: 'run',
  material: 'm7',
  suffix: 'm7',
  root: 8,
  string: 5,
  frets: 'x-11-13-11-12-x',
  form: 'x0201x',
  tempo: 66,
  grade: 'had',
  judge: 'player',
  shown: false,
  seconds: 3,
  faults: '',
  instrument: 'Archtop',
  ...more,
})

test('days of rest stand among the days that were played', () => {
  const played = [
    { day: '2026-10-30', seconds: 90, runs: 1, cards: 0 },
    { day: '2026-11-01', seconds: 6, runs: 1, cards: 1 },
  ]
  const days = withRest(played, '2026-10-30', '2026-11-02')
  expect(days.map(({ day, seconds, runs, cards }) => `${day} ${seconds} ${runs} ${cards}`)).toEqual([
    '2026-10-30 90 1 0',
    '2026-10-31 0 0 0',
    '2026-11-01 6 1 1',
    '2026-11-02 0 0 0',
  ])
  expect(dayText(dayNumber('2028-02-29'))).toBe('2028-02-29')
  expect(withRest([], '2026-11-02', '2026-11-01')).toEqual([])
})

test('the middle one, or the mean of the two', () => expect([middleOf([3, 1, 2]), middleOf([4, 1])]).toEqual([2, 2.5]))

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
