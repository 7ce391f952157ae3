/** What lies between: a view after a view, a key after a key, with real keys and a real mouse. */
import { typeKeys } from './support/hands.ts'
import { settled } from './support/settled.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })
const shape = (page: Page) => page.getByTestId('shape-text')
const view = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name, exact: true })

async function typed(page: Page, text: string) {
  await page.keyboard.press('/')
  await typeKeys(page, text)
  await page.keyboard.press('Enter')
  await settled(page)
}

async function goTo(page: Page, name: string) {
  await view(page, name).click()
  await page.waitForLoadState()
  await settled(page)
}

test('looking at Key and Path and coming back leaves the chord in hand in hand', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await typed(page, 'Em7 5432 fret 7')
  await expect(symbol(page)).toHaveText('Em7')
  const frets = (await shape(page).textContent()) ?? ''
  for (const other of ['Key', 'Path', 'Key']) {
    await goTo(page, other)
    await goTo(page, 'Build')
    await expect(symbol(page)).toHaveText('Em7')
    await expect(shape(page)).toHaveText(frets)
  }
  // In another key too: what is remembered there is no reason to take the chord out of the hand.
  await goTo(page, 'Key')
  await typed(page, 'Bb')
  await goTo(page, 'Build')
  await typed(page, 'F#m7b5')
  const other = (await shape(page).textContent()) ?? ''
  await goTo(page, 'Key')
  await goTo(page, 'Build')
  await expect(symbol(page)).toHaveText('F♯m7♭5')
  await expect(shape(page)).toHaveText(other)
})

test('an act of the Key takes its step into the hand', async ({ page }) => {
  await page.goto('/?chord=Ebmaj7&shape=x6878x')
  await settled(page)
  await goTo(page, 'Key')
  await typed(page, 'C 5')
  await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Build', exact: true }).click()
  await settled(page)
  await expect(symbol(page)).toHaveText('Cmaj7')
  await goTo(page, 'Arpeggio')
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Cmaj7')
})

test('a name over a bass of its own renames when pressed, and what plays says so', async ({ page }) => {
  const sounds = await watchSounds(page)
  await page.goto('/?chord=Em7&shape=xx2433')
  await settled(page)
  const over = page.getByTestId('over').first()
  await expect(over).toBeVisible()
  await page
    .getByRole('button', { name: /^Play it over/ })
    .first()
    .click()
  await expect.poll(async () => (await sounds()).length).toBeGreaterThan(2)
  await expect(symbol(page)).toHaveText('Em7')
  const name = (await over.locator('b').textContent()) ?? ''
  await over.click()
  await expect(symbol(page)).toHaveText(name)
  await expect(shape(page)).toHaveText('xx2433')
  await page.keyboard.press('Control+z')
  await expect(symbol(page)).toHaveText('Em7')
})

test('frets beyond the hand are told as such, and named frets are never cut short in silence', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  for (const [text, told] of [
    ['x-3-5-19-5-x', 'fret 19 is out of the hand’s reach'],
    ['Am7 frets 12 to 18', 'fret 18 is out of the hand’s reach'],
  ] as const) {
    await page.keyboard.press('/')
    await typeKeys(page, text)
    await expect(page.getByTestId('line-wrong')).toContainText(told.replace('’', "'"))
    await page.keyboard.press('Escape')
    await expect(symbol(page)).toHaveText('E♭maj7')
  }
})

test('over what the program opened with, a manner and strings give what a player holds', async ({ page }) => {
  for (const [line, name, grip] of [
    ['A barre', 'A', '577655'],
    ['A open', 'A', 'x02220'],
    ['C barre', 'C', 'x35553'],
    ['Gmaj7 6432', 'Gmaj7', '3x443x'],
    ['E7 open', 'E7', '020100'],
  ] as const) {
    await page.goto('/')
    await settled(page)
    await typed(page, line)
    await expect(symbol(page)).toHaveText(name)
    await expect(shape(page)).toHaveText(grip)
  }
  // The next chord is played in the same manner.
  await typed(page, 'A')
  await expect(shape(page)).toHaveText('x02220')
  await page.keyboard.press('Control+z')
  await expect(symbol(page)).toHaveText('E7')
})

test('another manner is another grip, wherever the hand is; on few strings a rootless ninth leaves its fifth out too', async ({
  page,
}) => {
  await page.goto('/')
  await settled(page)
  const lines = [
    ['A barre', '577655'],
    ['A open', 'x02220'],
    ['C barre', 'x35553'],
    ['C open', 'x32010'],
    ['C9 rootless 432', 'xx233x'],
  ] as const
  for (const [line, frets] of lines) {
    await typed(page, line)
    await expect(shape(page)).toContainText(frets)
  }
})

