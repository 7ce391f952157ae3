import AxeBuilder from '@axe-core/playwright'
import { expect, type Page, test } from '@playwright/test'

/** Something of every view that is there once it is drawn. */
const SHOWN =
  '[data-testid=bench], [data-testid=shape-row], [data-testid=map-cell], [data-testid=hand-bar], [data-testid=sheet-page], [data-testid=book-list] article, section h2, main h1, [data-testid=lane-step], [data-testid=tune-chord], [data-testid=run-chord], [data-testid=card-question], [data-testid=days-table], .recharts-surface, article, [role=tabpanel]:visible'

async function serious(page: Page) {
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
}

for (const scheme of ['light', 'dark'] as const)
  for (const path of [
    '/',
    '/map',
    '/arpeggio',
    '/key',
    '/path',
    '/practice',
    '/cards',
    '/logbook',
    '/book',
    '/book?show=sets',
    '/book?show=sheets',
    '/book?show=files',
    '/sheet',
    '/sheet?sheet=3',
    '/setup',
    '/setup?part=tunings',
  ])
    test(`${path} by ${scheme} has nothing that keeps a player out`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: scheme })
      await page.goto(path)
      await expect(page.locator(SHOWN).first()).toBeVisible()
      expect(await serious(page)).toEqual([])
    })

for (const scheme of ['light', 'dark'] as const)
  test(`a tune in systems, as a table, and beside another way, by ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme })
    await page.goto('/path')
    await page.getByTestId('other-way').first().click()
    expect(await serious(page)).toEqual([])
    await page.getByRole('button', { name: 'in systems' }).click()
    await expect(page.getByTestId('systems')).toBeVisible()
    expect(await serious(page)).toEqual([])
    await page.getByRole('button', { name: 'as a table' }).click()
    await expect(page.getByTestId('tune-table')).toBeVisible()
    expect(await serious(page)).toEqual([])
  })

test('on a narrow screen nothing runs out of the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const path of [
    '/',
    '/map',
    '/arpeggio',
    '/key',
    '/path',
    '/practice',
    '/cards',
    '/logbook',
    '/book',
    '/book?show=sets',
    '/book?show=sheets',
    '/book?show=files',
    '/sheet',
    '/sheet?sheet=3',
    '/setup',
    '/setup?part=habits',
  ]) {
    await page.goto(path)
    await expect(page.locator(SHOWN).first()).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  }
})
