/** Every line of the README's first five minutes, under a person's keys, with the key that is pressed next. */
import { typeKeys } from './support/hands.ts'
import { emptyTray } from './support/kept.ts'
import { settled } from './support/settled.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

test.beforeEach(({ request }) => emptyTray(request))

const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })
const shape = (page: Page) => page.getByTestId('shape-text')
const inTray = (page: Page) => page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')
const told = (page: Page, words: RegExp) =>
  expect(page.getByRole('status').filter({ hasText: words }).last()).toBeVisible()

async function open(page: Page, path = '/') {
  await page.goto(path)
  await settled(page)
}

/** `/`, the text, and the key that ends it. */
async function typed(page: Page, text: string, end: 'Enter' | 'Escape' = 'Enter') {
  await page.keyboard.press('/')
  await typeKeys(page, text)
  await page.keyboard.press(end)
}

test.describe('2: anything typed, and what is pressed next', () => {
  for (const [text, chord, frets] of [
    ['F#m7b5 drop3 6432', 'F♯m7♭5', /\d/],
    ['x3545x', 'Cmaj7', 'x3545x'],
    ['3 7 R 5 on 6521', 'E♭maj7', /\d/],
    ['m3 m3 m3', 'E♭dim7', /\d/],
    ['2nd inversion', 'E♭maj7', /\d/],
    ['fret 5', 'E♭maj7', 'x6878x'],
    ['this is Cm9', 'Cm9', 'x6878x'],
  ] as const)
    for (const end of ['Enter', 'Escape'] as const)
      test(`${text}, ${end}, then ↑ or ↓, ←, Space and undo`, async ({ page }) => {
        const sounds = await watchSounds(page)
        await open(page)
        await typed(page, text, end)
        await expect(page.locator('#build-line-input')).not.toBeFocused()
        await expect(symbol(page)).toHaveText(chord)
        await expect(shape(page)).toHaveText(frets)
        await settled(page)
        const first = (await shape(page).textContent()) ?? ''
        const before = (await sounds()).length
        // Where the line leaves one shape only, it is moved; else one of both arrows turns it.
        await page.keyboard.press(text === 'fret 5' ? 'ArrowRight' : 'ArrowUp')
        await settled(page)
        if ((await shape(page).textContent()) === first) await page.keyboard.press('ArrowDown')
        await expect(shape(page)).not.toHaveText(first)
        await settled(page)
        const turned = (await shape(page).textContent()) ?? ''
        await page.keyboard.press('ArrowLeft')
        await expect(shape(page)).not.toHaveText(turned)
        await page.keyboard.press('Space')
        await expect.poll(async () => (await sounds()).length).toBeGreaterThan(before)
        await page.keyboard.press('Control+z')
        await expect(shape(page)).toHaveText(turned)
      })

  test('"this is" on its way to a name says nothing wrong of the page, and takes every space', async ({ page }) => {
    await open(page)
    await page.keyboard.press('/')
    for (const [keys, line] of [
      ['this', 'this'],
      [' ', 'this '],
      ['is', 'this is'],
      [' ', 'this is '],
      ['G', 'this is G'],
      ['7', 'this is G7'],
    ] as const) {
      await typeKeys(page, keys)
      await expect(page.locator('#build-line-input')).toHaveValue(line)
    }
    // It is none: that is told, and the name stays.
    await expect(page.getByTestId('line-wrong')).toContainText('G7')
    await page.keyboard.press('Enter')
    await expect(symbol(page)).toHaveText('E♭maj7')
    await page.keyboard.press('t')
    await expect(inTray(page)).toContainText('E♭maj7')
  })

  test('a word of the sentence is stepped through with ↑ and ↓, and says how many shapes', async ({ page }) => {
    await open(page)
    const word = page.getByRole('button', { name: /^Arrangement:/ })
    await word.focus()
    const first = await word.textContent()
    await page.keyboard.press('ArrowDown')
    await expect(word).not.toHaveText(first ?? '')
    await page.keyboard.press('ArrowUp')
    await expect(word).toHaveText(first ?? '')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('menuitemradio').first().getByTestId('choice-count')).toHaveText(/^\d+$/)
  })
})

