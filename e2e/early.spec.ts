/** The first paint is whole, and what is pressed before the page is alive is done once it is. */
import { emptyTray } from './support/kept.ts'
import { expect, type Page, test } from './support/test.ts'

/** Holds back the page's scripts, as a slow machine does. @returns what lets them through. */
async function heldBack(page: Page): Promise<() => Promise<void>> {
  let letGo: () => void = () => undefined
  const free = new Promise<void>((resolve) => {
    letGo = resolve
  })
  await page.route(/\/_astro\/.*\.js$/, async (route) => {
    await free
    await route.continue()
  })
  return async () => {
    letGo()
    await expect(page.locator('[data-alive]')).toBeVisible()
  }
}

test.beforeEach(({ request }) => emptyTray(request))

const inTray = (page: Page) => page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')

for (const [path, whole] of [
  ['/', '[data-testid=egg][data-string="5"]'],
  ['/?chord=A&open=allow', '[data-testid=shape-row]'],
  ['/map?chord=Ebmaj7', '[data-testid=map-cell]'],
  ['/arpeggio?chord=Cmaj7', '[data-testid=hand-bar]'],
  ['/key?key=Bb', '[data-testid=lane-step]'],
] as const)
  test(`${path} is drawn with its answer before any script runs`, async ({ page }) => {
    const alive = await heldBack(page)
    await page.goto(path, { waitUntil: 'commit' })
    await expect(page.locator(whole).first()).toBeAttached()
    await expect(page.getByText('Looking along the neck')).toHaveCount(0)
    await expect(page.getByText('Nothing in hand')).toHaveCount(0)
    await expect(page.locator('[data-alive]')).toHaveCount(0)
    const drawn = await page.locator(whole).count()
    await alive()
    expect(await page.locator(whole).count()).toBeGreaterThanOrEqual(drawn)
  })

test('an arrow, T and a link pressed at first paint: the shape is turned, in the tray, and goes along', async ({
  page,
}) => {
  const alive = await heldBack(page)
  await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x', { waitUntil: 'commit' })
  await expect(page.getByTestId('egg').first()).toBeVisible()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('t')
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Arpeggio' }).click()
  expect(new URL(page.url()).pathname).toBe('/')
  await alive()
  await page.waitForURL(/\/arpeggio\?chord=Ebmaj7&shape=x-10-12-8-11-x/)
  await expect(inTray(page)).toHaveCount(1)
  await expect(inTray(page)).toContainText('E♭maj7')
  await page.goBack()
  await expect(page.getByTestId('shape-text')).toHaveText('x-10-12-8-11-x')
})

test('a line typed before the page is alive is read, and the key after it is done', async ({ page }) => {
  const alive = await heldBack(page)
  await page.goto('/', { waitUntil: 'commit' })
  await expect(page.getByTestId('egg').first()).toBeVisible()
  await page.keyboard.type('/Gmaj7 6432')
  await page.keyboard.press('Enter')
  await page.keyboard.press('t')
  await alive()
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Gmaj7')
  await expect(inTray(page)).toHaveCount(1)
  await expect(inTray(page)).toContainText('Gmaj7')
})

test('a click on a word opens its choices; the page says that it is getting ready', async ({ page }) => {
  const alive = await heldBack(page)
  await page.goto('/', { waitUntil: 'commit' })
  await expect(page.getByText('getting ready')).toBeVisible()
  await page.getByRole('button', { name: /^Arrangement:/ }).click()
  await alive()
  await expect(page.getByRole('menuitemradio', { name: /^drop 3/ })).toBeVisible()
  await expect(page.getByText('getting ready')).toHaveCount(0)
})

test('a link that nothing was pressed before leads on at once', async ({ page }) => {
  await heldBack(page)
  await page.goto('/', { waitUntil: 'commit' })
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Set-up' }).click()
  await page.waitForURL(/\/setup/, { waitUntil: 'commit' })
})