test('a word chosen by the mouse leaves the keys to the page; by the keyboard its word has the focus again', async ({
  page,
}) => {
  const sounds = await watchSounds(page)
  await page.goto('/')
  await settled(page)
  const manner = page.getByRole('button', { name: /^Manner: / })
  await manner.click()
  await page.getByRole('menuitemradio', { name: /^barre chords/ }).click()
  await expect(manner).toHaveText('barre chords')
  await settled(page)
  const before = (await sounds()).length
  await page.keyboard.press('Space')
  await expect.poll(async () => (await sounds()).length).toBeGreaterThan(before)
  await expect(page.getByRole('menu')).toHaveCount(0)
  await manner.focus()
  await page.keyboard.press('Enter')
  await page
    .getByRole('menuitemradio', { name: /^comping/ })
    .first()
    .focus()
  await page.keyboard.press('Enter')
  await expect(manner).toBeFocused()
})

test('with a place typed, ] and [ take the next strings and keep a shape in hand', async ({ page }) => {
  await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await settled(page)
  await typed(page, 'fret 5')
  for (const key of [']', '[', '[']) {
    await page.keyboard.press(key)
    await settled(page)
    await expect(shape(page)).toHaveText(/\d/)
  }
})

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const)
  test(`nothing that is typed or told moves the neck at ${width}`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await page.goto('/')
    await settled(page)
    const top = () =>
      page
        .getByTestId('neck')
        .first()
        .evaluate((neck) => Math.round(neck.getBoundingClientRect().top + window.scrollY))
    const before = await top()
    for (const line of [
      'Cmaj7 open doubled no 5 3rd bass 7th top fret 5',
      'Ebmaj13#11 doubled 5432 frets 3 to 12',
      'zzz',
      'x32010 320003',
      'Am7 frets 12 to 18',
    ]) {
      await page.keyboard.press('/')
      await typeKeys(page, line)
      expect(await top(), line).toBe(before)
      await page.keyboard.press('Escape')
      await settled(page)
      expect(await top(), line).toBe(before)
    }
  })

test('beside a stretch the easier grip is told, and a press takes it', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await typed(page, 'Gmaj7 drop2 6432')
  await expect(page.getByTestId('easier')).toHaveText('easier: drop 3 has 3x443x')
  await page.getByTestId('easier').click()
  await expect(shape(page)).toHaveText('3x443x')
  await expect(page.getByTestId('easier')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('easier')).toBeVisible()
})

test('L changes what stands in the eggs of every view', async ({ page }) => {
  for (const [path, eggs] of [
    ['/?chord=Ebmaj7&shape=x6878x', '[data-testid=egg]'],
    ['/map?chord=Ebmaj7', '[data-testid=map-lane] tspan'],
    ['/key?key=Bb', 'svg tspan'],
    [`/path?${new URLSearchParams({ chart: '| Dm7 | G7 |' })}`, 'svg text'],
  ] as const) {
    await page.goto(path)
    await settled(page)
    const told = () => page.locator(eggs).allTextContents()
    const seen = new Set([(await told()).join()])
    for (let press = 1; press < 4; press++) {
      await page.keyboard.press('l')
      await expect.poll(async () => seen.has((await told()).join()), path).toBe(false)
      seen.add((await told()).join())
    }
    await page.keyboard.press('l')
    await expect.poll(async () => seen.has((await told()).join())).toBe(true)
  }
})

test('what closes gives the focus back to what opened it; a finished line rests on something with a name', async ({
  page,
}) => {
  await page.goto('/')
  await settled(page)
  const keys = page.getByRole('button', { name: 'Keys' })
  await keys.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(keys).toBeFocused()
  await typed(page, 'Am7')
  expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toContain('line is done')
})

test('an augmented chord is called by its bass, and Asus2 stays what was asked', async ({ page }) => {
  await page.goto('/map')
  await settled(page)
  await typed(page, 'Caug')
  const names = () => page.getByTestId('map-lane').locator('text').allTextContents()
  await expect.poll(async () => (await names()).join(' ')).toContain('Eaug')
  expect((await names()).join(' ')).not.toContain('C♯aug')
  await typed(page, 'Asus2')
  await expect(page.getByTestId('place-name')).toContainText('Asus2')
})
