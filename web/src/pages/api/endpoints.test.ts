/** Endpoints as functions, with repositories that are given to them; the browser tests ask them over the wire. */
import type { APIRoute } from 'astro'
import { describe, expect, test } from 'vitest'
import { EMPTY_TRAY } from '../../contracts/progression.ts'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import type { Repositories } from '../../data/repositories.ts'
import { refusalOf } from './_border.ts'
import type { Work } from './_work.ts'
import { work as between } from './between.ts'
import { DELETE as removeInstrument } from './instruments/[id].ts'
import { work as keyAnswer } from './key.ts'
import { work as laneAnswer } from './lane.ts'
import { work as logAnswer } from './log/index.ts'
import { work as logSummary } from './log/summary.ts'
import { work as names } from './names.ts'
import { work as path } from './path.ts'
import { PATCH as correctAttempt } from './practice/attempts/[id]/index.ts'
import { POST as addAttempt } from './practice/attempts/index.ts'
import { POST as addCards } from './practice/cards.ts'
import { GET as due } from './practice/due.ts'
import { work as runAnswer } from './run.ts'
import { POST as addSet } from './sets/index.ts'
import { PATCH as changeSettings } from './settings.ts'
import { PATCH as rename } from './shapes/[id].ts'
import { POST as addShape } from './shapes/index.ts'
import { PUT as putTray } from './tray.ts'
import { PUT as changeTune, GET as tuneAnswer } from './tunes/[id]/index.ts'
import { POST as addTune } from './tunes/index.ts'
import { work as voicings } from './voicings.ts'

type Given = { readonly [Name in keyof Repositories]?: Partial<Repositories[Name]> }

async function ask(
  route: APIRoute | Work,
  { path = '/', body, locals = {}, params = {} }: { path?: string; body?: unknown; locals?: Given; params?: object },
) {
  const url = new URL(path, 'http://127.0.0.1:4321')
  const request = new Request(url, body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) })
  const response = await (route as APIRoute)({ url, request, locals, params } as unknown as Parameters<APIRoute>[0])
  return { status: response.status, body: response.status === 204 ? undefined : await response.json() }
}

const STANDARD = 'E2,A2,D3,G3,B3,E4'
const shape = { chord: 'Fm9', frets: 'x8688x', tuning: STANDARD, fingers: '' }
const step = { id: 'a', beats: 4, chord: 'Fm9', shape, held: true }
const nothingKept = () => {
  throw new Error('this must not be kept')
}

describe('what is no music is refused with its field and place, and nothing is kept', () => {
  test.each([
    [{ ...step, chord: 'not a chord' }, 'steps.0.chord', 0],
    [{ ...step, shape: { ...shape, chord: 'Fm9x' } }, 'steps.0.shape.chord', 3],
    [{ ...step, shape: { ...shape, frets: 'x868' } }, 'steps.0.shape.frets', 0],
    [{ ...step, shape: { ...shape, tuning: 'E2,Q2' } }, 'steps.0.shape.tuning', 3],
    [{ ...step, shape: { ...shape, fingers: 'x91111' } }, 'steps.0.shape.fingers', 1],
  ])('%# in a set and in the tray', async (wrong, field, at) => {
    const sets = await ask(addSet, { body: { title: 'x', steps: [wrong] }, locals: { sets: { add: nothingKept } } })
    const tray = await ask(putTray, {
      body: { ...EMPTY_TRAY, steps: [wrong] },
      locals: { tray: { replace: nothingKept } },
    })
    for (const { status, body } of [sets, tray]) {
      expect(status).toBe(400)
      expect(body).toMatchObject({ field, at, error: expect.any(String), expected: expect.any(String) })
    }
  })

  test.each([
    [{ ...shape, name: 'x', chord: 'Q' }, 'chord'],
    [{ ...shape, name: 'x', frets: 'xxxxxx' }, 'frets'],
    [{ ...shape, name: 'x', fingers: '1' }, 'fingers'],
    [{ ...shape, name: '' }, 'name'],
    [{ ...shape, name: 'x', colour: 'red' }, 'colour'],
  ])('%# in a kept shape', async (body, field) =>
    expect(await ask(addShape, { body, locals: { shapes: { add: nothingKept } } })).toMatchObject({
      status: 400,
      body: { field },
    }),
  )
})

