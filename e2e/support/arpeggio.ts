/** The Arpeggio view opened, and what its tests share. */
import { type APIRequestContext, expect, type Page } from '@playwright/test'

export const play = (page: Page) => page.getByRole('button', { name: 'Play', exact: true })
export const stop = (page: Page) => page.getByRole('button', { name: 'Stop', exact: true })

export async function open(page: Page, query = '?chord=Cmaj7&position=7&from=lowest') {
  await page.goto(`/arpeggio${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('notation')).toHaveAttribute('data-notes', /\d/)
}
export const settings = (request: APIRequestContext, changes: object) =>
  request.patch('/api/settings', { data: changes })

/** As they were. */
export const usualSound = (request: APIRequestContext) =>
  settings(request, {
    tempo: 80,
    swing: 0,
    countInBars: 1,
    metronome: true,
    drums: false,
    bassStandIn: false,
    latencyMs: 0,
    stringsVolume: 80,
    clickVolume: 60,
  })
