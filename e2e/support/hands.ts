/** What hands do: keys one after another with a person's gaps, and pastes, which are told as such. */
import type { Locator, Page } from '@playwright/test'

/** Between two keys of a quick typist; between two words a little more. */
const [KEY_MS, WORD_MS] = [35, 70]

/** Types into whatever has the focus, key by key. */
export async function typeKeys(page: Page, text: string): Promise<void> {
  for (const [at, key] of [...text].entries()) {
    if (at > 0) await rest(page, key === ' ' ? WORD_MS : KEY_MS)
    await (key === '\n' ? page.keyboard.press('Enter') : page.keyboard.type(key))
  }
}

/** A mouse that rests, a hand that listens: a person's gap, which waits for nothing. */
export const rest = (page: Page, ms: number) =>
  page.evaluate((gap) => new Promise((resolve) => setTimeout(resolve, gap)), ms)

/** Goes into a field by the mouse, and types over what stands in it. */
export async function typeOver(field: Locator, text: string): Promise<void> {
  await field.click()
  await field.press('ControlOrMeta+a')
  if (text === '') await field.press('Delete')
  await typeKeys(field.page(), text)
}

/** Takes the place of what stands in a field at one stroke, as a paste over all of it does. */
export async function paste(field: Locator, text: string): Promise<void> {
  await field.fill(text) // a paste
}