test('a right shape is kept as it came, and answered with 201', async () => {
  const kept = { ...shape, name: 'home', note: '' }
  const add = (draft: object) => ({ ...draft, id: 7, createdAt: '', version: 1 })
  const same = () => [{ id: 3, name: 'lift' }]
  // The same shape that is there already is told.
  expect(await ask(addShape, { body: kept, locals: { shapes: { add, same } as Given['shapes'] & object } })).toEqual({
    status: 201,
    body: { ...kept, tune: null, tags: [], id: 7, createdAt: '', version: 1, same: [{ id: 3, name: 'lift' }] },
  })
})

test('there is one answer for what is stale: both states, and the version that is right', async () => {
  const now = { ...shape, name: 'theirs', note: '', tune: null, tags: [], id: 7, createdAt: '', version: 5 }
  const stale = await ask(rename, {
    body: { name: 'mine', version: 4 },
    params: { id: '7' },
    locals: { shapes: { change: () => ({ kind: 'stale', now }) } },
  })
  expect(stale).toMatchObject({
    status: 409,
    body: { field: 'version', expected: '5', now, yours: { name: 'mine', version: 4 } },
  })
  const tray = await ask(putTray, {
    body: { ...EMPTY_TRAY },
    locals: { tray: { replace: () => ({ kind: 'stale', now: { ...EMPTY_TRAY, version: 3 } }) } },
  })
  expect(tray).toMatchObject({ status: 409, body: { expected: '3', now: { version: 3 } } })
})

test.each(['0x7', '7.5', '-1', 'seven'])('an id such as %s is nobody’s', async (id) =>
  expect(await ask(rename, { body: { name: 'x', version: 1 }, params: { id } })).toMatchObject({ status: 404 }),
)

test('the instrument in hand that is taken away is no longer chosen', async () => {
  const changes: unknown[] = []
  const locals: Given = {
    instruments: { remove: () => ({ kind: 'done', value: undefined }) },
    settings: {
      read: () => ({ ...DEFAULT_SETTINGS, instrumentId: 7 }),
      change: (change) => {
        changes.push(change)
        return DEFAULT_SETTINGS
      },
    },
  }
  expect((await ask(removeInstrument, { params: { id: '7' }, locals })).status).toBe(204)
  expect((await ask(removeInstrument, { params: { id: '8' }, locals })).status).toBe(204)
  expect(changes).toEqual([{ instrumentId: null }])
})

test('an instrument that there is not can’t be taken in hand', async () =>
  expect(
    await ask(changeSettings, {
      body: { instrumentId: 99 },
      locals: { instruments: { find: () => undefined }, settings: { change: nothingKept } },
    }),
  ).toMatchObject({ status: 400, body: { field: 'instrumentId' } }))

test('a field given twice is refused; a field called as the language’s own is only unknown', async () => {
  expect(await ask(names, { path: '/api/names?frets=x68786&frets=x68787' })).toMatchObject({
    status: 400,
    body: { field: 'frets', error: expect.stringContaining('given twice') },
  })
  expect(await ask(names, { path: '/api/names?frets=x68786&constructor=x' })).toMatchObject({
    status: 400,
    body: { field: 'constructor', error: expect.not.stringContaining('twice') },
  })
})

test('a question that could take minutes ends with what it has, says so, and why', async () => {
  const tuning = 'C2,D2,E2,F2,G2,A2,D3,G3,B3,E4'
  const { status, body } = await ask(voicings, {
    path: `/api/voicings?chord=C13&doubling=true&open=allow&tuning=${tuning}&limit=20000`,
  })
  expect(status).toBe(200)
  expect(body.truncated).toBe(true)
  expect(['rows', 'steps', 'time']).toContain(body.cut)
  expect(body.voicings.length).toBeGreaterThan(0)
})

