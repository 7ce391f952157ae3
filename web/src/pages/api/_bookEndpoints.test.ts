/** The Book's endpoints as functions, over what is given to them. */
import { EMPTY_TABLES, NOTEBOOK_TABLES, writeNotebook } from '@nestling/formats/notebook'
import { describe, expect, test } from 'vitest'
import { ask, nothingKept } from './_ask.testkit.ts'
import { refusalOf } from './_border.ts'
import { work as undo } from './changes/[id]/undo.ts'
import { work as goBack } from './copies/[id]/restore.ts'
import { work as apply } from './notebook/apply.ts'
import { work as preview } from './notebook/preview.ts'
import { DELETE as removeShape } from './shapes/[id].ts'
import { work as shapes } from './shapes/index.ts'
import { work as many } from './shapes/many.ts'
import { PUT as changeSheet, DELETE as removeSheet, GET as sheetAnswer } from './sheets/[id]/index.ts'
import { POST as addSheet } from './sheets/index.ts'
import { DELETE as removeTune } from './tunes/[id]/index.ts'

const sheet = {
  title: 'Slow Ferry',
  paper: 'A4',
  lying: true,
  barsALine: 4,
  necks: 'lying',
  labels: 'none',
  ink: 'colour',
  blocks: [{ id: 'a', kind: 'legend' }],
}
const kept = { ...sheet, id: 3, version: 2, createdAt: '' } as never

describe('a sheet', () => {
  test.each([
    [{ ...sheet, title: ' ' }, 'title'],
    [{ ...sheet, paper: 'A5' }, 'paper'],
    [{ ...sheet, barsALine: 9 }, 'barsALine'],
    [{ ...sheet, blocks: [{ id: 'a', kind: 'picture' }] }, 'blocks.0.kind'],
    [
      {
        ...sheet,
        blocks: [
          { id: 'a', kind: 'legend' },
          { id: 'a', kind: 'legend' },
        ],
      },
      'blocks',
    ],
    [
      { ...sheet, blocks: [{ id: 'a', kind: 'chart', source: { kind: 'kept', tune: 0 }, under: 'tab', moves: true }] },
      'blocks.0.source.tune',
    ],
    [{ ...sheet, colour: 'red' }, 'colour'],
  ])('%# is refused with its field, and nothing is kept', async (body, field) => {
    const given = { sheets: { add: nothingKept, replace: nothingKept } }
    expect(await ask(addSheet, { body, locals: given })).toMatchObject({ status: 400, body: { field } })
    expect(await ask(changeSheet, { body: { ...body, version: 1 }, params: { id: '3' }, locals: given })).toMatchObject(
      { status: 400, body: { field } },
    )
  })

  test('is kept with 201, found by its number, and not written over what another page has made of it', async () => {
    expect(await ask(addSheet, { body: sheet, locals: { sheets: { add: () => kept } } })).toEqual({
      status: 201,
      body: kept,
    })
    expect(await ask(sheetAnswer, { params: { id: '3' }, locals: { sheets: { find: () => kept } } })).toEqual({
      status: 200,
      body: kept,
    })
    expect(await ask(sheetAnswer, { params: { id: 'three' }, locals: { sheets: { find: () => kept } } })).toMatchObject(
      { status: 404 },
    )
    const stale = await ask(changeSheet, {
      body: { ...sheet, version: 1 },
      params: { id: '3' },
      locals: { sheets: { replace: () => ({ kind: 'stale', now: kept }) } },
    })
    expect(stale).toMatchObject({
      status: 409,
      body: { now: kept, expected: '2', error: expect.stringContaining('Slow Ferry') },
    })
  })
})

describe('the Book’s shapes', () => {
  const window = (ask: object, from: number, limit: number) => ({
    total: 7,
    from,
    shapes: [],
    groups: [],
    asked: { ...ask, limit },
  })
  test('are asked in windows, and a cut list says so', async () => {
    const answer = await ask(shapes, {
      path: '/api/shapes?find=drop+2&by=name&from=5&limit=1',
      locals: { shapes: { window } as never },
    })
    expect(answer.body).toMatchObject({
      count: 7,
      from: 5,
      truncated: true,
      asked: { find: 'drop 2', by: 'name', limit: 1 },
    })
  })
  test.each([
    ['by=size', 'by'],
    ['tune=first', 'tune'],
    ['limit=0', 'limit'],
    ['limit=501', 'limit'],
    ['from=-1', 'from'],
    ['find=a&find=b', 'find'],
    ['colour=red', 'colour'],
  ])('%s is refused', async (query, field) =>
    expect(
      await ask(shapes, { path: `/api/shapes?${query}`, locals: { shapes: { window: nothingKept } } }),
    ).toMatchObject({ status: 400, body: { field } }),
  )

  test('many at once: what is to be done must be known', async () => {
    const changeMany = (change: object, words: (count: number) => string) => ({
      changed: 2,
      undo: 9,
      change,
      words: words(2),
    })
    const answer = await ask(many, {
      body: { ids: [1, 2], act: { kind: 'tag', tag: ' trio ' } },
      locals: { shapes: { changeMany } as never },
    })
    expect(answer.body).toMatchObject({
      changed: 2,
      undo: 9,
      words: 'Tagged: 2 shapes',
      change: { act: { kind: 'tag', tag: 'trio' } },
    })
    for (const [body, field] of [
      [{ ids: [1], act: { kind: 'burn' } }, 'act.kind'],
      [{ ids: [0], act: { kind: 'delete' } }, 'ids.0'],
      [{ ids: [1], act: { kind: 'tag', tag: 'a;b' } }, 'act.tag'],
    ] as const)
      expect(await ask(many, { body, locals: { shapes: { changeMany: nothingKept } } })).toMatchObject({
        status: 400,
        body: { field },
      })
  })
})

