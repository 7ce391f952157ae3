/** What holds from one view to the next: Back, names in the player's own way, the fingering that goes along. */

import { typeOver } from './support/hands.ts'
import { choose, word } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const open = async (page: Page, path: string) => {
  await page.clock.install()
  await page.goto(path)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const settle = (page: Page, changes: Record<string, unknown>) => page.request.patch('/api/settings', { data: changes })
/** A pause makes a page to go back to. */
const pause = (page: Page) => page.clock.fastForward(1500)

test('Back and Forward in the Map go through the chords and changes that were mapped', async ({ page }) => {
  await open(page, '/map?chord=C&arrangement=close')
  const symbol = page.getByTestId('map-symbol')
  await typeOver(page.getByRole('textbox', { name: 'Chord' }), 'F#m')
  await expect(symbol).toHaveText('F♯m')
  await expect(page).toHaveURL(/chord=F%23m/)
  await pause(page)
  await page.getByRole('button', { name: 'F♯dim', exact: true }).click()
  await expect(page).toHaveURL(/morph=dim/)
  await page.goBack()
  await expect(page).not.toHaveURL(/morph/)
  await expect(word(page, 'What it becomes')).toHaveCount(0)
  await page.goForward()
  await expect(word(page, 'What it becomes')).toHaveText('F♯dim')
})

test('Back and Forward in the Arpeggio go through its words', async ({ page }) => {
  await open(page, '/arpeggio?chord=Cmaj7&position=7')
  await choose(page, 'Direction', 'up')
  await expect(page).toHaveURL(/direction=up/)
  await pause(page)
  await choose(page, 'Note value', 'triplets')
  await expect(page).toHaveURL(/value=triplet/)
  await page.goBack()
  await expect(word(page, 'Note value')).toHaveText('eighths')
  await expect(word(page, 'Direction')).toHaveText('up')
  await page.goForward()
  await expect(word(page, 'Note value')).toHaveText('triplets')
})

test('who writes H for B types H7, and has the same chord after a reload, and in the next view', async ({ page }) => {
  await settle(page, { naming: 'german' })
  try {
    await open(page, '/?chord=Am7')
    await typeOver(page.locator('#build-line-input'), 'H7')
    await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('H7')
    // The address speaks letters, whoever reads it.
    await expect(page).toHaveURL(/chord=B7&shape=/)
    const shape = new URL(page.url()).searchParams.get('shape') ?? ''
    await page.reload()
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('H7')
    await expect(page.getByTestId('shape-text')).toContainText(shape)
    await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Arpeggio' }).click()
    await page.waitForURL(/\/arpeggio\?chord=B7/)
    await expect(page.getByTestId('arpeggio-symbol')).toHaveText('H7')
  } finally {
    await settle(page, { naming: 'letters' })
  }
})

test('the fingering that was chosen goes to the tray and opens again with it', async ({ page }) => {
  await open(page, '/?chord=G&shape=320003&fingers=32xxx4')
  await expect(page.getByTestId('shape-text')).toContainText('320003')
  await page.locator('body').press('t')
  const tray = page.getByRole('list', { name: 'Shapes in the tray' })
  await expect(tray).toContainText('320003')
  await expect
    .poll(async () => (await (await page.request.get('/api/tray')).json()).steps.at(-1)?.shape?.fingers)
    .toBe('32xxx4')
  await page.goto('/book')
  await tray.getByRole('link', { name: /320003/ }).click()
  await expect(page).toHaveURL(/fingers=32xxx4/)
  await page.getByRole('button', { name: 'Empty the tray' }).click()
})

test('a walk over the views keeps the chord, the shape and every undo', async ({ page }) => {
  const symbol = page.getByRole('button', { name: /^Chord / })
  const shape = page.getByTestId('shape-text')
  const to = async (name: string, url: RegExp) => {
    await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name, exact: true }).click()
    await page.waitForURL(url)
    await expect(page.locator('[data-alive]')).toBeVisible()
  }
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await page.keyboard.press('ArrowRight')
  await expect(symbol).toHaveText('Emaj7')
  await page.keyboard.press('ArrowUp')
  await expect(shape).toHaveText('x-11-13-9-12-x')
  await expect(page).toHaveURL(/chord=Emaj7/)
  await to('Map', /\/map\?chord=Emaj7/)
  await expect(page.getByTestId('map-symbol')).toHaveText('Emaj7')
  await to('Arpeggio', /\/arpeggio\?chord=Emaj7&shape=x-11-13-9-12-x/)
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Emaj7')
  await to('Book', /\/book/)
  await to('Build', /\/\?chord=Emaj7/)
  await expect(symbol).toHaveText('Emaj7')
  await expect(shape).toHaveText('x-11-13-9-12-x')
  await expect(page.getByRole('button', { name: 'Arrangement: drop 2' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(shape).toHaveText('x7989x')
  await page.keyboard.press('Control+z')
  await expect(shape).toHaveText('x6878x')
  await expect(symbol).toHaveText('E♭maj7')
  await page.keyboard.press('Control+Shift+z')
  await expect(symbol).toHaveText('Emaj7')
})

test('another chord taken up in a view goes along; what was left in Build is one step back', async ({ page }) => {
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await expect(page.getByRole('navigation').getByRole('link', { name: 'Map' })).toHaveAttribute(
    'href',
    '/map?chord=Ebmaj7',
  )
  await open(page, '/map?chord=C&arrangement=close&place=xxx553')
  await page.getByRole('button', { name: /^C, xx555x/ }).press('Space')
  await page.getByRole('navigation').getByRole('link', { name: 'Build' }).click()
  await page.waitForURL(/shape=xx555x/)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('shape-text')).toHaveText('xx555x')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('shape-text')).toHaveText('x6878x')
})