describe('shapes over HTTP', () => {
  test('tell the effort of their fingers and the hand’s verdict, and keep to a top pitch and a register', async () => {
    const { body } = await ask(voicings, {
      path: '/api/voicings?chord=Cmaj7&arrangement=drop-2&strings=5432&topPitch=E4&lowest=C3&highest=E4',
    })
    expect(body.count).toBe(1)
    expect(body.voicings[0]).toMatchObject({ frets: [null, 3, 5, 4, 5, null], hand: { verdict: 'easy' } })
    expect(body.voicings[0].effort).toBeGreaterThan(0)
    const refused = await ask(voicings, { path: '/api/voicings?chord=Cmaj7&topPitch=Q4' })
    expect(refused).toMatchObject({ status: 400, body: { field: 'topPitch' } })
  })

  test('come in the order of the list in Build', async () => {
    const { body } = await ask(voicings, { path: '/api/voicings?chord=C&open=allow&limit=1' })
    expect(body.voicings[0].frets).toEqual([null, 3, 2, 0, 1, 0])
  })

  test('both names where the telling tone is silent; a stated symbol stays first without its root', async () => {
    const silent = await ask(names, { path: '/api/names?frets=8x88xx' })
    expect(silent.body.names.slice(0, 2).map((name: { symbol: string }) => name.symbol)).toEqual(['Cm7', 'Cm7b5'])
    const plain = await ask(names, { path: '/api/names?frets=x7978x' })
    const stated = await ask(names, { path: '/api/names?frets=x7978x&symbol=Cmaj9' })
    expect(plain.body.names[0].symbol).toBe('Em7')
    expect(stated.body.names[0].symbol).toBe('Cmaj9')
    expect((await ask(names, { path: '/api/names?frets=x7978x&symbol=C7x9' })).body.field).toBe('symbol')
  })
})

