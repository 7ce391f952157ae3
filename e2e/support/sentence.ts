/** A word of the sentence: a button, named "Position: 8th fret", that opens its choices. */
import type { Page } from '@playwright/test'

export const word = (page: Page, label: string) =>
  page.getByRole('main').getByRole('button', { name: new RegExp(`^${label}: `) })

/** @param choice The choice, as it reads in the list. */
export async function choose(page: Page, label: string, choice: string) {
  await word(page, label).click()
  await page.getByRole('menuitem', { name: choice, exact: true }).click()
}
