import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'

for (const scheme of ['light', 'dark'] as const)
  for (const path of ['/', '/map', '/arpeggio', '/key', '/path', '/book', '/setup', '/setup?part=tunings'])
    test(`${path} by ${scheme} has nothing that keeps a player out`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: scheme })
      await page.goto(path)
      await expect(
        page
          .locator(
            '[data-testid=shape-row], [data-testid=map-cell], [data-testid=hand-bar], [data-testid=lane-step], [data-testid=tune-chord], article, [role=tabpanel]:visible',
          )
          .first(),
      ).toBeVisible()
      const { violations } = await new AxeBuilder({ page }).analyze()
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
      expect(
        serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`),
      ).toEqual([])
    })

test('on a narrow screen nothing runs out of the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const path of ['/', '/map', '/arpeggio', '/key', '/path', '/book', '/setup', '/setup?part=habits']) {
    await page.goto(path)
    await expect(
      page
        .locator(
          '[data-testid=shape-row], [data-testid=map-cell], [data-testid=hand-bar], [data-testid=lane-step], [data-testid=tune-chord], article, [role=tabpanel]:visible',
        )
        .first(),
    ).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  }
})
