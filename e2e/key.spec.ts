/** The Key view: lanes of a key up the neck, walked, changed, heard and taken along. */

import { typeOver } from './support/hands.ts'
import { choose, word } from './support/sentence.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

async function open(page: Page, query = '') {
  await page.goto(`/key${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const lane = (page: Page, number: number) => page.getByTestId('lane').nth(number)
const frets = (page: Page, number: number) =>
  lane(page, number)
    .getByTestId('lane-step')
    .evaluateAll((all) => all.map((one) => one.getAttribute('data-frets')).join(' '))
const chosen = (page: Page) => page.getByTestId('step-frets')

const C6 = '8x998x 10-x-10-10-10-x 12-x-12-12-12-x 13-x-14-14-13-x 15-x-15-16-15-x 17-x-17-17-17-x 7x776x'
const C5 = 'x3545x x5756x x7978x x-8-10-9-10-x x-10-12-10-12-x x-12-14-12-13-x x-14-15-14-15-x'
const AFLAT6 = '4x554x 6x666x 8x888x 9-x-10-10-9-x 11-x-11-12-11-x 13-x-13-13-13-x 15-x-15-15-14-x'

test('C and A flat in sevenths on strings 6 and 5, walked up and down by keys', async ({ page }) => {
  await open(page, '?key=C')
  expect(await frets(page, 0)).toBe(C6)
  expect(await frets(page, 1)).toBe(C5)
  await expect(chosen(page)).toHaveText('8x998x')
  for (const expected of ['10-x-10-10-10-x', '12-x-12-12-12-x', '13-x-14-14-13-x']) {
    await page.keyboard.press('ArrowUp')
    await expect(chosen(page)).toHaveText(expected)
  }
  await page.keyboard.press('o')
  await expect(chosen(page)).toHaveText('x-8-10-9-10-x')
  await page.keyboard.press('ArrowDown')
  await expect(chosen(page)).toHaveText('x7978x')
  await expect(page).toHaveURL(/step=3&lane=2/)
  // Four fourths up: F, B flat, E flat, A flat.
  for (let key = 0; key < 4; key++) await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('key-name')).toHaveText('A♭ major')
  await expect.poll(() => frets(page, 0)).toBe(AFLAT6)
  // A fifth up from there.
  await page.keyboard.press('Shift+ArrowRight')
  await expect(page.getByTestId('key-name')).toHaveText('E♭ major')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('key-name')).toHaveText('A♭ major')
  await expect(page).toHaveURL(/key=Ab/)
  await page.reload()
  await expect(page.getByTestId('key-name')).toHaveText('A♭ major')
  expect(await frets(page, 0)).toBe(AFLAT6)
})

test('where a lane runs out it goes on lower, and says why', async ({ page }) => {
  await open(page, '?key=C')
  await expect(lane(page, 0).getByTestId('lane-step').last()).toHaveAttribute(
    'aria-label',
    /^step 7, Bm7♭5: .*10 frets down/,
  )
  await expect(lane(page, 0)).toContainText('lower, past the last fret')
})

test('the typed line: ninths of G and of D with the lane that fits each, D triads on 3 2 1, a mode', async ({
  page,
}) => {
  await open(page)
  await page.keyboard.press('/')
  await typeOver(page.locator('#key-line'), 'G ninths plain 6 5')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('key-name')).toHaveText('G major')
  await expect.poll(() => frets(page, 0)).toMatch(/^3242xx 5354xx 7x777x 8797xx/)
  const now = page.locator('[data-testid=key-choice][aria-pressed=true]')
  await expect(now).toHaveAccessibleName(/root on string 6, to fret 14/)
  await typeOver(page.locator('#key-line'), 'D ninths plain')
  await page.keyboard.press('Enter')
  await expect(now).toHaveAccessibleName(/D major: root on string 5, to fret 17/)
  await typeOver(page.locator('#key-line'), 'D triads 321')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('lane')).toHaveCount(1)
  await expect
    .poll(() => frets(page, 0))
    // The order that climbs through without a fold: 5 R 3.
    .toBe('xxx232 xxx453 xxx675 xxx787 x-x-x-9-10-9 x-x-x-11-12-10 x-x-x-12-14-12')
  await typeOver(page.locator('#key-line'), 'F# dorian sevenths 5')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('key-name')).toHaveText('F♯ Dorian')
  // One line is one step.
  await page.locator('body').press('Control+z')
  await expect(page.getByTestId('key-name')).toHaveText('D major')
})

test('what can’t be read says where, and the last lanes stay', async ({ page }) => {
  await open(page, '?key=C')
  for (const [line, wrong] of [
    ['C nineths 6', 'nineths says nothing here'],
    ['C 7', 'no string 7'],
    ['C 5432 R73', '3 tones on 4 strings'],
  ] as const) {
    await typeOver(page.locator('#key-line'), line)
    await expect(page.getByTestId('line-wrong').filter({ hasText: wrong })).toBeVisible()
    // What its beginning had shown is taken back when it ends.
    await page.keyboard.press('Enter')
    await expect.poll(() => frets(page, 0)).toBe(C6)
  }
})

test('an open tuning: roots on 5, thirds on 2, fifths on 4, the rest ringing; open strings are told as they sound', async ({
  page,
}) => {
  await open(page, '?key=G&depth=triads&tuning=D2,G2,D3,G3,B3,D4&tones=R:5,5:4,3:2&ring=3,1')
  expect(await frets(page, 0)).toBe('x00000 x22010 x44030 x55050 x77070 x99080 x-11-10-0-10-0')
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowUp')
  await expect(page.getByTestId('step-name')).toContainText('C')
  await expect(page.getByRole('region', { name: 'The chosen step' })).toContainText('Rings as Cadd9')
  // Its own root is named first.
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('region', { name: 'The chosen step' })).toContainText('Rings as Bmadd♭13')
})

test('depth and school: what rubs is left away and named', async ({ page }) => {
  await open(page, '?key=C&step=3')
  await page.keyboard.press('+')
  await expect(word(page, 'Depth')).toHaveText('ninths')
  await expect(page.getByTestId('step-name')).toContainText('Em7♭9')
  await page.keyboard.press('d')
  await expect(page.getByTestId('step-name')).toContainText('Em7')
  await expect(page.getByRole('region', { name: 'The chosen step' })).toContainText('♭9 left away, a semitone above R')
  await choose(page, 'Depth', 'triads')
  await expect(page.getByTestId('step-name')).toContainText('Em')
})

test('a stand-in takes its step’s place in the lane, in the next key too, and gives it back', async ({ page }) => {
  await open(page, '?key=Bb&step=2&lane=2')
  const standIn = page.getByTestId('stand-in').filter({ hasText: 'E♭maj7' })
  await standIn.click()
  await expect(page.getByTestId('step-name')).toContainText('E♭maj7')
  await expect(chosen(page)).toHaveText('x6878x')
  await expect(standIn).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('step-name')).toContainText('A♭maj7')
  await expect(page).toHaveURL(/key=Eb.*for=2up/)
  await page.reload()
  await expect(page.getByTestId('step-name')).toContainText('A♭maj7')
  await page.getByTestId('stand-in').filter({ hasText: 'A♭maj7' }).press('Enter')
  await expect(page.getByTestId('step-name')).toContainText('Fm7')
})

test('a lane is dragged along the neck: it begins there, and what would lie further up goes on lower', async ({
  page,
}) => {
  await open(page, '?key=Bb&root=6')
  const row = lane(page, 0).locator('[data-step="1"] rect')
  const box = await row.boundingBox()
  if (!box) throw new Error('no row')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 60, y)
  await page.mouse.move(x - 600, y)
  await expect(page.getByTestId('lane-start')).toContainText('from fret 1')
  await page.mouse.up()
  await expect.poll(() => frets(page, 0)).toBe('6x776x 8x888x 10-x-10-10-10-x 11-x-12-12-11-x 1x121x 3x333x 5x554x')
  await expect(word(page, 'Begins')).toHaveText('fret 1')
  await expect(page.getByTestId('lane-start')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect.poll(() => frets(page, 0)).toContain('6x776x')
  await expect(word(page, 'Begins')).toHaveCount(0)
})

test('on open strings the other keys are the capo’s, and a tuning proposes its own key', async ({ page }) => {
  await open(page, '?key=Bb&depth=triads&tuning=D2,G2,D3,G3,B3,D4&tones=R:5,5:4,3:2&ring=3,1')
  await page.getByRole('button', { name: 'Take the key that the tuning is made for, G major' }).click()
  await expect(page.getByTestId('key-name')).toHaveText('G major')
  const open_ = 'x00000 x22010 x44030 x55050 x77070 x99080 x-11-10-0-10-0'
  await expect.poll(() => frets(page, 0)).toBe(open_)
  await page.getByRole('button', { name: 'A major: capo at fret 2' }).click()
  await expect(page.getByTestId('key-name')).toHaveText('A major')
  await expect.poll(() => frets(page, 0)).toBe('x00000 x44030 x66050 x77070 x99090 x-11-11-0-10-0 x-13-12-0-12-0')
  await expect(page.getByRole('button', { name: /too high for all seven/ }).first()).toBeVisible()
  // A fourth up is five frets up.
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('key-name')).toHaveText('D major')
  await expect(page).toHaveURL(/capo=7/)
})

test('the right hand: plain patterns by name, own ones as strokes, a wrong one is told', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, '?key=C&step=2')
  const hand = word(page, 'Right hand')
  await hand.press('ArrowDown')
  await expect(hand).toHaveText('plucked together')
  await hand.click()
  const panel = page.getByRole('dialog', { name: 'Right hand' })
  await typeOver(panel.getByLabel('Your own'), '1/8 p z')
  await expect(panel.getByRole('status')).toContainText('z is no stroke')
  await expect(panel.getByRole('button', { name: 'Use it' })).toBeDisabled()
  await typeOver(panel.getByLabel('Your own'), '1/4 p i')
  await panel.getByLabel('Your own').press('Enter')
  await expect(hand).toHaveText('1/4 p i')
  await expect(page).toHaveURL(/hand=1%2F4_p_i/)
  await page.locator('body').press('Space')
  // On a cold page the first stroke can come before its string is rendered; from the second time on all four are there.
  await expect.poll(async () => (await started()).length).toBeGreaterThanOrEqual(3)
  let cold = 0
  const stillPlays = async () => {
    const before = cold
    cold = (await started()).length
    return cold > before
  }
  await expect.poll(stillPlays, { intervals: [1500] }).toBe(false)
  await page.locator('body').press('Space')
  await expect.poll(async () => (await started()).length).toBe(cold + 4)
})

test('pointing at a key tells which chords it shares; the fifth is pulled into the bass', async ({ page }) => {
  await open(page, '?key=C&step=2&lane=2')
  await page.getByRole('button', { name: /^F major/ }).hover()
  await expect(page.getByTestId('together')).toHaveText(/shares 3 of 7\s*with F/)
  await page.getByRole('button', { name: /^G major/ }).focus()
  await page.mouse.move(640, 20)
  await page.getByRole('button', { name: /^D major/ }).focus()
  await expect(page.getByTestId('together')).toHaveText(/shares 1 of 7\s*with D/)
  await expect(chosen(page)).toHaveText('x5756x')
  await page.getByTestId('pull-fifth').first().click()
  await expect(chosen(page)).toHaveText('55756x')
})

test('in German names the same lanes stand under their own', async ({ page, request }) => {
  await request.patch('/api/settings', { data: { naming: 'german' } })
  try {
    await open(page, '?key=Bb')
    await expect(page.getByTestId('key-name')).toHaveText('B major')
    await expect(page.locator('#key-line')).toHaveValue(/^B/)
    await typeOver(page.locator('#key-line'), 'H dur sevenths 5')
    await expect(page.getByTestId('key-name')).toHaveText('H major')
    await expect.poll(() => frets(page, 0)).toContain('x2434x')
    await typeOver(page.locator('#key-line'), 'c moll 6')
    await expect(page.getByTestId('key-name')).toHaveText('C minor')
    await expect(page.getByTestId('step-name')).toContainText('Cm7')
  } finally {
    await request.patch('/api/settings', { data: { naming: 'letters' } })
  }
})

test('digits write a progression, it is heard, and one undo takes back one number', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, '?key=C')
  for (const digit of '251') await page.keyboard.press(digit)
  const written = page.getByRole('list', { name: 'What is written' }).getByRole('listitem')
  await expect(written).toHaveText([/II\s*Dm7/, /V\s*G7/, /I\s*Cmaj7/])
  await page.getByRole('button', { name: 'Write Cmaj9 in numbers' }).click()
  await expect(written).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(written).toHaveCount(3)
  await page.keyboard.press('Backspace')
  await expect(written).toHaveCount(2)
  await page.keyboard.press('p')
  await expect.poll(async () => (await started()).length).toBeGreaterThan(4)
  await expect(lane(page, 0).or(lane(page, 1)).locator('[data-sounds]').first()).toBeVisible({ timeout: 15_000 })
  await page.keyboard.press('p')
  await expect(page.locator('[data-sounds]')).toHaveCount(0)
})

test('one key after another while it plays: it plays on', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, '?key=C&lasting=beat')
  await page.locator('body').press('Shift+Space')
  await expect(page.getByRole('button', { name: /^Stop/ }).first()).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('key-name')).toHaveText('F major')
  const before = (await started()).length
  await expect.poll(async () => (await started()).length).toBeGreaterThan(before + 4)
  await page.locator('body').press('Shift+Space')
})

test('a step and a whole lane go to the tray, a step to Build and back to the same key', async ({ page }) => {
  await open(page, '?key=C&step=2&lane=2')
  await page.locator('body').press('t')
  const tray = page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')
  await expect(tray).toHaveCount(1)
  await page.locator('body').press('Shift+T')
  await expect(tray).toHaveCount(8)
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Build' }).click()
  await expect(page.getByTestId('shape-text')).toContainText('x5756x')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.getByRole('link', { name: 'Key', exact: true }).click()
  await expect(page.getByTestId('key-name')).toHaveText('C major')
  await expect(chosen(page)).toHaveText('x5756x')
})

test('a chord in between is heard, a claim is judged, the lane goes through all keys, the sheet tells all formulas', async ({
  page,
}) => {
  const started = await watchSounds(page)
  await open(page, '?key=Bb&step=7&lane=2')
  const step = page.getByRole('region', { name: 'The chosen step' })
  await expect(step.getByTestId('between').first()).toHaveText('G♯dim7')
  await step.getByTestId('between').first().click()
  await expect.poll(async () => (await started()).length).toBeGreaterThan(8)
  // Am7♭5 is no plain diminished triad.
  await step.getByText('is it …?').click()
  await typeOver(page.locator('#key-claim'), 'Adim')
  await expect(page.getByTestId('verdict')).toContainText('No: string 3 plays G (♭7)')
  await typeOver(page.locator('#key-claim'), 'Am7b5')
  await expect(page.getByTestId('verdict')).toContainText('Yes, and complete')
  await page.getByRole('button', { name: 'Sheet', exact: true }).click()
  const sheet = page.getByRole('region', { name: 'Cheat sheet' })
  await expect(sheet.getByRole('row', { name: /^III/ })).toContainText('Dm7♭9')
  await expect(sheet.getByRole('row', { name: /^VII/ })).toContainText('Adim')
  await expect(sheet.getByRole('row', { name: /^VII/ })).toContainText('x-12-13-12-13-x')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('region', { name: 'From here' })).toBeHidden()
  await expect(page.getByRole('group', { name: 'Acts' })).toBeHidden()
  await expect(sheet).toBeVisible()
  // On paper it is day, whatever the screen shows.
  const ink = () => page.evaluate(() => getComputedStyle(document.body).color)
  const byDay = await ink()
  await page.evaluate(() => document.documentElement.setAttribute('data-mantine-color-scheme', 'dark'))
  expect(await ink()).toBe(byDay)
  await page.emulateMedia({ media: 'screen' })
  await expect.poll(ink).not.toBe(byDay)
  await page.evaluate(() => document.documentElement.setAttribute('data-mantine-color-scheme', 'light'))
  await sheet.getByRole('button', { name: 'back to the lanes' }).click()
  await expect(page.getByTestId('lane')).toHaveCount(2)
  await page.getByRole('button', { name: 'all keys' }).click()
  await expect(page.locator('[data-testid=key-choice][data-sounds]')).toHaveCount(1)
  await page.getByRole('button', { name: 'stop', exact: true }).click()
  await expect(page.locator('[data-testid=key-choice][data-sounds]')).toHaveCount(0)
})
