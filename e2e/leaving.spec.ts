/** A page that is left before it has an answer: what was done on it is lost nowhere, and the next page shows it. */

import { emptyTray } from './support/kept.ts'
import { expect, type Page, test } from './support/test.ts'

const START = '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'

/** The first request is on its way for longer than the page lives. */
async function holdFirst(page: Page, address: string) {
  let asked = 0
  await page.route(address, (route) => (++asked === 1 ? undefined : route.continue()))
}

test('a setting chosen just before a page is left stands on the next one, and is kept', async ({ page }) => {
  await page.goto(START)
  await expect(page.locator('[data-alive]')).toBeVisible()
  const label = page.locator('[data-testid=egg][data-string="5"] [data-label]')
  await holdFirst(page, '**/api/settings')
  await page.keyboard.press('l')
  await expect(label).toHaveAttribute('data-label', 'E♭')
  const drawn = await (await page.reload())?.text()
  expect(drawn).toContain('data-label="E♭"')
  await expect(label).toHaveAttribute('data-label', 'E♭')
  const keptLabels = async () => (await (await page.request.get('/api/settings')).json()).labels
  await expect.poll(keptLabels).toBe('note')
  for (let times = 0; times < 3; times++) await page.keyboard.press('l')
  await expect(label).toHaveAttribute('data-label', 'R')
  await expect.poll(keptLabels).toBe('degree')
})

test('a shape put into the tray just before a link is followed is in it on the next page, and is kept', async ({
  page,
  request,
}) => {
  await emptyTray(request)
  await page.goto(START)
  await expect(page.locator('[data-alive]')).toBeVisible()
  const steps = page.getByRole('region', { name: 'Tray' }).getByRole('listitem')
  await holdFirst(page, '**/api/tray')
  await page.keyboard.press('t')
  await expect(steps).toHaveCount(1)
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Map' }).click()
  await expect(page).toHaveURL(/\/map/)
  await expect(steps).toHaveCount(1)
  const keptSteps = async () => (await (await request.get('/api/tray')).json()).steps.length
  await expect.poll(keptSteps).toBe(1)
  // Drawn before, and answered before the next page is there.
  const drawn = await request.get(page.url())
  await page.route('**/map?*', async (route) => {
    await expect.poll(keptSteps).toBe(2)
    await route.fulfill({ response: drawn })
  })
  // What is pressed before the page is alive waits in it, and goes with it.
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.keyboard.press('t')
  await page.reload()
  await expect(steps).toHaveCount(2)
  await expect.poll(keptSteps).toBe(2)
  await emptyTray(request)
})
