import { expect, type Page, test } from '@playwright/test'

const open = async (page: Page, part: string) => {
  await page.goto(`/setup?part=${part}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
/** Settings that other tests rely on go back to what they were. */
const settle = (page: Page, changes: Record<string, unknown>) => page.request.patch('/api/settings', { data: changes })

test('an instrument is added, refused with its reason while it is wrong, played in Build, changed and taken away', async ({
  page,
}) => {
  await open(page, 'instruments')
  const before = (await (await page.request.get('/api/settings')).json()).instrumentId
  await page.getByRole('button', { name: 'Add an instrument' }).click()
  const form = page.getByRole('form', { name: 'A new instrument' })
  await form.getByRole('textbox', { name: 'Name', exact: true }).fill('Seven strings')
  await form.getByLabel('Strings, lowest first').fill('B1 E2 D2')
  await expect(form.getByText(/D2 sounds below the string before it/).first()).toBeVisible()
  await expect(form.getByRole('button', { name: 'Keep the instrument' })).toBeDisabled()
  await form.getByLabel('Strings, lowest first').fill('B1,E2,A2,D3,G3,B3,E4')
  await form.getByLabel('Scale length, mm').fill('200')
  await expect(form.getByText(/scaleLengthMm is 200; expected 300 to 900 mm/).first()).toBeVisible()
  await form.getByLabel('Scale length, mm').fill('660')
  await form.getByRole('radiogroup', { name: 'Played' }).getByText('left-handed').click()
  await form.getByRole('button', { name: 'Keep the instrument' }).click()
  await expect(page.getByRole('list', { name: 'Instruments' })).toContainText('Seven strings')
  await page.getByRole('button', { name: 'Take in hand' }).click()

  await page.goto('/?chord=C13&arrangement=any')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await expect(page.locator('[data-place="7:3"]')).toBeAttached()
  // Left-handed: the nut lies at the right, so higher frets lie further left.
  const [low, high] = await Promise.all([
    page.locator('[data-place="1:1"]').boundingBox(),
    page.locator('[data-place="1:9"]').boundingBox(),
  ])
  expect(high?.x).toBeLessThan(low?.x ?? 0)

  await open(page, 'instruments')
  await page
    .getByRole('list', { name: 'Instruments' })
    .getByRole('button', { name: /Seven strings/ })
    .click()
  await page.getByRole('button', { name: 'Take away' }).click()
  await expect(page.getByRole('list', { name: 'Instruments' })).not.toContainText('Seven strings')
  await settle(page, { instrumentId: before })
})

test('two instruments of one name are refused, and what was typed stays', async ({ page }) => {
  await open(page, 'instruments')
  await page.getByRole('button', { name: 'Add an instrument' }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Archtop')
  await page.getByRole('button', { name: 'Keep the instrument' }).click()
  await expect(page.getByRole('alert')).toContainText('there is an instrument called Archtop already')
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toHaveValue('Archtop')
})

test('from standard to another tuning: directions string by string, and a caution where a string could snap', async ({
  page,
}) => {
  await open(page, 'tunings')
  const directions = page.getByRole('region', { name: 'Directions' })
  await expect(directions.getByRole('row', { name: /^6 E2 D2 down 2 semitones \d+ N/ })).toBeVisible()
  await expect(directions.getByRole('note')).toHaveCount(0)
  await page.getByLabel(/^From Archtop/).selectOption({ label: 'all fifths · C G D A E B' })
  await expect(directions.getByRole('note')).toContainText('Strings 2, 1 would go more than two semitones')
  await expect(directions.getByRole('note')).toContainText('eye protection')
  await page.getByLabel(/^From Archtop/).selectOption({ label: 'seven strings, low B · B E A D G B E' })
  await expect(directions).toContainText('has 6 strings, this tuning 7')
})

test('what a tuning gives: drones over each chord, and shapes that leave the other strings ringing', async ({
  page,
}) => {
  await open(page, 'tunings')
  await page.getByLabel(/^From Archtop/).selectOption({ label: 'D A D F♯ A D' })
  await page.getByLabel('In the key of').selectOption({ label: 'G major' })
  const gives = page.getByRole('region', { name: 'What it gives' })
  await expect(gives.getByRole('row', { name: /^G / })).toContainText('5 +9 5')
  await expect(gives.getByRole('row', { name: /^D / })).toContainText('R 5 R 3 5 R')
  // Every step has its shape, and the lane goes on in Key.
  await expect(gives.getByRole('row').filter({ hasText: 'none within your reach' })).toHaveCount(0)
  await gives.getByRole('link', { name: /this lane in Key/ }).click()
  await page.waitForURL(/\/key\?key=G&depth=triads&tones=/)
  await expect(page.getByTestId('key-name')).toHaveText('G major')
  await expect(page.getByTestId('lane-step')).toHaveCount(7)
})

test('a tuning of one’s own is checked, kept, offered in Build, and taken away', async ({ page }) => {
  await open(page, 'tunings')
  await page.getByLabel('Name of the tuning').fill('Night Heron')
  await page.getByLabel('Its strings, lowest first').fill('C2 G2 D3 Q3')
  await expect(page.getByText(/Q3 is not a string's pitch/)).toBeVisible()
  await page.getByLabel('Its strings, lowest first').fill('C2 G2 D3 F3 A3 D4')
  await page.getByRole('button', { name: 'Keep the tuning' }).click()
  await expect(page.getByRole('button', { name: 'Take away Night Heron' })).toBeVisible()
  await page.goto('/')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await page.getByRole('button', { name: /^Tuning:/ }).click()
  await expect(page.getByRole('menuitem', { name: /^Night Heron/ })).toBeAttached()
  await page.keyboard.press('Escape')
  await open(page, 'tunings')
  await page.getByRole('button', { name: 'Take away Night Heron' }).click()
  await expect(page.getByRole('button', { name: 'Take away Night Heron' })).toHaveCount(0)
})

test('a hand that is measured smaller makes the same shape a stretch', async ({ page }) => {
  await open(page, 'hand')
  await page.getByLabel('little finger at').first().fill('2')
  await page.getByLabel('little finger at').last().fill('8')
  await page.getByRole('button', { name: /^Take \d+ mm as my ease/ }).click()
  await expect(page.getByRole('heading', { name: 'Ease ends at 50 mm' })).toBeVisible()
  await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x5534x')
  await expect(page.getByTestId('hand-verdict')).toContainText(
    /index to little 59 mm, this hand \d+: (a stretch|beyond)/,
  )
  await expect(page.getByText(/stop at pain, tingling or numbness/)).toBeVisible()
  await settle(page, { handComfortMm: 100 })
})

test('habits: German letters, signs, and the lowest string on top hold in every view', async ({ page }) => {
  await open(page, 'habits')
  await page.getByLabel('Notes are named by').selectOption('german')
  await page.getByLabel('Chord symbols in').selectOption('signs')
  await expect(page.getByTestId('symbol-samples')).toContainText('BΔ7')
  await page.getByRole('switch', { name: /lowest string on top/ }).click({ force: true })
  await page.goto('/?chord=Bbmaj7&strings=5432')
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('BΔ7')
  const [low, high] = await Promise.all([
    page.locator('[data-place="6:3"]').boundingBox(),
    page.locator('[data-place="1:3"]').boundingBox(),
  ])
  expect(low?.y).toBeLessThan(high?.y ?? 0)
  await settle(page, { naming: 'letters', symbols: 'words', lowOnTop: false })
})

test('the cautions come once, and stay to be found', async ({ page }) => {
  await settle(page, { cautionSeen: false })
  await page.goto('/')
  await expect(page.getByText(/Stop at pain, tingling or numbness, rest every/)).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await expect(page.getByText(/Stop at pain, tingling or numbness, rest every/)).toHaveCount(0)
  await open(page, 'hand')
  await expect(page.getByRole('region', { name: 'Take care' })).toContainText('physician or a hand therapist')
})

test('what one page keeps, another open page shows: the instrument, the tray', async ({ page, context }) => {
  const other = await context.newPage()
  await other.goto('/?chord=C&strings=5432')
  await expect(other.locator('[data-alive]')).toBeVisible()
  const menu = (of: Page) => of.getByRole('button', { name: /^Instrument: / })
  const before = (await (await page.request.get('/api/settings')).json()).instrumentId
  await open(page, 'instruments')
  await menu(page).click()
  const item = page.getByRole('menuitem', { name: /D A D F♯ A D/ })
  const name = (await item.textContent()) ?? ''
  await item.click()
  await expect(menu(other)).toHaveText(name)
  await expect(other.getByTestId('neck')).toContainText('F♯')
  await other.keyboard.press('t')
  const shapes = page.getByRole('list', { name: 'Shapes in the tray' })
  await expect(shapes.getByRole('listitem')).toHaveCount(1)
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  await expect(other.getByRole('list', { name: 'Shapes in the tray' })).toHaveCount(0)
  await settle(page, { instrumentId: before })
})
