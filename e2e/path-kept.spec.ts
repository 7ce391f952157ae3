/** A tune kept from the Path view: opened again, kept over itself, deleted, and each taken back. */

import { choose } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

async function open(page: Page, query: string) {
  await page.goto(`/path${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const chords = (page: Page) => page.getByTestId('tune-chord')
const frets = (page: Page) =>
  chords(page).evaluateAll((all) => all.map((one) => one.getAttribute('data-frets')).join(' '))

test('a tune is kept with its shapes, opens from the Book as it was, is kept over itself, and deleted with undo', async ({
  page,
}) => {
  await open(
    page,
    '?chart=title:+Ebb+Song%0Akey:+C%0A|+Dm7+|+G7+|+Cmaj7+|+Cmaj7+|&strings=5432&frets=1-7&loop=0&hold=4:x3545x',
  )
  await page.locator('body').press('k')
  await expect(page.getByText('Saved to Book: Ebb Song')).toBeVisible()
  await expect(page).toHaveURL(/tune=\d+/)
  await page.goto('/book')
  const tune = page.getByTestId('tune-head').filter({ hasText: 'Ebb Song' })
  await expect(page.getByTestId('tune-chords').filter({ hasText: 'x5756x' })).toBeVisible()
  await tune.getByRole('link', { name: 'Ebb Song to Path' }).click()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await expect(chords(page).nth(3)).toHaveAttribute('data-held', 'true')
  await choose(page, 'Style', 'ballad')
  await page.locator('body').press('k')
  await expect(page.getByText('Saved to Book: Ebb Song').last()).toBeVisible()
  await page.goto('/book')
  await expect(tune).toHaveCount(1)
  await page
    .getByRole('navigation', { name: 'Contents' })
    .getByRole('button', { name: /^Ebb Song/ })
    .click()
  await page.getByRole('button', { name: 'Delete Ebb Song' }).click()
  await expect(tune).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(tune).toHaveCount(1)
  await page.getByRole('button', { name: 'Delete Ebb Song' }).click()
  await expect(tune).toHaveCount(0)
})

test('Ctrl Z after K takes back the save of a tune: a new one goes, one that was kept over is as it was', async ({
  page,
  request,
}) => {
  const count = async () => (await (await request.get('/api/tunes')).json()).count as number
  const before = await count()
  await open(page, `?${new URLSearchParams({ chart: 'title: Taken Back\n| Dm7 | G7 |' })}`)
  await page.keyboard.press('k')
  await expect(page.getByText('Saved to Book: Taken Back')).toBeVisible()
  await expect.poll(count).toBe(before + 1)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('h')
  await expect(page.getByText('held', { exact: true })).toHaveCount(1)
  await page.keyboard.press('k')
  const kept = async () => {
    const { tunes } = await (await request.get('/api/tunes')).json()
    return (tunes as { title: string; tune: { hold?: string } }[]).find(({ title }) => title === 'Taken Back')?.tune
      .hold
  }
  await expect.poll(kept).toContain('2:')
  await page.keyboard.press('Control+z')
  await expect.poll(kept).toBeUndefined()
  // It is as this page has seen it: nobody else has changed it.
  await page.keyboard.press('k')
  await expect.poll(kept).toContain('2:')
  for (const _ of [1, 2]) await page.keyboard.press('Control+z')
  await expect.poll(kept).toBeUndefined()
  // The hold, the chord that was chosen, and the first save.
  for (const _ of [1, 2]) await page.keyboard.press('Control+z')
  await expect.poll(count).toBe(before)
})

const held = (page: Page) => page.getByText('held', { exact: true })
const short = /\/path\?tune=2&of=\d+$/

test('its address is its number until something of it is changed; what is changed survives a reload', async ({
  page,
}) => {
  await open(page, '?tune=2')
  const name = await page.getByTestId('tune-name').textContent()
  await expect(page).toHaveURL(short)
  await page.keyboard.press('ArrowRight')
  await expect(page).toHaveURL(/\/path\?at=2&tune=2&of=\d+$/)
  const before = await held(page).count()
  await page.keyboard.press('h')
  await expect(held(page)).not.toHaveCount(before)
  const changed = await held(page).count()
  await expect(page).toHaveURL(/chart=/)
  await page.reload()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(held(page)).toHaveCount(changed)
  await page.keyboard.press('Control+z')
  await expect(held(page)).toHaveCount(before)
  await expect(page).toHaveURL(/\/path\?at=2&tune=2&of=\d+$/)
  // Kept, it is its number again; what was pressed just before is in it.
  await page.keyboard.press('h')
  await page.keyboard.press('k')
  await expect(page.getByText(`Saved to Book: ${name}`)).toBeVisible()
  await expect(page).toHaveURL(/\/path\?at=2&tune=2&of=\d+$/)
  await page.reload()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(held(page)).toHaveCount(changed)
  // Taken back in the Book, it still stands here, and is not lost to a reload.
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Undone: saved to Book/)).toBeVisible()
  await expect(page).toHaveURL(/chart=/)
  await page.reload()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(held(page)).toHaveCount(changed)
})

test('the browser’s Back leads through a tune that was opened by its number', async ({ page }) => {
  await open(page, '?tune=2')
  await expect(page).toHaveURL(short)
  const before = await held(page).count()
  // A step of the browser's own, so that it is there however quickly one presses on.
  await page.evaluate(() => window.history.pushState(null, '', window.location.href))
  await page.keyboard.press('h')
  await expect(page).toHaveURL(/chart=/)
  await expect(held(page)).not.toHaveCount(before)
  await page.goBack()
  await expect(page).toHaveURL(short)
  await expect(held(page)).toHaveCount(before)
})

test('of a deleted tune it is said, and it can be brought back; of a number that never was there too', async ({
  page,
  request,
}) => {
  const { title } = await (await request.get('/api/tunes/3')).json()
  await request.delete('/api/tunes/3', { headers: { 'content-type': 'application/json' } })
  await open(page, '?tune=3')
  // It stands there as it was, and is no tune of the Book.
  await expect(page.getByTestId('tune-name')).toHaveText(title)
  await expect(page.getByRole('alert')).toContainText(`${title} was deleted from the Book.`)
  await expect(page).toHaveURL(/chart=/)
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page).toHaveURL(/\/path\?tune=3&of=\d+$/)
  expect((await request.get('/api/tunes/3')).status()).toBe(200)
  await open(page, '?tune=999')
  await expect(page.getByRole('alert')).toContainText('There is no tune 999 in the Book.')
})
