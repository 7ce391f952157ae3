/** A row that a disk or another program has damaged breaks no view: it is told, taken along and deleted in the Book. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { endAll, startServer, stopped } from '../scripts/ordeal/server.ts'
import { ask } from '../scripts/ordeal/writes.ts'
import { expect, test } from './support/test.ts'

let folder: string
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nestling-damage-'))
})
test.afterEach(async () => {
  await endAll()
  rmSync(folder, { recursive: true, force: true })
})

test('a damaged shape is listed as unreadable, saved as a file and deleted; the others stand where they were', async ({
  page,
}) => {
  const first = await startServer({ PORT: '0', NESTLING_DATA: folder })
  for (const name of ['whole', 'torn'])
    await ask(first.address, 'POST', 'shapes', { name, chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' })
  await stopped(first)
  const database = new Sqlite(join(folder, 'nestling.db'))
  database.exec("update kept_shapes set tags = '{torn' where name = 'torn'")
  database.close()
  const { address } = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await page.goto(`${address}book`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('open-shape')).toContainText('whole')
  await page
    .getByRole('navigation', { name: 'Contents' })
    .getByRole('button', { name: /^unreadable/ })
    .click()
  const torn = page.getByRole('article', { name: 'shape “torn”' })
  await expect(torn).toContainText('tags: no JSON')
  const saving = page.waitForEvent('download')
  await torn.getByRole('link', { name: 'Save a file of shape “torn”' }).click()
  const file = readFileSync(await (await saving).path(), 'utf8')
  expect(JSON.parse(file)).toMatchObject({ kind: 'shape', row: { name: 'torn', shape: '5x555x', tags: '{torn' } })
  await torn.getByRole('button', { name: 'Delete shape “torn” for good' }).click()
  await expect(page.getByText('Nothing is unreadable.')).toBeVisible()
})

test('all of a player’s data: where it lies, one file of it, and its end, asked twice after that file', async ({
  page,
}) => {
  const { address } = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await ask(address, 'POST', 'shapes', { name: 'one', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' })
  await ask(address, 'POST', 'copies')
  await page.goto(`${address}book?show=files`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  const data = page.getByRole('region', { name: 'All your data' })
  await expect(data).toContainText(folder)
  await expect(data).toContainText('1 copy of it')
  await data.getByRole('button', { name: 'Delete all …' }).click()
  const once = data.getByRole('group', { name: 'Delete all', exact: true })
  await expect(once).toContainText('1 shape, 0 tunes')
  await expect(once.getByRole('button', { name: 'Delete all of it' })).toBeDisabled()
  const saving = page.waitForEvent('download')
  await once.getByRole('link', { name: 'copy all' }).click()
  const whole = new Sqlite(readFileSync(await (await saving).path()))
  expect(whole.prepare('select name from kept_shapes').pluck().all()).toEqual(['one'])
  whole.close()
  await once.getByRole('button', { name: 'Delete all of it' }).click()
  await data.getByRole('button', { name: 'no, keep it' }).click()
  expect((await ask(address, 'GET', 'shapes')).json.total).toBe(1)
  await data.getByRole('button', { name: 'Delete all …' }).click()
  await data.getByRole('button', { name: 'Delete all of it' }).click()
  await data.getByRole('button', { name: 'Yes, delete everything now' }).click()
  await expect(data).toContainText('no copy of it yet')
  expect((await ask(address, 'GET', 'shapes')).json.total).toBe(0)
  expect((await ask(address, 'GET', 'copies')).json.copies).toEqual([])
  // A request that does not say it in words does nothing.
  await ask(address, 'POST', 'shapes', { name: 'two', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4' })
  expect((await ask(address, 'DELETE', 'data', {})).status).toBe(400)
  expect((await ask(address, 'GET', 'shapes')).json.total).toBe(1)
})
