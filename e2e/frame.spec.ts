/** What every view stands in: its title, the way past the header, pages for what is not there and for no JavaScript. */

import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { typeOver } from './support/hands.ts'
import { expect, type Page, test } from './support/test.ts'

const open = async (page: Page, path: string) => {
  await page.goto(path)
  await expect(page.locator('[data-alive]')).toBeVisible()
}

test('the title of the window tells what is in hand, and follows it', async ({ page }) => {
  for (const [path, title] of [
    ['/?chord=Ebmaj7&strings=5432&shape=x6878x', 'E♭maj7 x6878x · Build · Nestling'],
    ['/map?chord=Ebmaj7&add=9', 'E♭maj7 +9 · Map · Nestling'],
    ['/arpeggio?chord=Cmaj7', 'Cmaj7 · Arpeggio · Nestling'],
    ['/key?key=Bb', 'B♭ major sevenths · Key · Nestling'],
    ['/logbook', 'Logbook · Nestling'],
  ] as const) {
    await open(page, path)
    await expect(page).toHaveTitle(title)
  }
  await open(page, '/map?chord=C&arrangement=close')
  await typeOver(page.getByRole('textbox', { name: 'Chord' }), 'F#m')
  await expect(page).toHaveTitle('F♯m · Map · Nestling')
})

// The cards begin in their own work: the first card has the focus.
test('the first Tab of every view leads past the header', async ({ page }) => {
  for (const path of ['/', '/map', '/arpeggio', '/key', '/path', '/practice', '/logbook', '/book', '/setup']) {
    await open(page, path)
    const skip = page.getByRole('link', { name: 'Skip to the work' })
    await expect(skip).not.toBeInViewport()
    await page.keyboard.press('Tab')
    await expect(skip, path).toBeFocused({ timeout: 5000 })
    await expect(skip, path).toBeInViewport({ timeout: 4000 })
    await page.keyboard.press('Enter')
    await expect(page.locator('main')).toBeFocused()
    await page.keyboard.press('Tab')
    expect(await page.evaluate(() => document.querySelector('main')?.contains(document.activeElement)), path).toBe(true)
  }
})

test('an address that leads nowhere has a page of its own, with the way back', async ({ page }) => {
  const answer = await page.goto('/no-such-view')
  expect(answer?.status()).toBe(404)
  await expect(page.getByRole('heading', { name: 'Nothing lies here' })).toBeVisible()
  const told = await page.request.get('/api/no-such-call')
  expect([told.status(), (await told.json()).field]).toEqual([404, 'address'])
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Map' }).click()
  await expect(page.locator('[data-alive]')).toBeVisible()
})

test('without JavaScript a page says that it needs it, and why', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ javaScriptEnabled: false, ...(baseURL === undefined ? {} : { baseURL }) })
  const page = await context.newPage()
  await page.goto('/map')
  await expect(page.getByText(/Nestling works out shapes on this page, and needs JavaScript/)).toBeVisible()
  await context.close()
})

test('it can be put on a home screen: a manifest with its icon', async ({ page }) => {
  await open(page, '/')
  const href = (await page.locator('link[rel=manifest]').getAttribute('href')) ?? ''
  const manifest = await (await page.request.get(href)).json()
  expect(manifest).toMatchObject({ name: 'Nestling', start_url: '/', display: 'standalone' })
  expect((await page.request.get(manifest.icons[0].src)).headers()['content-type']).toContain('image/svg')
})

test('every class of the library that a script uses has its rules', () => {
  const built = join(import.meta.dirname, '../web/dist/client/_astro')
  const classesIn = (ending: string): ReadonlySet<string> =>
    new Set(
      readdirSync(built)
        .filter((file) => file.endsWith(ending))
        .flatMap((file) => readFileSync(join(built, file), 'utf8').match(/\bm_[0-9a-f]{6,8}\b/g) ?? []),
    )
  const [used, ruled] = [classesIn('.js'), classesIn('.css')]
  expect(used.size).toBeGreaterThan(50)
  expect([...used].filter((name) => !ruled.has(name))).toEqual([])
})
