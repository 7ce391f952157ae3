import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import { afterAll, describe, expect, test, vi } from 'vitest'
import { drawn, type ViewAsked, type ViewDrawn } from './drawn.ts'
import { type Draw, drawer, viewsBy } from './views.ts'

const page = (text: string): ViewDrawn => ({
  status: 200,
  headers: { 'content-type': 'text/html', 'set-cookie': ['a=1', 'b=2'] },
  body: new Uint8Array(Buffer.from(text)),
})

/** A server with two views, and something behind them that answers all else. */
async function asked(draw: Draw, path: string, init: RequestInit = {}, mostMs?: number) {
  const app = express()
  app.use(viewsBy(['/', '/map'], draw, mostMs))
  app.use((_request, response) => void response.status(404).send('behind'))
  const server = createServer(app)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const answer = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`, init)
  const text = await answer.text()
  server.closeAllConnections()
  server.close()
  return { status: answer.status, text, headers: answer.headers }
}

describe('views are drawn by who draws', () => {
  test.each([['/'], ['/map'], ['/map/'], ['/map?chord=F%2313&strings=5432']])('%s', async (path) => {
    const seen: ViewAsked[] = []
    const draw: Draw = async (view) => {
      seen.push(view)
      return page('drawn')
    }
    const { status, text, headers } = await asked(draw, path, { headers: { cookie: 'c=3' } })
    expect([status, text, headers.getSetCookie()]).toEqual([200, 'drawn', ['a=1', 'b=2']])
    expect(seen).toMatchObject([{ method: 'GET', url: path, headers: { cookie: 'c=3' } }])
  })

  test.each([
    ['/maps', 'GET'],
    ['/map/x', 'GET'],
    ['/api/tray', 'GET'],
    ['/map', 'POST'],
  ])('nothing else is: %s %s', async (path, method) => {
    const draw: Draw = () => Promise.reject(new Error('not a view'))
    expect(await asked(draw, path, { method })).toMatchObject({ status: 404, text: 'behind' })
  })

  test('what a thread fails at is left to those behind; who waits too long reads a page, with the way to try again', async () => {
    const failing: Draw = () => Promise.reject(new Error('out of memory'))
    expect(await asked(failing, '/map')).toMatchObject({ status: 404, text: 'behind' })
    const slow: Draw = (_view, signal) => new Promise((_resolve, reject) => signal.addEventListener('abort', reject))
    const { status, text, headers } = await asked(slow, '/map?chord=F%23&x="><b>', {}, 20)
    expect([status, headers.get('content-type'), headers.get('retry-after')]).toEqual([
      503,
      'text/html; charset=utf-8',
      '5',
    ])
    expect(text).toContain('The server is busy')
    expect(text).toMatch(/<a href="\/map\?chord=F%23&#38;x=[^"<>]*">Try again<\/a>/)
  })
})

test('a view is what the application answers, without what belongs to a connection', async () => {
  const view = { method: 'GET', url: '/map?a=1', headers: { host: 'here' } } as const
  const done = await drawn((request, response) => {
    response.writeHead(203, { 'x-said': 'yes', 'transfer-encoding': 'chunked' })
    response.end(`${request.url} at ${request.headers.host}`)
  }, view)
  expect(done).toMatchObject({ status: 203, headers: { 'x-said': 'yes' } })
  expect(Object.keys(done.headers)).not.toContain('transfer-encoding')
  expect(Buffer.from(done.body).toString()).toBe('/map?a=1 at here')
})

describe('its thread', () => {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-views-'))
  afterAll(() => rmSync(folder, { recursive: true }))
  const view = (url: string): ViewAsked => ({ method: 'GET', url, headers: {} })

  test('one that ends at a view tells who asked, and another takes its place', async () => {
    const file = join(folder, 'draw.mjs')
    writeFileSync(
      file,
      `import { workerData } from 'node:worker_threads'
       export default ({ url }) => url === '/end' ? process.exit(1) : { status: 200, headers: {}, body: workerData.views[0] + url }`,
    )
    const draw = await drawer(file, { entry: '', views: ['/'] })
    const signal = AbortSignal.timeout(30_000)
    for (let round = 0; round < 3; round++) {
      await expect(draw(view('/end'), signal)).rejects.toThrow(/exited/)
      expect(await draw(view('map'), signal)).toMatchObject({ body: '/map' })
    }
  })

  test('one that nobody asks goes on with what it draws meanwhile', async () => {
    const file = join(folder, 'busy.mjs')
    writeFileSync(
      file,
      `let turns = 0; setInterval(() => turns++, 1).unref(); export default () => ({ status: turns })`,
    )
    const draw = await drawer(file, { entry: '', views: ['/'] })
    await vi.waitFor(async () => {
      // Longer than it takes to ask: while it is asked it does not stand still.
      await new Promise((resolve) => setTimeout(resolve, 40))
      expect((await draw(view('/'), AbortSignal.timeout(5000))).status).toBeGreaterThan(20)
    }, 5000)
  })

  test('where the one after it can’t begin, who waits is told, and the next view tries again', async () => {
    const file = join(folder, 'mended.mjs')
    const good = `export default ({ url }) => url === '/end' ? process.exit(1) : { status: 200, headers: {}, body: url }`
    writeFileSync(file, good)
    const draw = await drawer(file, { entry: '', views: ['/'] })
    const signal = AbortSignal.timeout(30_000)
    writeFileSync(file, 'throw new Error("no such build")')
    await expect(draw(view('/end'), signal)).rejects.toThrow(/exited/)
    for (let round = 0; round < 2; round++) await expect(draw(view('map'), signal)).rejects.toThrow(/build|Terminat/)
    writeFileSync(file, good)
    await vi.waitFor(async () => expect(await draw(view('map'), signal)).toMatchObject({ body: 'map' }), 10_000)
  })

  test('one that can’t begin is told', async () => {
    writeFileSync(join(folder, 'broken.mjs'), 'throw new Error("no such build")')
    await expect(drawer(join(folder, 'broken.mjs'), { entry: '', views: ['/'] })).rejects.toThrow('no such build')
  })
})