test('3: arrows move and turn it, brackets take other strings, Space plays', async ({ page }) => {
  const sounds = await watchSounds(page)
  await open(page)
  for (const [key, frets, name] of [
    ['ArrowRight', 'x7989x', 'Emaj7'],
    ['ArrowLeft', 'x6878x', 'E♭maj7'],
    ['ArrowUp', 'x-10-12-8-11-x', 'E♭maj7'],
    ['ArrowDown', 'x6878x', 'E♭maj7'],
    [']', 'xx1333', 'E♭maj7'],
    ['[', 'x6878x', 'E♭maj7'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(shape(page)).toHaveText(frets)
    await expect(symbol(page)).toHaveText(name)
    await settled(page)
  }
  await page.keyboard.press('Space')
  await expect.poll(async () => (await sounds()).length).toBeGreaterThan(3)
})

test('4: a tone dragged along its string, a chord pointed at and held with Shift', async ({ page }) => {
  await open(page)
  const middle = async (place: string) => {
    const box = await page.locator(`[data-place="${place}"]`).boundingBox()
    if (!box) throw new Error(`no place ${place}`)
    return { x: box.x + box.width * 0.66, y: box.y + box.height / 2 }
  }
  const [from, to] = [await middle('3:7'), await middle('3:6')]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move((from.x + to.x) / 2, to.y, { steps: 4 })
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await expect(page.getByTestId('ghost-move')).toContainText('E♭7')
  await page.mouse.up()
  await expect(shape(page)).toHaveText('x6868x')
  await expect(symbol(page)).toHaveText('E♭7')
  await page.keyboard.press('Control+z')
  await expect(shape(page)).toHaveText('x6878x')
  await page.mouse.move(4, 4)
  const away = page.getByRole('region', { name: 'One fret away' })
  await expect(away).toHaveAttribute('aria-busy', 'false')
  const ninth = away.getByRole('button', { name: /^E♭maj9: root 2 frets up on string 5/ })
  await ninth.hover()
  await expect(page.getByTestId('ghost-move')).toBeVisible()
  await ninth.click({ modifiers: ['Shift'] })
  // The names start again from what is held; nothing is taken.
  await expect(ninth).toHaveCount(0)
  await expect(symbol(page)).toHaveText('E♭maj7')
})

test('5: Backspace clears the neck; pressed places are named, and another name is taken', async ({ page }) => {
  await open(page)
  await page.keyboard.press('Backspace')
  await expect(page.getByTestId('egg')).toHaveCount(0)
  for (const place of ['5:3', '4:2', '2:1']) {
    const box = await page.locator(`[data-place="${place}"]`).boundingBox()
    if (!box) throw new Error(`no place ${place}`)
    await page.mouse.click(box.x + box.width * 0.66, box.y + box.height / 2)
  }
  await expect(shape(page)).toHaveText('x32x1x')
  await expect(symbol(page)).toContainText('C')
})

test('6: Arpeggio lays the chord in hand out, moves the hand, plays and stops; the chord goes on and back', async ({
  page,
}) => {
  const sounds = await watchSounds(page)
  await open(page)
  await typed(page, 'F#m7b5 drop3 6432')
  await page.getByRole('link', { name: 'Arpeggio', exact: true }).first().click()
  await page.waitForURL(/\/arpeggio/)
  await settled(page)
  const name = page.getByRole('region', { name: 'The line' }).locator('p').first()
  await expect(name).toContainText('F♯m7♭5')
  const stands = await name.textContent()
  await page.keyboard.press('ArrowRight')
  await expect(name).not.toHaveText(stands ?? '')
  await page.keyboard.press('ArrowLeft')
  await expect(name).toHaveText(stands ?? '')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await expect.poll(async () => (await sounds()).length).toBeGreaterThan(2)
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toHaveCount(0)
  await page.getByRole('link', { name: 'Map', exact: true }).click()
  await settled(page)
  await expect(page.getByRole('region', { name: 'What is mapped' }).locator('p').first()).toContainText('F♯m7♭5')
  await page.getByRole('link', { name: 'Build', exact: true }).first().click()
  await settled(page)
  await expect(symbol(page)).toHaveText('F♯m7♭5')
})

test('7: the Key’s lines, each followed by arrows and digits', async ({ page }) => {
  await open(page, '/key')
  const key = page.getByTestId('key-name')
  for (const [text, heading, steps] of [
    ['Bb ninths 6 5', 'B♭ major', 14],
    ['D triads 321', 'D major', 7],
    ['F# dorian 5', 'F♯ Dorian', 7],
  ] as const) {
    await typed(page, text)
    await expect(key).toHaveText(heading)
    await expect(page.getByTestId('lane-step')).toHaveCount(steps)
    await settled(page)
    await page.keyboard.press('ArrowUp')
    await expect(page.getByRole('button', { name: /^step 2,/ }).first()).toHaveAttribute('aria-pressed', 'true')
    await page.keyboard.press('ArrowDown')
    await expect(page.getByRole('button', { name: /^step 1,/ }).first()).toHaveAttribute('aria-pressed', 'true')
  }
  await page.keyboard.press('ArrowRight')
  await expect(key).toHaveText('B Dorian')
  await page.keyboard.press('2')
  await page.keyboard.press('5')
  await expect(page.getByRole('list', { name: 'What is written' }).getByRole('listitem')).toHaveCount(2)
})

test('8: a tune typed in bars; held, another shape, the views of it, played and saved', async ({ page }) => {
  await open(page, '/path')
  await page.keyboard.press('/')
  await page.keyboard.press('Control+a')
  await typeKeys(page, '| Dm7 | G7 | Cmaj7 | % |')
  await page.keyboard.press('Escape')
  const chords = page.getByTestId('tune-chord')
  await expect(chords).toHaveCount(4)
  await expect(chords.first()).toContainText('Dm7')
  await page.keyboard.press('h')
  await expect(page.getByText('held').first()).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Escape')
  for (const look of ['in systems', 'on staff and TAB', 'as a table', 'in time']) {
    await page.keyboard.press('v')
    await expect(page.getByRole('button', { name: look, exact: true })).toHaveAttribute('aria-pressed', 'true')
  }
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toHaveCount(0)
})

test('9: what is in hand through all roots; a run typed; started, graded, shown', async ({ page }) => {
  await open(page)
  await page.keyboard.press('r')
  await page.waitForURL(/\/practice/)
  await settled(page)
  await expect(page.getByTestId('run-chord')).toContainText('maj7')
  await typed(page, 'm7 on 5 and 6 fourths from E 80')
  await expect(page.getByTestId('run-chord')).toContainText('Em7')
  await expect(page.getByLabel('Tempo, beats per minute')).toHaveValue('80')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await page.keyboard.press('s')
  const grades = page
    .getByRole('group', { name: 'Acts' })
    .locator('button')
    .filter({ has: page.locator('[data-key="3"]') })
  await expect(grades).toBeEnabled()
  await page.keyboard.press('3')
  await expect(grades).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toHaveCount(0)
  await page.keyboard.press('e')
  await expect(page.getByRole('button', { name: /the ear judges/ })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('e')
  await page.keyboard.press('m')
  await told(page, /card/)
  await page.getByRole('link', { name: 'Logbook' }).first().click()
  await page.waitForURL(/\/logbook/)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
})

test('10: the Map’s lanes for what was typed; another change shows which tone moves', async ({ page }) => {
  await open(page, '/map')
  await typed(page, 'Cmaj7 drop2 +9')
  await expect(page.getByTestId('map-cell').first()).toBeVisible()
  const change = page.getByRole('button', { name: /^What it becomes/ })
  await expect(change).toHaveText('Cmaj9')
  await change.focus()
  await page.keyboard.press('ArrowDown')
  await expect(change).not.toHaveText('Cmaj9')
  await settled(page)
  await expect(page.getByRole('region', { name: 'This place' })).toContainText(/fret/)
  await page.keyboard.press('Control+z')
  await expect(change).toHaveText('Cmaj9')
})

test('11: into the tray, the Book and onto a sheet, and taken back', async ({ page }) => {
  await open(page)
  await page.keyboard.press('t')
  await expect(inTray(page)).toHaveCount(1)
  const kept = async () => (await (await page.request.get('/api/shapes')).json()).shapes.length
  const before = await kept()
  await page.keyboard.press('k')
  await told(page, /^Saved to Book/)
  expect(await kept()).toBe(before + 1)
  await page.keyboard.press('Control+z')
  await expect.poll(kept).toBe(before)
  await page.keyboard.press('Control+z')
  await expect(inTray(page)).toHaveCount(0)
  await page.keyboard.press('w')
  await page.waitForURL(/\/sheet/)
})