describe('a notebook over the wire', () => {
  const locals = {
    notebook: { preview: () => ({ counts: [], items: [], cut: 0 }), apply: () => ({ changed: 1, undo: 4 }) },
    copies: { save: async () => ({}) as never },
  }
  const text = writeNotebook(EMPTY_TABLES, '')
  test('is previewed and applied; a copy is made first, and when it can’t be made nothing is put in', async () => {
    expect(await ask(preview, { text, locals })).toMatchObject({
      status: 200,
      body: { cut: 0, wrong: [], wrongMore: 0 },
    })
    const order: string[] = []
    const note = <Value>(word: string, value: Value): Value => {
      order.push(word)
      return value
    }
    const noted = {
      notebook: { apply: () => note('applied', { changed: 1, undo: 4 }) },
      copies: { save: async () => note('copied', {} as never) },
    }
    expect(await ask(apply, { body: { notebook: JSON.parse(text) }, locals: noted })).toEqual({
      status: 200,
      body: { changed: 1, undo: 4 },
    })
    expect(order).toEqual(['copied', 'applied'])
    const full = { ...noted, copies: { save: async () => Promise.reject(new Error('full')) } }
    await expect(ask(apply, { body: { notebook: JSON.parse(text) }, locals: full })).rejects.toThrow('full')
    expect(order).toEqual(['copied', 'applied'])
  })
  test.each([
    ['{"a"', 'The JSON is broken'],
    ['{"format":"other"}', 'no Nestling notebook'],
    ['{"format":"nestling-notebook","version":99}', 'newer Nestling'],
    ['', 'The file is empty'],
    [`${'['.repeat(200)}`, 'nested deeper'],
  ])('%s is refused in plain words', async (wrong, words) =>
    expect(await ask(preview, { text: wrong, locals })).toMatchObject({
      status: 400,
      body: { error: expect.stringContaining(words) },
    }),
  )
  test('what is larger than the limit is not read to its end', async () => {
    const large = `{"format":"${'x'.repeat(21 * 1024 * 1024)}"}`
    expect(await ask(preview, { text: large, locals })).toMatchObject({ status: 413, body: { field: 'body' } })
  })
  test('only these routes may be large, or come piece by piece', () => {
    const refused = (path: string, headers: Record<string, string>) =>
      refusalOf(
        new Request(`http://127.0.0.1:4321${path}`, {
          method: 'POST',
          headers: { host: '127.0.0.1:4321', 'content-type': 'application/json', ...headers },
        }),
        {},
      )?.status
    for (const path of ['/api/notebook/preview', '/api/notebook/apply']) {
      expect(refused(path, { 'content-length': '9000000' })).toBeUndefined()
      expect(refused(path, { 'transfer-encoding': 'chunked' })).toBeUndefined()
      expect(refused(path, { 'content-length': '30000000' })).toBe(413)
    }
    expect(refused('/api/notebook', { 'content-length': '9000000' })).toBe(413)
    expect(refused('/api/shapes', { 'transfer-encoding': 'chunked' })).toBe(411)
  })
  test('every table has a schema of its rows', () => expect(NOTEBOOK_TABLES).toHaveLength(12))
})

test.each([
  ['shapes', removeShape],
  ['sheets', removeSheet],
  ['tunes', removeTune],
] as const)('a deletion in %s tells the version that was seen', async (table, route) => {
  const seen: unknown[] = []
  const remove = (id: number, _at: Date, version?: number) => {
    seen.push([id, version])
    return version === 1
      ? { kind: 'stale', now: { name: 'now', title: 'now', version: 2 } }
      : { kind: 'done', value: undefined }
  }
  const locals = { [table]: { remove } } as never
  const params = { id: '4' }
  expect(await ask(route, { path: '/?version=1', params, locals })).toMatchObject({
    status: 409,
    body: { error: expect.stringContaining('now was changed meanwhile'), expected: '2' },
  })
  expect((await ask(route, { path: '/?version=2', params, locals })).status).toBe(204)
  expect((await ask(route, { params, locals })).status).toBe(204)
  expect(await ask(route, { path: '/?version=new', params, locals })).toMatchObject({
    status: 400,
    body: { field: 'version' },
  })
  expect(seen).toEqual([
    [4, 1],
    [4, 2],
    [4, undefined],
  ])
})

test('a change is taken back once, and a copy that is not there is not found', async () => {
  expect(
    await ask(undo, {
      params: { id: '4' },
      body: {},
      locals: { changes: { undo: () => ({ kind: 'done', value: { words: 'Deleted' } }) } },
    }),
  ).toEqual({ status: 200, body: { words: 'Deleted' } })
  expect(await ask(undo, { params: { id: 'x' }, body: {}, locals: { changes: { undo: nothingKept } } })).toMatchObject({
    status: 404,
  })
  expect(
    await ask(goBack, {
      params: { id: '../x' },
      body: {},
      locals: { copies: { goBack: async () => ({ kind: 'missing' }) } },
    }),
  ).toMatchObject({ status: 404 })
})
