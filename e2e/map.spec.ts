import { expect, type Page, test } from '@playwright/test'
import { watchSounds } from './support/startedSounds.ts'

const open = async (page: Page, query = '') => {
  await page.goto(`/map${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('map-cell').first()).toBeVisible()
  await whole(page)
}
/** The sheet is drawn a few rows at a time. */
const whole = (page: Page) => expect(page.getByRole('region', { name: 'Sheet' })).toHaveAttribute('aria-busy', 'false')
const shapes = (page: Page) => page.getByTestId('map-cell').locator('small b').allTextContents()

test('the twelve places of a major triad in close position, and their morph to minor and back', async ({ page }) => {
  await open(page, '?chord=C&arrangement=close')
  const major = (await shapes(page)).slice(0, 6)
  // Strings 3 2 1 and 4 3 2, with root, third and fifth in the bass; by pencil.
  expect(major).toEqual(['xxx553', 'xxx988', 'x-x-x-12-13-12', 'x-x-10-9-8-x', 'x-x-14-12-13-x', 'xx555x'])
  await page.getByText('Cm', { exact: true }).click()
  await expect(page.getByRole('button', { name: /^C: xxx543, string 2 −1$/ })).toBeVisible()
  expect((await shapes(page)).slice(0, 6)).toEqual([
    'xxx543',
    'xxx888',
    'x-x-x-12-13-11',
    'x-x-10-8-8-x',
    'x-x-13-12-13-x',
    'xx554x',
  ])
  await expect(page).toHaveURL(/morph=m/)
  await page.reload()
  await expect(page.getByRole('button', { name: /^C: xxx543/ })).toBeVisible()
  await page.getByRole('button', { name: 'back to C' }).click()
  expect((await shapes(page)).slice(0, 6)).toEqual(major)
})

test('a ninth added to every cell says which shapes are known already', async ({ page }) => {
  await open(page, '?chord=Ebmaj7&arrangement=drop-2')
  await page.getByRole('region', { name: 'What is mapped' }).getByText('9', { exact: true }).click()
  const cell = page.getByRole('button', { name: /^E♭maj7: x8878x, string 5 \+2$/ })
  await expect(cell).toContainText('is Gm7')
  await page.getByLabel('How it joins').selectOption('fifth-gives-way')
  await expect(page.getByRole('button', { name: /^E♭maj7: x6378x/ })).toBeVisible()
})

test('a cell tells its landmarks, its open form and its keys; it opens in Build and goes to the tray', async ({
  page,
}) => {
  await open(page, '?chord=C&arrangement=close')
  await page.getByRole('button', { name: /^C: xx555x/ }).click()
  const place = page.getByRole('region', { name: 'This place' })
  await expect(place.getByTestId('landmarks')).toContainText('string 6 fret 8 · string 5 fret 3 · string 4 fret 10')
  await expect(place.getByTestId('landmarks')).toContainText('A, moved up 3 frets')
  await expect(place.getByTestId('landmarks')).toContainText('D xx777x')
  await expect(page.getByRole('region', { name: 'Along one neck' })).toContainText('xx555x → x-x-10-9-8-x')
  const acts = page.getByRole('group', { name: 'Acts' })
  await acts.getByRole('button', { name: 'To the tray' }).click()
  await expect(page.getByRole('list', { name: 'Shapes in the tray' })).toContainText('xx555x')
  await page.getByRole('button', { name: 'Row 3 2 1 to the tray' }).click()
  await expect(page.getByRole('list', { name: 'Shapes in the tray' })).toContainText('x-x-x-12-13-12')
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  await acts.getByRole('link', { name: 'Build' }).click()
  await expect(page.getByTestId('shape-text')).toContainText('xx555x')
})

test('filters, empty cells and wrong symbols say what they mean', async ({ page }) => {
  await open(page, '?chord=Ebmaj7&arrangement=drop-2')
  await expect(page.getByText('only beyond your reach').first()).toBeVisible()
  const before = await page.getByTestId('map-count').textContent()
  await page.getByLabel('Frets').selectOption('1-5')
  await expect(page.getByTestId('map-count')).not.toHaveText(before ?? '')
  await page.getByLabel('Frets').selectOption('1-15')
  await page.getByLabel('String sets').selectOption('neighbouring')
  await expect(page.getByRole('rowheader')).toHaveCount(3)
  await page.getByRole('switch', { name: 'landmarks' }).click({ force: true })
  await expect(page.getByTestId('cell-landmarks').first()).toHaveText(/^R 6:\d+ 5:\d+ 4:\d+ · [CAGED] form$/)
  await page.getByRole('textbox', { name: 'Chord' }).fill('C7')
  await expect(page.getByTestId('map-symbol')).toHaveText('C7')
  await page.getByRole('textbox', { name: 'Chord' }).fill('C7x9')
  await expect(page.getByText('x9 is not a tension; expected b9, 9 or #9')).toBeVisible()
  await expect(page.getByTestId('map-symbol')).toHaveText('C7')
})

test('another tuning and seven strings have their own map', async ({ page }) => {
  await open(page, '?chord=D&arrangement=close&tuning=D2,A2,D3,G3,A3,D4')
  await expect(page.getByTestId('map-count')).toContainText(/^\d+ of 30/)
  await open(page, '?chord=C13%2311&tuning=B1,E2,A2,D3,G3,B3,E4')
  await expect(page.getByRole('rowheader', { name: /^7 / }).first()).toBeVisible()
})

test('with the keyboard: another chord, undo and redo, the cell heard and put in the tray', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, '?chord=C&arrangement=close')
  const symbol = page.getByTestId('map-symbol')
  const chord = page.getByRole('textbox', { name: 'Chord' })
  await page.keyboard.press('/')
  await expect(chord).toBeFocused()
  await chord.fill('F#m')
  await expect(symbol).toHaveText('F♯m')
  await chord.blur()
  await page.getByText('F♯dim', { exact: true }).click()
  await expect(page).toHaveURL(/morph=dim/)
  await page.locator('body').press('Control+z')
  await expect(page).not.toHaveURL(/morph=/)
  // What can’t be read stays in the field until undo brings back a chord that was mapped.
  await chord.fill('C7x9')
  await expect(page.getByText('x9 is not a tension')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(symbol).toHaveText('C')
  await expect(chord).toHaveValue('C')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(symbol).toHaveText('F♯m')
  await expect(page.getByRole('region', { name: 'This place' })).toContainText('F♯m')
  // On a button the space bar presses the button.
  await symbol.click()
  await page.locator('body').press('Space')
  await expect.poll(async () => (await started()).length).toBe(3)
  await page.locator('body').press('t')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' })).toContainText('F♯m')
  await page.getByRole('button', { name: 'Empty the tray' }).click()
})
