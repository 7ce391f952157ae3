/** The page without its server: what is done waits in the browser, over reloads, and is kept when the server is back. */

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { endAll, startServer, stopped } from '../scripts/ordeal/server.ts'
import { play } from './support/arpeggio.ts'
import { paste, typeOver } from './support/hands.ts'
import { expect, type Page, test } from './support/test.ts'

let folder: string
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-waiting-'))
})
test.afterEach(async () => {
  await endAll()
  rmSync(folder, { recursive: true, force: true })
})

test('tray, Book and settings wait while the server is stopped, and are there when it runs again', async ({ page }) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { port } = new URL(first.address)
  await page.goto(`${first.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('shape-text')).toContainText('x3545x')
  await stopped(first)
  await page.locator('body').press('t')
  await page.locator('body').press('k')
  await expect(page.getByTestId('landing')).toContainText(/[23] changes wait for the server/)
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(1)
  const second = await startServer({ PORT: port, NESTLING_DATA: folder })
  await expect(page.getByTestId('landing')).toHaveText('kept')
  const tray = await (await page.request.get(`${second.address}api/tray`)).json()
  expect(tray.steps).toMatchObject([{ chord: 'Cmaj7', shape: { frets: 'x3545x' } }])
  const { shapes } = await (await page.request.get(`${second.address}api/shapes`)).json()
  expect(shapes).toMatchObject([{ frets: 'x3545x' }])
})

test('over a reload too: requests fail, the page is loaded anew, and then they go through', async ({ page }) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.route('**/api/tray', (route) => route.abort())
  await page.locator('body').press('t')
  await expect(page.getByTestId('landing')).toContainText('1 change waits')
  await page.unroute('**/api/tray')
  await page.route('**/api/tray', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()))
  await page.reload()
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(1)
  await page.unroute('**/api/tray')
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.getByTestId('landing')).toHaveText('kept')
  expect((await (await page.request.get(`${server.address}api/tray`)).json()).steps).toHaveLength(1)
})

test('what another page made of the tray is joined with it; a Book page hears of the other’s shapes', async ({
  context,
}) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const [one, book] = [await context.newPage(), await context.newPage()]
  await one.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await book.goto(`${server.address}book`)
  for (const page of [one, book]) await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(book.getByText('x3545x')).toHaveCount(0)
  await one.locator('body').press('k')
  await expect(book.getByText('x3545x').first()).toBeVisible()
  // Behind both pages' backs.
  await one.locator('body').press('t')
  await expect(one.getByTestId('landing')).toHaveText('kept')
  const tray = await (await one.request.get(`${server.address}api/tray`)).json()
  await one.request.put(`${server.address}api/tray`, { data: { ...tray, title: 'of a script', steps: [] } })
  await one.locator('body').press('t')
  // It was emptied there and added to here: joined, nobody is asked.
  await expect(one.getByTestId('landing')).toHaveText('kept')
  expect((await (await one.request.get(`${server.address}api/tray`)).json()).steps).toHaveLength(1)
})

test('without channels between pages everything works', async ({ page }) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.addInitScript(() => Reflect.deleteProperty(window, 'BroadcastChannel'))
  const problems: string[] = []
  page.on('pageerror', (error) => problems.push(error.message))
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.locator('body').press('t')
  await page.locator('body').press('k')
  await expect(page.getByTestId('landing')).toHaveText('kept')
  expect(problems).toEqual([])
})

test('a name that two pages gave the tray: both are shown, nothing is written, one is chosen and the other undone to', async ({
  page,
}) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const tray = async () => (await page.request.get(`${server.address}api/tray`)).json()
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.locator('body').press('t')
  await expect(page.getByTestId('landing')).toHaveText('kept')
  await page.request.put(`${server.address}api/tray`, { data: { ...(await tray()), title: 'of a script' } })
  await page.getByRole('region', { name: 'Tray' }).getByRole('button').first().click()
  await page.keyboard.type('mine')
  await page.keyboard.press('Enter')
  const conflict = page.getByTestId('tray-conflict')
  await expect(conflict).toContainText('Another page changed the tray as well')
  expect(await tray()).toMatchObject({ title: 'of a script' })
  await conflict.getByRole('button', { name: /^keep mine/ }).click()
  await expect(page.getByTestId('landing')).toHaveText('kept')
  expect(await tray()).toMatchObject({ title: 'mine' })
  await page.locator('body').press('Control+z')
  await expect.poll(tray).toMatchObject({ title: 'of a script' })
})

test('a search whose worker can’t begin is told after a second try, and answered when somebody tries again', async ({
  page,
}) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  let asked = 0
  await page.route(/search\.worker/, (route) => {
    asked++
    return route.abort()
  })
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('Am7 drop2')
  await page.keyboard.press('Enter')
  const told = page.getByRole('alert').filter({ hasText: 'The search stopped' })
  await expect(told).toBeVisible()
  expect(asked).toBeGreaterThan(1)
  // The chord before has its shape in hand no longer: nothing is said, or kept, of it under the new name.
  await expect(page.getByTestId('shape-row')).toHaveCount(0)
  await page.locator('body').press('k')
  await expect(page.getByText('Nothing in hand to save')).toBeVisible()
  await page.unroute(/search\.worker/)
  await told.getByRole('button', { name: 'Try again' }).click()
  await expect(told).toHaveCount(0)
  await expect(page.getByTestId('shape-text')).not.toContainText('x3545x')
})

for (const [view, address, worker, press] of [
  ['Path', 'path?chart=%7C+Dm7+%7C+G7+%7C', /path\.worker/, (page: Page) => page.keyboard.press('l')],
  ['Key', 'key?key=C', /key\.worker/, (page: Page) => page.getByRole('button', { name: 'A fourth up' }).click()],
] as const)
  test(`${view} tells a worker that can’t begin where its answer would stand, keeps what is there, and tries again`, async ({
    page,
  }) => {
    const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
    await page.route(worker, (route) => route.abort())
    await page.goto(`${server.address}${address}`)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await press(page)
    const told = page.getByRole('alert').filter({ hasText: 'stopped' })
    await expect(told).toContainText('What is shown is from before')
    await page.unroute(worker)
    await told.getByRole('button', { name: 'Try again' }).click()
    await expect(told).toHaveCount(0)
  })

test('a set, a tune and a sheet wait while the server is stopped, and are in the Book when it runs again', async ({
  page,
  context,
}) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { port } = new URL(first.address)
  const made = await page.request.post(`${first.address}api/sheets`, {
    data: {
      title: 'Evening',
      paper: 'A4',
      lying: false,
      barsALine: 4,
      necks: 'lying',
      labels: 'none',
      ink: 'colour',
      blocks: [{ id: 'a', kind: 'legend' }],
    },
  })
  const { id } = await made.json()
  await page.goto(`${first.address}path?chart=title:+Low+Tide%0A%7C+Dm7+%7C+G7+%7C`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.locator('body').press('t')
  await expect(page.getByTestId('landing')).toHaveText('kept')
  const sheet = await context.newPage()
  await sheet.goto(`${first.address}sheet?sheet=${id}`)
  await expect(sheet.locator('[data-alive]')).toBeVisible()
  await stopped(first)
  await page.getByRole('region', { name: 'Tray' }).getByRole('button', { name: 'Save to Book' }).click()
  await page.locator('body').press('k')
  await expect(page.getByTestId('landing')).toHaveText('2 changes wait for the server')
  await sheet.getByRole('button', { name: /^In the eggs/ }).press('ArrowDown')
  await expect(sheet.getByRole('group', { name: 'Acts' })).toContainText('waits')
  const second = await startServer({ PORT: port, NESTLING_DATA: folder })
  const kept = async (path: string) => (await page.request.get(`${second.address}api/${path}`)).json()
  await expect(page.getByTestId('landing')).toHaveText('kept')
  await expect(sheet.getByRole('group', { name: 'Acts' })).toContainText('kept')
  expect((await kept('sets')).sets).toMatchObject([{ steps: [{ chord: 'Dm7' }] }])
  expect((await kept('tunes')).tunes).toMatchObject([{ title: 'Low Tide' }])
  expect((await kept(`sheets/${id}`)).labels).not.toBe('none')
})

test('a measure of the instrument and the cards of a run wait while the server is stopped', async ({
  page,
  context,
}) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { port } = new URL(first.address)
  await page.request.post(`${first.address}api/instruments`, {
    data: {
      ...{ name: 'Archtop', tuningName: '', tuning: 'E2,A2,D3,G3,B3,E4', capo: null, frets: 20, scaleLengthMm: 635 },
      ...{ spacingNutMm: 7.2, spacingBridgeMm: 10.4, lastReachableFret: 15, handed: 'right', pluck: 'fingers' },
    },
  })
  const practice = await context.newPage()
  await practice.goto(`${first.address}practice`)
  await page.goto(`${first.address}setup`)
  for (const one of [page, practice]) await expect(one.locator('[data-alive]')).toBeVisible()
  await stopped(first)
  const scale = page.getByLabel('Scale length, mm', { exact: true })
  await typeOver(scale, '628')
  await scale.press('Enter')
  await expect(page.getByText('The instrument waits')).toBeVisible()
  await expect(scale).toHaveValue('628')
  await practice.locator('body').press('m')
  await expect(practice.getByText('The cards wait')).toBeVisible()
  const second = await startServer({ PORT: port, NESTLING_DATA: folder })
  const kept = async (path: string) => (await page.request.get(`${second.address}api/${path}`)).json()
  await expect.poll(async () => (await kept('instruments')).instruments).toMatchObject([{ scaleLengthMm: 628 }])
  await expect.poll(async () => (await kept('notebook')).cards?.length ?? 0).toBeGreaterThan(3)
  // What is changed next goes over what has landed.
  await typeOver(scale, '650')
  await scale.press('Enter')
  await expect.poll(async () => (await kept('instruments')).instruments).toMatchObject([{ scaleLengthMm: 650 }])
  expect((await kept('instruments')).instruments).toHaveLength(1)
})

test('the first instrument waits while the server is stopped, goes on changing, and is kept once', async ({ page }) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { port } = new URL(first.address)
  await page.goto(`${first.address}setup`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await stopped(first)
  const scale = page.getByLabel('Scale length, mm', { exact: true })
  for (const [length, waits] of [
    ['628', '1 change waits for the server'],
    ['640', '1 change waits for the server'],
  ] as const) {
    await typeOver(scale, length)
    await scale.press('Enter')
    await expect(scale).toHaveValue(length)
    await expect(page.getByTestId('landing')).toHaveText(waits)
  }
  // A tuning as well; one that is taken away again was never asked for.
  for (const name of ['drop the sixth', 'a slip']) {
    await page.getByLabel('Name of the tuning').click()
    await page.keyboard.type(name)
    await page.keyboard.press('Tab')
    await page.keyboard.type('D2 A2 D3 G3 B3 E4')
    await page.keyboard.press('Enter')
    await expect(page.getByText(name, { exact: true })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Delete a slip' }).click()
  await expect(page.getByText('a slip', { exact: true })).toHaveCount(0)
  const second = await startServer({ PORT: port, NESTLING_DATA: folder })
  const kept = async () => (await (await page.request.get(`${second.address}api/instruments`)).json()).instruments
  await expect.poll(kept).toMatchObject([{ scaleLengthMm: 640 }])
  const tunings = async () => (await (await page.request.get(`${second.address}api/tunings`)).json()).tunings
  await expect.poll(tunings).toMatchObject([{ name: 'drop the sixth' }])
  await typeOver(scale, '650')
  await scale.press('Enter')
  await expect.poll(kept).toMatchObject([{ scaleLengthMm: 650 }])
  await page.keyboard.press('Control+z')
  await expect.poll(kept).toMatchObject([{ scaleLengthMm: 640 }])
  expect(await kept()).toHaveLength(1)
})

test('sound that could not be loaded says so, and is heard at the next press without a reload', async ({ page }) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.goto(`${server.address}arpeggio?chord=Cmaj7&position=7`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  // With what follows the name: asked for again, a module has another address.
  const modules = /\/_astro\/[^/]+\.js/
  await page.route(modules, (route) => route.abort())
  await play(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'No sound' })).toBeVisible()
  await expect(page.getByTestId('playing')).toHaveAttribute('data-status', 'stopped')
  await page.unroute(modules)
  await play(page).click()
  await expect(page.getByTestId('playing')).not.toHaveAttribute('data-status', 'stopped')
})

test('a part that can’t be loaded takes nothing with it, says why, and comes when it can', async ({ page }) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  const later = /\/_astro\/(KeysHelp|SoundPanel)\.[^/]+\.js/
  await page.route(later, (route) => route.abort())
  await page.route('**/healthz', (route) => route.abort())
  const stays = () => expect(page.getByTestId('shape-text')).toHaveText('x3545x')
  await page.keyboard.press('?')
  await expect(page.getByText('The list of keys could not be loaded')).toBeVisible()
  await expect(page.getByText('The server does not answer. All else')).toBeVisible()
  await stays()
  await page.getByRole('button', { name: /^Sound: / }).click()
  await expect(page.getByTestId('missing')).toContainText('The mixer could not be loaded. The server does not answer')
  await page.unroute(later)
  await page.getByTestId('missing').getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('slider').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.locator('body').press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await stays()
})

test('after an upgrade under an open page it says so once, and a reload keeps what is asked', async ({ page }) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.goto(`${server.address}?chord=Cmaj7&shape=x3545x`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.locator('body').press('t')
  await expect(page.getByTestId('landing')).toHaveText('kept')
  await page.route('**/api/tray', async (route) => {
    const response = await route.fetch()
    await route.fulfill({ response, headers: { ...response.headers(), 'x-nestling-build': 'another' } })
  })
  await page.route(/\/_astro\/KeysHelp\./, (route) => route.fulfill({ status: 404, body: '' }))
  for (const key of ['ArrowRight', 't', 't']) await page.locator('body').press(key)
  const notice = page.getByRole('alert').filter({ hasText: 'Nestling was renewed on the server; this page' })
  await expect(notice).toHaveCount(1)
  await page.locator('body').press('?')
  await expect(page.getByText('The list of keys could not be loaded')).toBeVisible()
  await page.unrouteAll()
  const frets = (await page.getByTestId('shape-text').textContent()) ?? ''
  await notice.getByRole('button', { name: 'Reload' }).click()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('shape-text')).toHaveText(frets)
})

test('two tabs: what waits of a closed one is joined by the other when the server is back', async ({ context }) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const { port } = new URL(first.address)
  const [a, b] = [await context.newPage(), await context.newPage()]
  await a.goto(`${first.address}?chord=Cmaj7&shape=x3545x`)
  await b.goto(`${first.address}?chord=Dm7&shape=x5756x`)
  for (const page of [a, b]) await expect(page.locator('[data-alive]')).toBeVisible()
  await stopped(first)
  await a.locator('body').press('t')
  await expect(a.getByTestId('landing')).toContainText(/waits? for the server/)
  await a.close()
  const second = await startServer({ PORT: port, NESTLING_DATA: folder })
  await b.evaluate(() => window.dispatchEvent(new Event('focus')))
  const steps = async () => (await (await b.request.get(`${second.address}api/tray`)).json()).steps
  await expect.poll(steps).toMatchObject([{ chord: 'Cmaj7' }])
  await expect(b.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(1)
  await b.locator('body').press('t')
  await expect.poll(steps).toMatchObject([{ chord: 'Cmaj7' }, { chord: 'Dm7' }])
})

test('two browsers keep the same tune: the second is told what differs, and keeps one, the other or both', async ({
  browser,
}) => {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const [a, b] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()]
  const open = async (page: Page, path: string) => {
    await page.goto(`${server.address}${path}`)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByTestId('tune-name')).toBeVisible()
  }
  await open(a, `path?${new URLSearchParams({ chart: 'title: Low Tide\n| Dm7 | G7 | Cmaj7 | A7 |' })}`)
  await a.locator('body').press('k')
  await expect(a.getByText('Saved to Book: Low Tide')).toBeVisible()
  const tunes = async () =>
    (await (await a.request.get(`${server.address}api/tunes`)).json()).tunes as {
      id: number
      title: string
      tune: { chart: string }
    }[]
  const [{ id } = { id: 0 }] = await tunes()
  for (const page of [a, b]) await open(page, `path?tune=${id}`)
  const chart = (page: Page) => page.locator('#path-chart')
  const typed = async (page: Page, text: string) => {
    await paste(chart(page), `title: Low Tide\n${text}`)
    await page.keyboard.press('Control+Enter')
    await expect(page.getByTestId('tune-name')).toHaveText('Low Tide')
    await page.locator('body').press('k')
  }
  await typed(a, '| Dm9 | G7 | Cmaj7 | A7 |')
  await expect.poll(async () => (await tunes())[0]?.tune.chart).toContain('| Dm9 |')
  await typed(b, '| Dm7 | G13 | Cmaj7 | A7 |')
  const asked = b.getByRole('alert').filter({ hasText: 'was changed elsewhere since it was opened here' })
  await expect(asked).toContainText('chord 1: Dm7')
  await expect(asked).toContainText('chord 2: G13')
  expect((await tunes()).map(({ tune }) => tune.chart.includes('| Dm9 |'))).toEqual([true])
  await asked.getByRole('button', { name: 'Keep both' }).click()
  await expect
    .poll(async () => (await tunes()).map(({ title }) => title).toSorted())
    .toEqual(['Low Tide', 'Low Tide, again'])
  // What is kept from here goes on as its own.
  await typed(b, '| Dm7 | G13 | Cmaj9 | A7 |')
  await expect(asked).toHaveCount(0)
  await expect.poll(async () => JSON.stringify(await tunes())).toContain('Cmaj9')
})