describe('at the border', () => {
  const request = (method: string, headers: Record<string, string>) =>
    new Request('http://127.0.0.1:4321/api/shapes', { method, headers })
  const json = { host: '127.0.0.1:4321', 'content-type': 'application/json' }
  const status = (method: string, headers: Record<string, string>, host?: string) =>
    refusalOf(request(method, headers), host === undefined ? {} : { HOST: host })?.status

  test.each([
    ['POST', { ...json, origin: 'http://elsewhere.example' }, 403],
    ['POST', { ...json, origin: 'http://127.0.0.1:9999' }, 403],
    ['POST', { ...json, origin: 'http://127.0.0.1:4321' }, undefined],
    ['POST', json, undefined],
    ['POST', { ...json, 'content-type': 'Application/JSON; charset=utf-8' }, undefined],
    ['POST', { ...json, 'content-type': 'text/plain' }, 415],
    ['POST', { ...json, 'content-length': '70000' }, 413],
    ['DELETE', { ...json, 'transfer-encoding': 'chunked' }, 411],
    ['GET', { host: 'elsewhere.example' }, 403],
    ['GET', { host: 'localhost:4321', origin: 'http://elsewhere.example' }, undefined],
    ['GET', { host: '127.0.0.2:4321' }, undefined],
    ['GET', { host: '[::1]:4321' }, undefined],
    ['GET', { host: '127.0.0.1.elsewhere.example' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'same-origin' }, undefined],
    ['GET', { ...json, 'sec-fetch-site': 'none' }, undefined],
    ['GET', { ...json, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'cors' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, 403],
  ])('%s with %o: %s', (method, headers, expected) => expect(status(method, headers)).toBe(expected))

  test('an empty HOST is the loopback, not every address', () => {
    expect(status('GET', { host: 'elsewhere.example' }, '')).toBe(403)
    expect(status('GET', { host: 'elsewhere.example' }, '0.0.0.0')).toBeUndefined()
  })

  test.each(['127.0.0.2', '::1', 'localhost'])(
    'HOST %s is this machine: a foreign name is still turned away',
    (host) => {
      expect(status('GET', { host: 'elsewhere.example' }, host)).toBe(403)
      expect(status('GET', { host: 'localhost:4321' }, host)).toBeUndefined()
    },
  )

  test('a link from elsewhere may lead to a page, not to what the server must work for', () => {
    const linked = (path: string, method = 'GET') =>
      refusalOf(
        new Request(`http://127.0.0.1:4321${path}`, {
          method,
          headers: { host: '127.0.0.1:4321', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' },
        }),
        {},
      )?.status
    expect([linked('/map?chord=C'), linked('/api'), linked('/api/lane?tonic=C'), linked('/', 'POST')]).toEqual([
      undefined,
      undefined,
      403,
      403,
    ])
  })
})

describe('keys and lanes', () => {
  test('a key tells its seven chords, spelled by itself', async () => {
    const { status, body } = await ask(keyAnswer, { path: '/api/key?tonic=Bb&scale=major&depth=ninths&school=plain' })
    expect(status).toBe(200)
    expect(body).toMatchObject({ tonic: 'Bb', scale: 'major (Ionian)' })
    expect(body.steps.map(({ symbol }: { symbol: string }) => symbol).join(' ')).toBe(
      'Bbmaj9 Cm9 Dm7 Ebmaj9 F9 Gm9 Am7b5',
    )
    expect(body.steps[2]).toMatchObject({
      step: 3,
      number: 'iii',
      function: 'tonic',
      mode: 'Phrygian',
      notes: ['D', 'F', 'A', 'C'],
      left: [{ degree: 'b9' }],
    })
  })

  test('a run goes through its roots, the hand moving least', async () => {
    const { body } = await ask(runAnswer, { path: '/api/run?material=m7&from=E' })
    expect(body.steps.map(({ root }: { root: string }) => root).join(' ')).toBe('E A D G C F Bb Eb Ab Db F# B')
    expect(body.steps[0]).toEqual({ root: 'E', symbol: 'Em7', frets: '12-x-12-12-12-x', hopFrets: 0, hopMm: 0 })
    expect(body.steps[7]).toMatchObject({ root: 'Eb', twin: 'D#', symbol: 'Ebm7' })
    const thirds = await ask(runAnswer, { path: '/api/run?material=b9&cycle=minor-thirds&place=nearest' })
    expect(thirds.body.steps).toHaveLength(4)
    const orders = await Promise.all(
      [1, 1, 2].map((seed) => ask(runAnswer, { path: `/api/run?cycle=shuffle&seed=${seed}` })),
    )
    const [first, again, other] = orders.map((one) => JSON.stringify(one.body))
    expect(first).toBe(again)
    expect(first).not.toBe(other)
  })

  test('a lane tells a shape for every step, with its hop, or why there is none', async () => {
    const { body } = await ask(laneAnswer, { path: '/api/lane?tonic=C&depth=sevenths&root=6' })
    expect(body.highest).toBe(17)
    expect(body.steps[0]).toEqual({
      step: 1,
      symbol: 'Cmaj7',
      frets: '8x998x',
      degrees: ['R', null, '7', '3', '5', null],
      reachMm: 23,
      hopFrets: 0,
      hopMm: 0,
      names: expect.arrayContaining(['Cmaj7']),
    })
    expect(body.steps[6]).toMatchObject({ frets: '7x776x', hopFrets: -10, goesOnBecause: 'past the last fret' })
    const open = await ask(laneAnswer, {
      path: '/api/lane?tonic=G&depth=triads&tones=R:5,5:4,3:2&ring=3,1&silent=6&tuning=D2,G2,D3,G3,B3,D4',
    })
    expect(open.body.steps.map(({ frets }: { frets: string }) => frets).join(' ')).toBe(
      'x00000 x22010 x44030 x55050 x77070 x99080 x-11-10-0-10-0',
    )
    expect(open.body.steps[3].names[0]).toBe('Cadd9')
  })

  test.each([
    [keyAnswer, '/api/key?tonic=X', 'tonic'],
    [keyAnswer, '/api/key?tonic=C&scale=blue', 'scale'],
    [keyAnswer, '/api/key?tonic=G%23%23', 'tonic'],
    [keyAnswer, '/api/key?tonic=C&depth=fifths', 'depth'],
    [runAnswer, '/api/run?material=zz', 'material'],
    [runAnswer, '/api/run?material=m7/G', 'material'],
    [runAnswer, '/api/run?from=H2', 'from'],
    [runAnswer, '/api/run?cycle=sixths', 'cycle'],
    [runAnswer, '/api/run?place=3-and-2', 'place'],
    [laneAnswer, '/api/lane?tonic=C&root=9', 'root'],
    [laneAnswer, '/api/lane?tonic=C&strings=5432&order=R-7-3', 'order'],
    [laneAnswer, '/api/lane?tonic=C&tones=R:5,4:2', 'tones'],
    [laneAnswer, '/api/lane?tonic=C&tones=R:5,3:2&ring=5', 'ring'],
    [laneAnswer, '/api/lane?tonic=C&tuning=E2,Q2', 'tuning'],
    [laneAnswer, '/api/lane?tonic=C&fretMax=99', 'fretMax'],
  ])('%# is refused with its field', async (route, path, field) => {
    const { status, body } = await ask(route, { path })
    expect(status).toBe(400)
    expect(body).toMatchObject({ field, error: expect.any(String), expected: expect.any(String) })
  })
})

describe('a path over HTTP', () => {
  const asked = (body: object) =>
    ask(path, { body: { chart: '| Dm7 | G7 | Cmaj7 |', strings: ['5432'], fretMax: 7, ...body } })

  test('every term is told and adds up; the last step leads round to the first chord', async () => {
    const { status, body } = await asked({ loop: true, k: 2 })
    expect(status).toBe(200)
    expect(body.chords.map(({ frets }: { frets: string }) => frets)).toEqual(['x5756x', 'x5546x', 'x3545x'])
    const sum = (of: readonly { cost: number }[]) => of.reduce((all, { cost }) => all + cost, 0)
    expect(sum(body.chords) + sum(body.steps)).toBeCloseTo(body.total, 9)
    const { cost, ...parts } = body.steps[0]
    expect(Object.values(parts as Record<string, number>).reduce((a, b) => a + b, 0)).toBeCloseTo(cost, 9)
    expect(body).toMatchObject({ exact: true, steps: { length: 3 }, others: { length: 1 } })
  })

  test('numbers in a key, held shapes, a melody, weights and another tuning', async () => {
    const { body } = await asked({
      chart: '| 2 | 5 | 1 |',
      key: 'C',
      hold: [{ chord: 1, frets: 'x5546x' }],
      melody: ['F4', null, null],
      weights: { hand: 0 },
    })
    expect(body.chords.map(({ symbol }: { symbol: string }) => symbol)).toEqual(['Dm7', 'G7', 'Cmaj7'])
    expect(body.chords[1].frets).toBe('x5546x')
    expect(body.steps.every(({ hand }: { hand: number }) => hand === 0)).toBe(true)
    const gap = await asked({ chart: '| C13 |', strings: ['321'], fretMax: 1 })
    expect(gap.body).toMatchObject({ gaps: [{ chord: 0, reason: 'no-shape' }], chords: [{ frets: null, cost: 0 }] })
  })

  test.each([
    [{ chart: '| Dm7 | Xm7 |' }, 'chart', 8],
    [{ chart: '| 2 | 9x |', key: 'C' }, 'chart', 6],
    [{ chart: '' }, 'chart', 0],
    [{ key: 'Q' }, 'key', 0],
    [{ strings: ['5432', '77'] }, 'strings.1', 0],
    [{ arrangements: ['drop-9'] }, 'arrangements.0', 0],
    [{ hold: [{ chord: 7, frets: 'x5546x' }] }, 'hold.0.chord', 0],
    [{ hold: [{ chord: 0, frets: 'x55' }] }, 'hold.0.frets', 0],
    [{ melody: ['H9'] }, 'melody.0', 0],
    [{ fretMin: 9 }, 'fretMin', 0],
    [{ tuning: 'E2,Q2' }, 'tuning', 3],
    [{ chart: `| ${'C '.repeat(520)} |` }, 'chart', 0],
    [{ k: 99 }, 'k', 0],
    [{ speed: 2 }, 'speed', 0],
  ])('%# is refused with its field and place', async (body, field, at) => {
    const answer = await asked(body)
    expect(answer).toMatchObject({ status: 400, body: { field, at } })
  })

  test('of what is too much the first chords are answered, and it is said', async () => {
    const answer = await asked({
      chart: `|: ${'C13 | '.repeat(255)} :|`,
      strings: undefined,
      fretMax: 24,
      open: 'allow',
    })
    expect(answer.body).toMatchObject({ truncated: true, cut: 'steps', count: 510 })
    expect(answer.body.chords.length).toBeGreaterThan(10)
    expect(answer.body.chords.length).toBeLessThan(510)
    const whole = await asked({ chart: '| Dm7 | G7 |' })
    expect(whole.body).toMatchObject({ truncated: false, count: 2 })
  })

  test('what may stand between two chords, each with its reason', async () => {
    const { body } = await ask(between, { path: '/api/between?from=G7&to=Am7&key=C' })
    expect(body[0]).toEqual({ symbol: 'G#dim7', reason: 'leading' })
    expect(await ask(between, { path: '/api/between?from=G7&to=H9' })).toMatchObject({
      status: 400,
      body: { field: 'to' },
    })
    expect(await ask(between, { path: '/api/between?from=G7&to=C&key=Q' })).toMatchObject({
      status: 400,
      body: { field: 'key' },
    })
  })
})

describe('a kept tune', () => {
  const tune = {
    title: 'Slow Ferry',
    query: 'chart=%7C+Fm9+%7C+Bbm7+%7C',
    chords: [{ symbol: 'Fm9', frets: 'x8688x' }],
  }
  test.each([
    [{ ...tune, title: '' }, 'title'],
    [{ ...tune, query: 'strings=5432' }, 'query'],
    [{ ...tune, query: 'chart=%7C+Xm9+%7C' }, 'query'],
    [{ ...tune, chords: [] }, 'chords'],
    [{ ...tune, chords: [{ symbol: 'Fm9x', frets: null }] }, 'chords.0.symbol'],
    [{ ...tune, colour: 'red' }, 'colour'],
  ])('%# is refused with its field, new or changed, and nothing is kept', async (body, field) => {
    const added = await ask(addTune, { body, locals: { tunes: { add: nothingKept } } })
    const changed = await ask(changeTune, {
      body: { ...body, version: 1 },
      params: { id: '1' },
      locals: { tunes: { replace: nothingKept } },
    })
    for (const answer of [added, changed]) expect(answer).toMatchObject({ status: 400, body: { field } })
  })

  test('that was changed on another page is told with what is there; one that is gone is not found', async () => {
    const now = { ...tune, remarks: '', id: 1, version: 3, createdAt: '2026-10-04T17:00:00.000Z' }
    const stale = await ask(changeTune, {
      body: { ...tune, version: 2 },
      params: { id: '1' },
      locals: { tunes: { replace: () => ({ kind: 'stale', now }) } },
    })
    expect(stale.status).toBe(409)
    expect(await ask(tuneAnswer, { params: { id: '1' }, locals: { tunes: { find: () => now } } })).toEqual({
      status: 200,
      body: now,
    })
    expect(await ask(tuneAnswer, { params: { id: '9' }, locals: { tunes: { find: () => undefined } } })).toMatchObject({
      status: 404,
    })
  })
})

describe('practice', () => {
  const attempt = {
    id: 'an-attempt-1', kind: 'run', at: '2026-11-23T18:00:00.000Z', day: '2026-11-23', material: 'm7', suffix: 'm7', root: 'Ab', string: 5, frets: 'x-11-13-11-12-x', tempo: 66, grade: 'had', seconds: 3.6,
  } as const // biome-ignore format: a table

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
