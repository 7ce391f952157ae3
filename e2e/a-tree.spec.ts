/**
 * What a screen reader meets in each view, kept in `a-tree.spec.ts-snapshots` and reviewed when it changes. The first of all
 * tests: of the demo as it is filled.
 */
import { expect, test } from '@playwright/test'

// The logbook and the cards are of today: their trees differ from day to day, and are asked for in their own tests.
for (const [name, path] of [
  ['build', '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'],
  ['map', '/map?chord=C&arrangement=close&strings=321'],
  ['arpeggio', '/arpeggio?chord=Cmaj7&position=7&from=lowest'],
  ['key', '/key?key=Bb'],
  ['path', '/path'],
  ['practice', '/practice'],
  ['book', '/book?tag=the+Lantern+Room'],
  ['sheet', '/sheet?sheet=3'],
  ['setup', '/setup'],
] as const)
  test(`the tree of ${name}`, async ({ page }) => {
    await page.goto(path)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await page.waitForTimeout(800)
    await expect(page.getByRole('main')).toMatchAriaSnapshot({ name: `${name}.aria.yml` })
  })
