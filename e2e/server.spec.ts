/** The server as a process: what it says when it can't start, and what survives when it is killed. */

import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { endAll, ended, startServer } from '../scripts/ordeal/server.ts'
import { typeOver } from './support/hands.ts'
import { expect, test } from './support/test.ts'

let folder: string
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-server-'))
})
test.afterEach(async () => {
  await endAll()
  rmSync(folder, { recursive: true, force: true })
})

test('a kept shape survives a server that is killed at once', async ({ request }) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const address = /http:\S+/.exec(first.line)?.[0] ?? ''
  const kept = await request.post(`${address}api/shapes`, {
    data: { name: 'before the storm', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' },
  })
  expect(kept.status()).toBe(201)
  first.child.kill('SIGKILL')
  await ended(first.child)
  const second = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { shapes } = await (await request.get(`${/http:\S+/.exec(second.line)?.[0]}api/shapes`)).json()
  expect(shapes).toMatchObject([{ name: 'before the storm' }])
  second.child.kill('SIGTERM')
  expect(await ended(second.child)).toBe(0)
})

test('a port in use is told in one line, with a way out', async ({ baseURL }) => {
  const port = new URL(baseURL ?? '').port
  const { child, line } = await startServer({ PORT: port, NESTLING_DATA: folder })
  expect(line).toBe(
    `Port ${port} is in use. Set PORT to another number, for example PORT=${Number(port) + 1} npm run demo.`,
  )
  expect(await ended(child)).toBe(1)
})

test('a second server on the same folder is told where the first one is; after a kill the next one starts', async () => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const address = /http:\S+/.exec(first.line)?.[0] ?? ''
  const second = await startServer({ PORT: '0', NESTLING_DATA: folder })
  expect(second.line).toBe(
    `Nestling runs on this folder already, at ${address}. Open it there, or set NESTLING_DATA to another folder.`,
  )
  expect(await ended(second.child)).toBe(1)
  expect((await fetch(`${address}healthz`)).status).toBe(200)
  first.child.kill('SIGKILL')
  await ended(first.child)
  const third = await startServer({ PORT: '0', NESTLING_DATA: folder })
  expect(third.line).toMatch(/^Nestling is ready/)
  third.child.kill('SIGTERM')
  expect(await ended(third.child)).toBe(0)
})

test('of two servers that start on a folder at once one runs, and the other says where', async () => {
  const both = await Promise.all([0, 1].map(() => startServer({ PORT: '0', NESTLING_DATA: folder })))
  const [ready, told] = both.toSorted((a, b) => Number(b.address !== '') - Number(a.address !== ''))
  expect(ready?.line).toMatch(/^Nestling is ready/)
  expect(told?.line).toContain(`runs on this folder already, at ${ready?.address}.`)
  for (const one of [told, ready]) {
    one?.child.kill('SIGTERM')
    if (one) await ended(one.child)
  }
})

