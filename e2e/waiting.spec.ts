/** The page without its server: what is done waits in the browser, over reloads, and is kept when the server is back. */

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { endAll, startServer, stopped } from './support/server.ts'

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
  await page.unroute(/search\.worker/)
  await told.getByRole('button', { name: 'Try again' }).click()
  await expect(told).toHaveCount(0)
  await expect(page.getByTestId('shape-text')).not.toContainText('x3545x')
})
