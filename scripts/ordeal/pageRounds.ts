/** Rounds at pages: two tabs, two browsers, an upgrade under an open page, a clock that is set back, and mixed use for minutes. */
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { type Browser, chromium, type Page } from '@playwright/test'
import type { Round } from './rounds.ts'
import { ended, type Started, startServer, stopped } from './server.ts'
import { ask } from './writes.ts'

const MOST_MS = 20_000
const HOUR_MS = 3_600_000

/** The browser of the tests. */
export const browserOf = (): Promise<Browser> =>
  chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })

const again = ({ address }: Started, folder: string): Promise<Started> =>
  startServer({ PORT: new URL(address).port, NESTLING_DATA: folder })

async function open(page: Page, address: string): Promise<Page> {
  await page.goto(address)
  await page.locator('[data-alive]').waitFor()
  return page
}

/** Asks again and again. @returns The last answer, right or not. */
async function until<Value>(look: () => Promise<Value>, isRight: (value: Value) => boolean): Promise<Value> {
  const end = Date.now() + MOST_MS
  for (;;) {
    const value = await look()
    if (isRight(value) || Date.now() > end) return value
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
}

const trayOf = async ({ address }: Started): Promise<readonly string[]> =>
  (await ask(address, 'GET', 'tray')).json.steps.map(({ chord }: { readonly chord: string }) => chord)

const judged = (said: readonly string[], there: readonly string[]): Round => ({
  acknowledged: said.length,
  refused: 0,
  lost: said.filter((one) => !there.includes(one)),
  kept: [],
})

/** Both tabs add to the tray while the server is away; one is closed, in either order, and the server comes back. */
export async function tabsRound(browser: Browser, folder: string, index: number): Promise<Round> {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const context = await browser.newContext()
  const a = await open(await context.newPage(), `${first.address}?chord=Cmaj7&shape=x3545x`)
  const b = await open(await context.newPage(), `${first.address}?chord=Dm7&shape=x5756x`)
  await stopped(first)
  const [closed, stays] = index % 2 === 0 ? [a, b] : [b, a]
  for (const page of index % 3 === 0 ? [stays, closed] : [closed, stays]) {
    await page.locator('body').press('t')
    await page.getByTestId('landing').filter({ hasText: 'for the server' }).waitFor()
  }
  await closed.close()
  const second = await again(first, folder)
  await stays.evaluate("window.dispatchEvent(new Event('focus'))")
  const there = await until(
    () => trayOf(second),
    ({ length }) => length === 2,
  )
  await context.close()
  await stopped(second)
  return judged(['Cmaj7', 'Dm7'], there)
}

/** Two browsers keep one tune: the second is told, and whatever it chooses nothing of the first goes in silence. */
export async function browsersRound(browser: Browser, folder: string, index: number): Promise<Round> {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const title = `Low Tide ${index}`
  const tune = { chart: `title: ${title}\n| Dm7 | G7 |` }
  const { json } = await ask(server.address, 'POST', 'tunes', {
    ...{ title, tune, remarks: '' },
  })
  const pages: Page[] = []
  for (const bars of ['| Dm9 | G7 |', '| Dm7 | G13 |']) {
    const page = await (await browser.newContext()).newPage()
    await open(
      page,
      `${server.address}path?tune=${json.id}&of=1&chart=${encodeURIComponent(`title: ${title}\n${bars}`)}`,
    )
    pages.push(page)
  }
  const [a, b] = pages as [Page, Page]
  const tunes = async () => JSON.stringify((await ask(server.address, 'GET', 'tunes')).json)
  await a.locator('body').press('k')
  await until(tunes, (text) => text.includes('Dm9'))
  await b.locator('body').press('k')
  const told = b.getByRole('alert').filter({ hasText: 'was changed elsewhere' })
  const isTold = await told.waitFor({ timeout: MOST_MS }).then(
    () => true,
    () => false,
  )
  const before = await tunes()
  const way = index % 2 === 0 ? 'Keep both' : 'Keep mine'
  if (isTold) await told.getByRole('button', { name: way }).click()
  const after = await until(tunes, (text) => text.includes('G13'))
  for (const page of pages) await page.context().close()
  await stopped(server)
  return {
    acknowledged: 2,
    refused: isTold ? 1 : 0,
    lost: [
      ...(before.includes('Dm9') ? [] : ['the first one’s']),
      ...(after.includes('G13') ? [] : ['the second one’s']),
      ...(way === 'Keep both' && !after.includes('Dm9') ? ['the first one’s, though both were to stay'] : []),
    ],
    kept: isTold ? [] : ['the second one’s, and nobody was told'],
  }
}

/** The server is killed and comes back as another build while somebody goes on adding to the tray. */
export async function upgradeRound(browser: Browser, folder: string, index: number): Promise<Round> {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const context = await browser.newContext()
  const page = await open(await context.newPage(), `${first.address}?chord=Cmaj7&shape=x3545x`)
  let presses = 0
  const press = async () => {
    await page.locator('body').press('t')
    presses++
  }
  await press()
  await page.getByTestId('landing').filter({ hasText: 'kept' }).waitFor()
  first.child.kill('SIGKILL')
  await ended(first.child)
  for (let more = 0; more <= index % 3; more++) await press()
  await context.route('**/api/**', async (route) => {
    const response = await route.fetch().catch(() => undefined)
    if (response) await route.fulfill({ response, headers: { ...response.headers(), 'x-nestling-build': 'another' } })
    else await route.abort()
  })
  const second = await again(first, folder)
  await press()
  await page.getByRole('alert').filter({ hasText: 'Nestling was renewed' }).waitFor({ timeout: MOST_MS })
  await context.unrouteAll({ behavior: 'wait' })
  await page.getByRole('button', { name: 'Reload' }).click()
  await page.locator('[data-alive]').waitFor()
  const there = await until(
    () => trayOf(second),
    ({ length }) => length === presses,
  )
  await context.close()
  await stopped(second)
  const lost = Math.max(0, presses - there.length)
  return { acknowledged: presses, refused: 0, lost: Array.from({ length: lost }, () => 'Cmaj7'), kept: [] }
}

/** Copies are made under a clock that goes back: the one that was just made is there, and goes back to what was kept then. */
export async function clockRound(folder: string, index: number): Promise<Round> {
  const lost: string[] = []
  let made = 0
  for (const hours of [0, 1 + index, 400 + index]) {
    const server = await startServer({
      ...{ PORT: '0', NESTLING_DATA: folder, ORDEAL_CLOCK_BACK_MS: String(hours * HOUR_MS) },
      NODE_OPTIONS: `--import=${pathToFileURL(join(import.meta.dirname, 'clockBack.mjs')).href}`,
    })
    const shapes = async () => (await ask(server.address, 'GET', 'shapes?limit=500')).json.total as number
    const shape = { name: `${index} ${hours}`, chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' }
    const notebook = (await ask(server.address, 'GET', 'notebook')).json
    for (let round = 0; round < 12; round++) {
      const before = await shapes()
      await ask(server.address, 'POST', 'notebook/apply', {
        notebook,
        choices: { fresh: 'leave', different: 'leave', each: {} },
      })
      const [copy] = (await ask(server.address, 'GET', 'copies')).json.copies
      await ask(server.address, 'POST', 'shapes', shape)
      made++
      const { status } = await ask(server.address, 'POST', `copies/${copy?.id}/restore`)
      if (status >= 300 || (await shapes()) !== before) lost.push(`copy ${copy?.id} at ${hours} hours back`)
    }
    await stopped(server)
  }
  return { acknowledged: made, refused: 0, lost, kept: [] }
}

/** Three browsers save, rename and collect for minutes, with a server that goes away now and then: all end with one Book. */
export async function mixedRound(browser: Browser, folder: string, minutes: number): Promise<Round> {
  let server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { address } = server
  const end = Date.now() + minutes * 60_000
  const kept = new Set<number>()
  const chords = ['Cmaj7', 'Dm7', 'G7', 'Am7', 'Fm9', 'Bb13', 'Em7b5', 'A7', 'Ebmaj7', 'F#m7', 'D9', 'Gm6']
  const faults: string[] = []
  const one = async (index: number): Promise<Page> => {
    const page = await (await browser.newContext()).newPage()
    page.on('pageerror', (error) => faults.push(error.message))
    page.on('response', async (response) => {
      if (response.request().method() !== 'POST' || !response.url().endsWith('/api/shapes') || !response.ok()) return
      const body = await response.json().catch(() => undefined)
      if (typeof body?.id === 'number') kept.add(body.id)
    })
    await open(page, address)
    for (let turn = index; Date.now() < end; turn++) {
      const line = chords[(turn * (index + 2)) % chords.length] as string
      try {
        await open(page, turn % 7 === 6 ? `${address}book` : address)
        if (turn % 7 === 6) {
          await page
            .getByTestId('open-shape')
            .getByRole('button', { name: /^Rename/ })
            .click({ timeout: 3000 })
          await page.keyboard.type(` ${index}${turn}`)
          await page.keyboard.press('Enter')
        } else {
          await page.keyboard.press('/')
          await page.keyboard.type(line, { delay: 15 })
          await page.keyboard.press('Enter')
          await page.getByTestId('shape-text').waitFor({ timeout: 3000 })
          await page.locator('body').press(turn % 3 === 0 ? 't' : 'k')
          await page.waitForTimeout(200)
        }
      } catch {
        // The server is away: the page can't be opened for a moment.
        await new Promise((resolve) => setTimeout(resolve, 300))
      }
    }
    return page
  }
  const going = Promise.all([0, 1, 2].map(one))
  for (let turn = 0; Date.now() < end; turn++) {
    await new Promise((resolve) => setTimeout(resolve, 15_000))
    if (turn % 2 === 0) server.child.kill('SIGKILL')
    else await stopped(server)
    await ended(server.child)
    server = await again(server, folder)
  }
  const pages = await going
  // What waits is sent when a page is looked at.
  for (const page of pages) {
    await open(page, `${address}book?by=newest`)
    await until(
      () => page.evaluate("localStorage.getItem('nestling.waiting.keeps')"),
      (waiting) => waiting === null,
    )
  }
  const { json } = await ask(address, 'GET', 'shapes?by=newest&limit=500')
  const there = new Set((json.shapes as readonly { readonly id: number }[]).map(({ id }) => id))
  const lost = [...kept].filter((id) => !there.has(id)).map(String)
  // Each browser shows the same.
  const shown = await Promise.all(
    pages.map(async (page) => {
      await open(page, `${address}book?by=newest`)
      return page.getByRole('navigation', { name: 'Contents' }).innerText()
    }),
  )
  if (new Set(shown).size > 1) lost.push('the browsers show different Books')
  for (const page of pages) await page.context().close()
  await stopped(server)
  return { acknowledged: kept.size, refused: 0, lost: [...lost, ...faults], kept: [] }
}
