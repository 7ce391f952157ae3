/** A word of the sentence: a button, named "Position: 8th fret", that opens its choices. */
import type { Page } from '@playwright/test'

export const word = (page: Page, label: string) =>
  page.getByRole('main').getByRole('button', { name: new RegExp(`^${label}: `) })

/** An item of the menu that is open, whether it is one of several or an act. */
export const menuItem = (page: Page, name: string | RegExp, exact = false) =>
  page.getByRole('menuitem', { name, exact }).or(page.getByRole('menuitemradio', { name, exact }))

/** @param choice The choice, as it reads in the list. */
export async function choose(page: Page, label: string, choice: string) {
  await word(page, label).click()
  await menuItem(page, choice, true).click()
}