test('an orderly stop leaves everything in one file', async ({ request }) => {
  const { child, line } = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await request.post(`${/http:\S+/.exec(line)?.[0]}api/shapes`, {
    data: { name: 'all in one', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' },
  })
  expect(readdirSync(folder)).toContain('nestling.db-wal')
  child.kill('SIGTERM')
  await ended(child)
  expect(readdirSync(folder).filter((file) => file.startsWith('nestling.db') || file === 'server.json')).toEqual([
    'nestling.db',
  ])
})

test('an address of the sixth version is printed so that it can be opened', async () => {
  const { child, line } = await startServer({ HOST: '::1', PORT: '0', NESTLING_DATA: folder })
  // Not every machine has one.
  test.skip(/can't listen/.test(line), 'this machine has no ::1')
  expect(line).toMatch(/^Nestling is ready at http:\/\/\[::1\]:\d+\/$/)
  expect((await fetch(`${/http:\S+/.exec(line)?.[0]}healthz`)).status).toBe(200)
  child.kill('SIGTERM')
  await ended(child)
})

test('beyond this machine it asks for the passphrase: pages, endpoints and scripts; a session, a token, a name', async ({
  browser,
}) => {
  const PHRASE = 'the clarinet has the root'
  const { child, line } = await startServer({
    HOST: '0.0.0.0',
    PORT: '0',
    NESTLING_DATA: folder,
    NESTLING_PASSPHRASE: PHRASE,
  })
  const address = (/http:\S+/.exec(line)?.[0] ?? '').replace('0.0.0.0', '127.0.0.1')
  const status = async (path: string, init: RequestInit = {}) =>
    (await fetch(address + path, { redirect: 'manual', ...init })).status
  const context = await browser.newContext()
  try {
    const second = await startServer({ PORT: '0', NESTLING_DATA: folder })
    expect(second.line).toContain(`Nestling runs on this folder already, at ${address}`)
    expect(await ended(second.child)).toBe(1)
    expect(await status('')).toBe(303)
    expect(await status('api/settings')).toBe(401)
    expect(await status('_astro/anything.js')).toBe(401)
    expect(await status('healthz')).toBe(200)
    expect(await status('api/settings', { headers: { authorization: `Bearer ${PHRASE}` } })).toBe(200)
    expect(
      await status('enter', {
        method: 'POST',
        body: new URLSearchParams({ passphrase: PHRASE }),
        headers: { origin: 'http://elsewhere.example' },
      }),
    ).toBe(403)
    const page = await context.newPage()
    await page.goto(`${address}map?chord=C`)
    await expect(page).toHaveURL(/\/enter\?to=%2Fmap%3Fchord%3DC$/)
    await typeOver(page.getByLabel('Passphrase'), 'the clarinet has the fifth')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert')).toHaveText('That is not it. Tries left: 4 of 5.')
    await typeOver(page.getByLabel('Passphrase'), PHRASE)
    await page.getByRole('button', { name: 'Come in' }).click()
    await expect(page).toHaveURL(/\/map\?chord=C/)
    await expect(page.getByTestId('map-cell').first()).toBeVisible()
    const [session] = await context.cookies()
    expect(session).toMatchObject({ name: 'nestling', httpOnly: true, sameSite: 'Strict' })
    // What is changed there is kept: writes pass the border under that name too.
    await page.keyboard.press('t')
    await expect(page.getByRole('region', { name: 'Tray' }).getByRole('listitem')).toHaveCount(1)
    await expect
      .poll(
        async () =>
          (await (await fetch(`${address}api/tray`, { headers: { authorization: `Bearer ${PHRASE}` } })).json()).steps
            .length,
      )
      .toBe(1)
    await page.getByRole('link', { name: 'Leave' }).click()
    await page.getByRole('button', { name: 'Leave on this browser' }).click()
    await expect(page).toHaveURL(/\/enter$/)
    await page.goto(`${address}book`)
    await expect(page).toHaveURL(/\/enter\?to=%2Fbook$/)
  } finally {
    await context.close()
    child.kill('SIGTERM')
    await ended(child)
  }
})

/** As somebody types it, on the folder that `NESTLING_DATA` names. */
function npm(
  script: string,
  ...words: readonly string[]
): Promise<{ readonly code: number | null; readonly said: string }> {
  const child = spawn('npm', ['run', '-s', script, ...(words.length > 0 ? ['--', ...words] : [])], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...process.env, NESTLING_DATA: folder },
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text: Buffer) => {
      said += text.toString()
    })
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, said })))
}

test('a copy is made while Nestling runs, listed, not put back under it, and put back when it is stopped', async ({
  request,
}) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const tempo = async ({ address }: { readonly address: string }) =>
    (await (await request.get(`${address}api/settings`)).json()).tempo
  await request.patch(`${first.address}api/settings`, { data: { tempo: 71 } })
  const saved = await npm('backup')
  expect(saved).toMatchObject({ code: 0, said: expect.stringContaining('Saved: ') })
  const name = /nestling-\d{4}-\S+\.db/.exec(saved.said)?.[0] ?? ''
  await request.patch(`${first.address}api/settings`, { data: { tempo: 99 } })
  expect((await npm('restore')).said).toContain(name)
  expect(await npm('restore', name)).toMatchObject({ code: 1, said: expect.stringContaining('Stop it first') })
  expect(await tempo(first)).toBe(99)
  first.child.kill('SIGTERM')
  await ended(first.child)
  expect(await npm('restore', 'no-such.db')).toMatchObject({ code: 1, said: expect.stringContaining('no copy called') })
  expect(await npm('restore', name)).toMatchObject({ code: 0, said: expect.stringContaining('set-aside-') })
  const second = await startServer({ PORT: '0', NESTLING_DATA: folder })
  expect(await tempo(second)).toBe(71)
  second.child.kill('SIGTERM')
  await ended(second.child)
})

test('a database that is damaged is told in one line, with the way back, and left as it is', async () => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  first.child.kill('SIGTERM')
  await ended(first.child)
  const file = join(folder, 'nestling.db')
  const bytes = readFileSync(file)
  Buffer.alloc(200, 0xa5).copy(bytes, 4096 * 2)
  writeFileSync(file, bytes)
  const second = await startServer({ PORT: '0', NESTLING_DATA: folder })
  expect(second.line).toMatch(
    /^The database in \S+ is damaged \(.+\)\. Nothing was changed\. npm run restore lists the copies/,
  )
  expect(await ended(second.child)).toBe(1)
  expect(readFileSync(file).equals(bytes)).toBe(true)
})
