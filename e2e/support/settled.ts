/** A page that has drawn all of what it was asked. */
import { expect, type Page } from '@playwright/test'

/** Comes true by what the page says of itself: alive, nothing busy, its faces there, and two frames drawn since. */
export async function settled(page: Page): Promise<void> {
  // A page of words alone has no script to wait for.
  if ((await page.locator('astro-island').count()) > 0) await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0)
  await page.evaluate(async () => {
    await document.fonts.ready
    const animated = document
      .getAnimations()
      .filter(({ effect }) => effect?.getComputedTiming().iterations !== Infinity)
    await Promise.allSettled(animated.map(({ finished }) => finished))
    for (let frame = 0; frame < 2; frame++) await new Promise(requestAnimationFrame)
    await new Promise((resolve) => requestIdleCallback(resolve, { timeout: 1000 }))
  })
}
