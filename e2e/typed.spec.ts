/** The first things that a player types, typed and pasted, on a fresh page. */

import { paste, typeKeys, typeOver } from './support/hands.ts'
import { settled as drawn } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

const line = (page: Page) => page.locator('#build-line-input')
const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })

async function fresh(page: Page) {
  await page.goto('/')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await expect(page.getByTestId('shape-text')).toHaveText(/\d/)
}

/** What the page says of what is in hand, read at one moment. */
const said = (page: Page) =>
  page.evaluate(() => {
    const text = (selector: string) => document.querySelector(selector)?.textContent ?? ''
    return {
      symbol: text('[aria-label^="Chord "]'),
      frets: text('[data-testid=shape-text]'),
      count: text('[data-testid=count]'),
    }
  })
/** The same, once it is another than `before` and stays so. */
async function settled(page: Page, before: object) {
  let last: Awaited<ReturnType<typeof said>> | undefined
  await expect
    .poll(
      async () => {
        const was = JSON.stringify(last)
        last = await said(page)
        return JSON.stringify(last) === was && was !== JSON.stringify(before)
      },
      { intervals: [400] },
    )
    .toBe(true)
  return last as Awaited<ReturnType<typeof said>>
}

for (const [text, name, frets] of [
  ['A', 'A', undefined],
  ['Am', 'Am', undefined],
  ['Gsus4', 'Gsus4', undefined],
  ['E5', 'E5', undefined],
  ['C7', 'C7', undefined],
  ['F#m7b5 drop3 6432', 'F♯m7♭5', undefined],
  ['x32010', 'C', 'x32010'],
  ['3 7 R 5 6521', 'E♭maj7', undefined],
  ['m3 m3 m3', 'E♭dim7', undefined],
  ['Dm9 rootless', 'Dm9', undefined],
] as const)
  test(`${text}, typed and pasted, is the same`, async ({ page }) => {
    await fresh(page)
    const first = await settled(page, {})
    await page.keyboard.press('/')
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
    await expect(symbol(page)).toHaveText(name)
    const typed = await settled(page, first)
    await expect(page.getByTestId('shape-row').first()).toBeVisible()
    await expect(page.getByTestId('shape-text')).toHaveText(frets ?? /\d/)
    expect(typed.count).toMatch(/^[1-9]/)
    // One step: undone it is as it was.
    await page.keyboard.press('Control+z')
    await expect.poll(() => said(page)).toEqual(first)
    await paste(line(page), text)
    await line(page).press('Enter')
    await expect.poll(() => said(page)).toEqual(typed)
  })

test('a wrong word changes nothing, wherever it stands, and says where', async ({ page }) => {
  await fresh(page)
  await drawn(page)
  const before = await said(page)
  await typeOver(line(page), 'C7 dorp2 5432')
  await expect(page.getByTestId('line-wrong').filter({ hasText: 'dorp2' })).toBeVisible()
  await line(page).press('Enter')
  await drawn(page)
  expect(await said(page)).toEqual(before)
})

test('a kept arrangement that can’t fit gives way and says so', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'Ebmaj7 drop2 5432')
  await line(page).press('Enter')
  await typeOver(line(page), 'Am')
  await line(page).press('Enter')
  await expect(page.getByTestId('gave-way')).toHaveText(
    'a triad has three tones; drop 2 wants four: any arrangement is shown',
  )
  await expect(page.getByRole('button', { name: 'Arrangement: any arrangement' })).toBeVisible()
})

test('while a line has no shapes yet the last answer stays, faint, with its own name', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'Am')
  await expect(symbol(page)).toHaveText('Am')
  await typeKeys(page, ' drop3')
  await expect(page.getByRole('region', { name: 'Shapes found' })).toHaveAttribute('data-faint', 'true')
  await expect(symbol(page)).toHaveText('Am')
  await line(page).press('Enter')
  await expect(symbol(page)).toHaveText('Am')
  await expect(page.getByTestId('ways-out')).toContainText('a triad has three tones; drop 3 wants four')
})

test('this is …: the player names what is in hand', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'x5545x')
  await line(page).press('Enter')
  await expect(page.getByTestId('shape-text')).toHaveText('x5545x')
  await typeOver(line(page), 'this is Cmaj9')
  await line(page).press('Enter')
  await expect(symbol(page)).toHaveText('Cmaj9')
  await expect(page.getByTestId('shape-text')).toHaveText('x5545x')
  await expect(page.locator('[data-testid=egg][data-string="5"]')).toHaveAttribute('data-degree', '9')
})
