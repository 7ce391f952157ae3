/** What is kept, asked as functions; the browser tests ask over the wire. */
import { type Instrument, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { EMPTY_TRAY } from '../../contracts/progression.ts'
import { DEFAULT_SETTINGS } from '../../contracts/settings.ts'
import type { TuneDraft } from '../../contracts/tune.ts'
import { ask, type Given, nothingKept } from './_ask.testkit.ts'
import { DELETE as removeInstrument } from './instruments/[id].ts'
import { POST as addSet } from './sets/index.ts'
import { PATCH as changeSettings } from './settings.ts'
import { PATCH as rename } from './shapes/[id].ts'
import { POST as addShape } from './shapes/index.ts'
import { PUT as putTray } from './tray.ts'
import { PUT as changeTune, GET as tuneAnswer } from './tunes/[id]/index.ts'
import { POST as addTune } from './tunes/index.ts'

const STANDARD = 'E2,A2,D3,G3,B3,E4'
const shape = { chord: 'Fm9', frets: 'x8688x', tuning: STANDARD, fingers: '' }
const step = { id: 'a', beats: 4, chord: 'Fm9', shape, held: true }

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
    [{ ...shape, name: 'x', chord: 'Dm7', fingers: '' }, 'chord'],
    [{ ...shape, name: 'x', fingers: '1' }, 'fingers'],
    [{ ...shape, name: '' }, 'name'],
    [{ ...shape, name: 'x', colour: 'red' }, 'colour'],
  ])('%# in a kept shape', async (body, field) =>
    expect(
      await ask(addShape, { body, locals: { shapes: { add: nothingKept }, instruments: { list: () => [] } } }),
    ).toMatchObject({
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
  expect(
    await ask(addShape, {
      body: kept,
      locals: { shapes: { add, same } as Given['shapes'] & object, instruments: { list: () => [] } },
    }),
  ).toEqual({
    status: 201,
    body: { ...kept, tune: null, tags: [], id: 7, createdAt: '', version: 1, same: [{ id: 3, name: 'lift' }] },
  })
})

test('a shape is kept under a chord that it sounds: without a capo, under the player’s, or under one that is found', async () => {
  const add = (draft: object) => ({ ...draft, id: 7, createdAt: '', version: 1 })
  const kept = { shapes: { add, same: () => [] } as Given['shapes'] & object }
  const put = (chord: string, frets: string, capo?: Instrument['capo']) => {
    const own = { ...STANDARD_INSTRUMENT, capo, id: 1, version: 1 }
    const body = { ...shape, name: 'x', chord, frets, fingers: '' }
    return ask(addShape, { body, locals: { ...kept, instruments: { list: () => [own] } } })
  }
  expect((await put('D', 'x54030')).status).toBe(201)
  expect((await put('E7sus4', '022200', { fret: 2, strings: [5, 4, 3] })).status).toBe(201)
  // Named by what it is.
  expect(await put('Dm7', 'x3545x')).toMatchObject({
    status: 400,
    body: {
      error: 'x3545x does not sound Dm7; expected Cmaj7, Em/C, Emaddb13/C',
      expected: expect.stringContaining('Cmaj7'),
    },
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
        return { kind: 'done', value: DEFAULT_SETTINGS }
      },
    },
  }
  expect((await ask(removeInstrument, { params: { id: '7' }, locals })).status).toBe(204)
  expect((await ask(removeInstrument, { params: { id: '8' }, locals })).status).toBe(204)
  expect(changes).toEqual([{ instrumentId: null }])
})

test('a setting that somebody else has changed meanwhile is told as it is', async () => {
  const change = () => ({ kind: 'stale', now: { ...DEFAULT_SETTINGS, tempo: 120 } }) as const
  const answer = await ask(changeSettings, {
    body: { tempo: 90, seen: { tempo: 80 } },
    locals: { settings: { change } },
  })
  expect(answer).toMatchObject({ status: 409, body: { error: 'changed meanwhile: tempo', now: { tempo: 120 } } })
})

test('an instrument that there is not can’t be taken in hand', async () =>
  expect(
    await ask(changeSettings, {
      body: { instrumentId: 99 },
      locals: { instruments: { find: () => undefined }, settings: { change: nothingKept } },
    }),
  ).toMatchObject({ status: 400, body: { field: 'instrumentId' } }))

describe('a kept tune', () => {
  const tune = {
    title: 'Slow Ferry',
    tune: { chart: '| Fm9 | Bbm7 |', way: 'x8688x,none' },
  }
  test.each([
    [{ ...tune, title: '' }, 'title'],
    [{ ...tune, tune: { strings: '5432' } }, 'tune.chart'],
    [{ ...tune, tune: { chart: '| Xm9 |' } }, 'tune.chart'],
    [{ ...tune, tune: { chart: '' } }, 'tune.chart'],
    [{ ...tune, tune: { ...tune.tune, way: 'x'.repeat(48_001) } }, 'tune.way'],
    [{ ...tune, tune: { ...tune.tune, hold: '1:what' } }, 'tune.hold'],
    [{ ...tune, tune: { ...tune.tune, colour: 'red' } }, 'tune.colour'],
    [{ title: 'Slow Ferry', query: 'chart=%7C+Xm9+%7C', chords: [] }, 'tune.chart'],
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

  test('from a page that an upgrade found open is kept as tunes are now', async () => {
    const old = { title: 'Slow Ferry', query: 'chart=Fm9+Bbm7&at=2', chords: [{ symbol: 'Fm9', frets: 'x8688x' }] }
    const add = (draft: TuneDraft) => ({ ...draft, id: 1, version: 1, createdAt: '2026-10-04T17:00:00.000Z' })
    expect(await ask(addTune, { body: old, locals: { tunes: { add } } })).toMatchObject({
      status: 201,
      body: { title: 'Slow Ferry', tune: { chart: 'Fm9 Bbm7', way: 'x8688x' }, remarks: '' },
    })
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
