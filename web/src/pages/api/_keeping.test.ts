/** What goes through all that is kept, on threads with connections of their own: the same answers, and nobody is held up. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import { gunzipSync } from 'node:zlib'
import { EMPTY_TABLES, writeNotebook } from '@nestling/formats/notebook'
import type { APIRoute } from 'astro'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openDatabase } from '../../data/database.ts'
import { createRepositories } from '../../data/repositories.ts'
import { afterOthers } from '../../data/turns.ts'
import { endThreads } from './_work.ts'
import { GET as contents } from './book.ts'
import { POST as undo } from './changes/[id]/undo.ts'
import { POST as apply } from './notebook/apply.ts'
import { GET as notebook } from './notebook/index.ts'
import { POST as preview } from './notebook/preview.ts'
import { GET as listed } from './shapes/index.ts'
import { POST as many } from './shapes/many.ts'
import { GET as csv } from './shapes.csv.ts'

const folder = mkdtempSync(join(tmpdir(), 'nestling-keeping-'))
const before = { ...process.env }
process.env['NESTLING_DATA'] = folder
process.env['NESTLING_MIGRATIONS'] = fileURLToPath(new URL('../../../drizzle', import.meta.url))
const opened = openDatabase(folder)
const { shapes } = createRepositories(opened.db)

beforeAll(() => endThreads())
afterAll(async () => {
  await endThreads()
  opened.close()
  process.env = before
  rmSync(folder, { recursive: true, force: true })
})

const ask = (route: APIRoute, body?: string, params = {}, headers = {}) => {
  const url = new URL('http://127.0.0.1:4321/api')
  const request = new Request(url, body === undefined ? { headers } : { method: 'POST', body, headers })
  return route({ url, request, params } as unknown as Parameters<APIRoute>[0]) as Promise<Response>
}
const shape = (name: string) => ({
  ...{ name, chord: 'Fm9', frets: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4', fingers: '' },
  ...{ note: '', tune: null, tags: [], createdAt: '2026-11-02T18:00:00.000Z' },
})

test('what is kept here is read there, with its type and its file’s name', async () => {
  shapes.add(shape('the same take'), new Date())
  const answer = await ask(csv)
  expect(answer.headers.get('content-type')).toBe('text/csv; charset=utf-8')
  expect(answer.headers.get('content-disposition')).toContain('nestling-shapes.csv')
  expect(await answer.text()).toContain('the same take')
  expect(await (await ask(notebook)).json()).toMatchObject({ shapes: [{ name: 'the same take' }] })
})

test('what is long comes in gzip where that is read, and as it is where it is not', async () => {
  for (let index = 0; index < 400; index++) shapes.add(shape(`take ${index}, long enough to fill a page`), new Date())
  const plain = await ask(listed)
  const zipped = await ask(listed, undefined, {}, { 'accept-encoding': 'br, gzip' })
  expect([plain, zipped].map(({ headers }) => headers.get('content-encoding'))).toEqual([null, 'gzip'])
  const text = await plain.text()
  expect(gunzipSync(Buffer.from(await zipped.arrayBuffer())).toString()).toBe(text)
  expect(JSON.parse(text)).toMatchObject({ total: shapes.list(1).total })
  // What is short is not worth it.
  const short = await ask(contents, undefined, {}, { 'accept-encoding': 'gzip' })
  expect([short.headers.get('content-encoding'), (await short.json()).shapes]).toEqual([null, shapes.list(1).total])
})

test('what is changed there is seen here, and is taken back there', async () => {
  const { id } = shapes.add(shape('to be tagged'), new Date())
  const changed = await (await ask(many, JSON.stringify({ ids: [id], act: { kind: 'tag', tag: 'trio' } }))).json()
  expect(shapes.find(id)?.tags).toEqual(['trio'])
  expect((await ask(undo, '', { id: String(changed.undo) })).status).toBe(200)
  expect(shapes.find(id)?.tags).toEqual([])
  expect((await ask(undo, '', { id: String(changed.undo) })).status).toBe(404)
})

test('a large notebook is compared and put in while the main thread goes on, and who writes meanwhile waits outside', async () => {
  const file = {
    ...EMPTY_TABLES,
    shapes: Array.from({ length: 3000 }, (_, index) => ({ ...shape(`take ${index}`), frets: 'x6868x' })),
  }
  const text = writeNotebook(file as never, '')
  const delay = monitorEventLoopDelay({ resolution: 5 })
  delay.enable()
  const compared = await (await ask(preview, text)).json()
  expect(compared.counts).toEqual([{ table: 'shapes', fresh: 3000, same: 0, different: 0 }])
  const applied = ask(apply, `{"notebook":${text},"choices":{"fresh":"take","different":"leave","each":{}}}`)
  await new Promise((resolve) => setTimeout(resolve, 30))
  await afterOthers()
  // The last of them is there when the wait is over.
  expect(shapes.window({ find: 'take 2999', by: 'newest' }, 0, 1).total).toBe(1)
  shapes.add(shape('after them'), new Date())
  delay.disable()
  expect(await (await applied).json()).toMatchObject({ changed: 3000 })
  // The work itself takes a second; a busy test machine may hold a timer up, but not for that long.
  expect(delay.max / 1e6).toBeLessThan(400)
})

test('a database that is gone is told in our words', async () => {
  await endThreads()
  process.env['NESTLING_DATA'] = join(folder, 'nowhere')
  const answer = await ask(csv)
  expect(answer.status).toBe(503)
  expect(await answer.json()).toMatchObject({
    error: expect.stringContaining('database'),
    expected: expect.any(String),
  })
  process.env['NESTLING_DATA'] = folder
  await endThreads()
})
