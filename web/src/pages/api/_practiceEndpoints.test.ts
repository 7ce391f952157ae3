/** Practice and its log, asked as functions; the browser tests ask over the wire. */
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import { ask, nothingKept } from './_ask.testkit.ts'
import type { Work } from './_work.ts'
import { work as logAnswer } from './log/index.ts'
import { work as logSummary } from './log/summary.ts'
import { PATCH as correctAttempt } from './practice/attempts/[id]/index.ts'
import { POST as addAttempt } from './practice/attempts/index.ts'
import { POST as addCards } from './practice/cards.ts'
import { GET as due } from './practice/due.ts'

const STANDARD = 'E2,A2,D3,G3,B3,E4'

describe('practice', () => {
  const attempt = {
    id: 'an-attempt-1',
    kind: 'run',
    at: '2026-11-23T18:00:00.000Z',
    day: '2026-11-23',
    material: 'm7',
    suffix: 'm7',
    root: 'Ab',
    string: 5,
    frets: 'x-11-13-11-12-x',
    tempo: 66,
    grade: 'had',
    seconds: 3.6,
  } as const

  test.each([
    [{ grade: 'splendid' }, 'grade'],
    [{ day: '2026-13-01' }, 'day'],
    [{ at: 'yesterday' }, 'at'],
    [{ id: 'x' }, 'id'],
    [{ frets: 'x12' }, 'frets'],
    [{ root: 'H' }, 'root'],
    [{ tuning: 'E2,Q2' }, 'tuning'],
    [{ seconds: -1 }, 'seconds'],
    [{ faults: '3 a fret high' }, 'faults'],
    [{ colour: 'red' }, 'colour'],
  ])('an attempt with %j is refused in its field, and nothing is kept', async (wrong, field) =>
    expect(
      await ask(addAttempt, { body: { ...attempt, ...wrong }, locals: { practice: { record: nothingKept } } }),
    ).toMatchObject({
      status: 400,
      body: { field },
    }),
  )

  test('a new attempt is 201, the same once more 200, and its form is told to the log', async () => {
    const given: unknown[] = []
    const record = (isNew: boolean) => (draft: unknown) => {
      given.push(draft)
      return { value: { attempt: {}, due: null } as never, isNew }
    }
    expect((await ask(addAttempt, { body: attempt, locals: { practice: { record: record(true) } } })).status).toBe(201)
    expect((await ask(addAttempt, { body: attempt, locals: { practice: { record: record(false) } } })).status).toBe(200)
    expect(given[0]).toMatchObject({ form: 'x0201x', judge: 'player', shown: false, tuning: STANDARD, run: null })
  })

  test('a correction over another is refused with what is there', async () =>
    expect(
      await ask(correctAttempt, {
        body: { grade: 'lost', version: 1 },
        params: { id: 'an-attempt-1' },
        locals: { practice: { correct: () => ({ kind: 'stale', now: { version: 2, grade: 'easy' } as never }) } },
      }),
    ).toMatchObject({ status: 409, body: { now: { grade: 'easy' }, yours: { grade: 'lost' } } }))

  test('what is no card is refused with its place', async () =>
    expect(
      await ask(addCards, {
        body: { material: 'm7', cards: ['spell|A|#5', 'sing|A'] },
        locals: { practice: { addCards: nothingKept } },
      }),
    ).toMatchObject({ status: 400, body: { field: 'cards.1' } }))

  const card = (id: string, dueAt: string, more = {}) => ({
    id,
    card: id,
    tuning: STANDARD,
    material: 'm7',
    title: '',
    dueAt: Date.parse(dueAt),
    isNew: false,
    isLost: false,
    times: 2,
    ...more,
  })
  const cards = [
    card('today', '2026-11-23T21:00:00Z'),
    card('tomorrow', '2026-11-24T08:00:00Z'),
    card('new', '2026-11-01T00:00:00Z', { isNew: true, times: 0 }),
  ]
  const dueOn = (query: string, settings = {}) =>
    ask(due, {
      path: `/api/practice/due?${query}`,
      locals: {
        practice: { cards: () => cards, answeredOn: () => ({ cards: 0, newCards: 0 }) },
        settings: { read: () => ({ ...DEFAULT_SETTINGS, ...settings }) },
      },
    })
  test('a day’s cards: those due until it ends where the player is, then new ones', async () => {
    const ids = ({ body }: { body: { cards: { id: string }[] } }) => body.cards.map(({ id }) => id)
    expect(ids(await dueOn('date=2026-11-23'))).toEqual(['today', 'new'])
    // West of Greenwich the day ends later.
    expect(ids(await dueOn('date=2026-11-23&ends=2026-11-24T08:59:59.999Z'))).toEqual(['today', 'tomorrow', 'new'])
    expect((await dueOn('date=2026-11-23')).body).toMatchObject({
      date: '2026-11-23',
      rest: false,
      due: 1,
      new: 1,
      lost: 0,
      later: 0,
      total: 3,
      minutes: 2,
    })
  })
  test('nothing is due on a day of rest: a weekday, or the one that was taken off', async () => {
    // 23 November 2026 is a Monday.
    for (const settings of [{ restDays: [1] }, { restOn: '2026-11-23' }])
      expect((await dueOn('date=2026-11-23', settings)).body).toMatchObject({ rest: true, cards: [], due: 0 })
    expect((await dueOn('date=2026-11-23', { restDays: [2] })).body.rest).toBe(false)
  })
  test.each(['', 'date=23.11.2026', 'date=2026-11-31T00', 'date=2026-11-23&colour=red'])(
    'due?%s is refused',
    async (query) => expect((await dueOn(query)).status).toBe(400),
  )

  test('the log is listed as JSON or as a table, and says when it is cut', async () => {
    const entry = {
      ...attempt,
      form: 'x0201x',
      judge: 'ear',
      shown: false,
      faults: '3:+1',
      instrument: '=cmd',
      tuning: STANDARD,
      run: null,
      card: '',
      version: 1,
    } as const
    const practice = { list: () => ({ entries: [entry], total: 2 }) }
    expect((await ask(logAnswer, { path: '/api/log', locals: { practice } })).body).toMatchObject({
      count: 2,
      truncated: true,
      entries: [{ root: 'Ab' }],
    })
    const url = new URL('/api/log?format=csv', 'http://127.0.0.1:4321')
    const csv = await (await logAnswer({ url, locals: { practice } } as unknown as Parameters<Work>[0])).text()
    // A spreadsheet takes no formula from it.
    expect(csv.split('\r\n')[1]).toBe(
      '2026-11-23T18:00:00.000Z,2026-11-23,run,m7,Ab,m7,5,x-11-13-11-12-x,66,had,ear,false,3.6,3:+1,"\'=cmd",',
    )
    expect((await ask(logAnswer, { path: '/api/log?from=soon', locals: { practice } })).body).toMatchObject({
      field: 'from',
    })
  })
  test('what the logbook shows begins with the first day where none is asked, rest among the days', async () => {
    const counts = () => ({
      rows: [],
      row: undefined,
      root: 0,
      days: [{ day: '2026-11-20', seconds: 9, runs: 1, cards: 0 }],
      tempo: [],
      weak: [],
      own: [],
      ownTotal: 0,
      total: 1,
    })
    const { body } = await ask(logSummary, {
      path: '/api/log/summary?to=2026-11-22',
      locals: { practice: { counts, filters: () => ({ instruments: [], materials: [] }) } },
    })
    expect(body.days.map(({ day }: { day: string }) => day)).toEqual(['2026-11-20', '2026-11-21', '2026-11-22'])
  })
})
