/** The workbench: words with counts, hands on the neck, what lies around a shape, by pointer and by keyboard. */

import { typeOver } from './support/hands.ts'
import { menuItem } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })
const shapeText = (page: Page) => page.getByTestId('shape-text')
const line = (page: Page) => page.locator('#build-line-input')
const START = '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'

async function open(page: Page, address = START) {
  await page.goto(address)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await expect(page.getByTestId('candidate').first()).toBeVisible()
}

/** The middle of a place on the neck, string by number. */
async function place(page: Page, string: number, fret: number) {
  const box = await page.locator(`[data-place="${string}:${fret}"]`).boundingBox()
  if (!box) throw new Error(`no place ${string}:${fret}`)
  return { x: box.x + box.width * 0.66, y: box.y + box.height / 2 }
}
async function press(page: Page, string: number, fret: number) {
  const { x, y } = await place(page, string, fret)
  await page.mouse.click(x, y)
}

test.describe('the build line', () => {
  test('each choice says how many playable shapes it would give, and taking it gives them', async ({ page }) => {
    await open(page)
    await page.getByRole('button', { name: /^Arrangement:/ }).click()
    const choice = menuItem(page, /^drop 3/)
    await expect(choice.getByTestId('choice-count')).toHaveText(/^\d+$/)
    await expect(menuItem(page, /^drop 2 \d/).getByTestId('choice-count')).toHaveText('4')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('button', { name: /^Arrangement:/ })).toBeFocused()
    await page.getByRole('button', { name: /^Bass tone:/ }).click()
    await menuItem(page, /third/).click()
    await expect(page.getByTestId('count')).toContainText(/^1 on 5 4 3 2/)
    await expect(shapeText(page)).toContainText('x-10-12-8-11-x')
  })

  test('a half-typed line is completed with the keyboard', async ({ page }) => {
    await open(page)
    await page.keyboard.press('/')
    await page.keyboard.type('F#m7')
    await expect(page.getByRole('option', { name: /^F♯m7♭5/ })).toBeVisible()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(line(page)).toHaveValue(/^F#m7.+/)
    await expect(symbol(page)).toContainText('F♯m7')
  })

  test('a formula typed as degrees or thirds, and a tuning, are read', async ({ page }) => {
    await open(page)
    await typeOver(line(page), 'C m3 m3 M3 any any strings')
    await expect(symbol(page)).toHaveText('Cm7♭5')
    await line(page).press('Enter')
    await typeOver(line(page), 'D 1 3 5 any strings in dadgad')
    await expect(page.getByRole('button', { name: 'Tuning: D A D G A D' })).toBeVisible()
    await expect(symbol(page)).toHaveText('D')
  })

  test('back and forward go through what was built', async ({ page }) => {
    await page.clock.install()
    await open(page)
    await typeOver(line(page), 'Gm7')
    await expect(symbol(page)).toHaveText('Gm7')
    await line(page).press('Enter')
    await page.clock.fastForward(1500) // a pause makes a page to go back to
    await typeOver(line(page), 'C9')
    await expect(symbol(page)).toHaveText('C9')
    await expect.poll(() => page.url()).toContain('C9')
    await page.goBack()
    await expect(symbol(page)).toHaveText('Gm7')
    await page.goForward()
    await expect(symbol(page)).toHaveText('C9')
  })

  test('where nothing is found, the ways out say what they would give', async ({ page }) => {
    await open(page)
    await typeOver(line(page), 'Fm11 drop2 5432 no 5')
    await line(page).press('Enter')
    const ways = page.getByTestId('ways-out')
    await expect(ways).toContainText(/No shape on 5 4 3 2 within your reach|beyond reach/)
    const way = ways.getByRole('button').first()
    await expect(way).toHaveText(/^\d+ /)
    await way.click()
    await expect(page.getByTestId('shape-row').first()).toBeVisible()
  })
})

test.describe('hands on the neck', () => {
  test('a tone dragged along its string is a ghost with the name that it would make; let go, it is taken with everything', async ({
    page,
  }) => {
    await open(page)
    const from = await place(page, 3, 7)
    const to = await place(page, 3, 6)
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    await page.mouse.move((from.x + to.x) / 2, to.y)
    await page.mouse.move(to.x, to.y)
    await expect(page.getByTestId('ghost-move')).toContainText('E♭7')
    // Not taken before it is let go: nothing else has changed.
    await expect(symbol(page)).toHaveText('E♭maj7')
    await expect(shapeText(page)).toContainText('x6878x')
    await page.mouse.up()
    await expect(shapeText(page)).toContainText('x6868x')
    await expect(symbol(page)).toHaveText('E♭7')
    await page.keyboard.press('Control+z')
    await expect(symbol(page)).toHaveText('E♭maj7')
    await expect(shapeText(page)).toContainText('x6878x')
  })

  test('a click on a held tone frees it; a press that wanders off does nothing', async ({ page }) => {
    await open(page)
    await press(page, 2, 8)
    await expect(shapeText(page)).toContainText('x687xx')
    const from = await place(page, 1, 5)
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    await page.mouse.move(from.x + 60, from.y + 30)
    await page.mouse.up()
    await expect(shapeText(page)).toContainText('x687xx')
  })

  test('a shape found by hand gets its name: cleared, then pressed place by place', async ({ page }) => {
    await open(page)
    await page.keyboard.press('Backspace')
    await expect(page.getByTestId('egg')).toHaveCount(0)
    for (const [string, fret] of [
      [5, 3],
      [4, 2],
      [2, 1],
    ] as const)
      await press(page, string, fret)
    await press(page, 3, 0)
    await expect(shapeText(page)).toContainText('x3201x')
    await expect(symbol(page)).toHaveText('C')
    await press(page, 3, 0)
    await expect(shapeText(page)).toContainText('x32x1x')
  })

  test('all of it with the keyboard, spoken place by place', async ({ page }) => {
    await open(page)
    await expect(page.getByRole('grid', { name: /^The neck: E♭maj7/ })).toBeVisible()
    const neck = page.getByTestId('neck')
    await page.keyboard.press('e')
    await expect(neck).toBeFocused()
    const active = () =>
      neck.evaluate((grid) =>
        document.getElementById(grid.getAttribute('aria-activedescendant') ?? '')?.getAttribute('aria-label'),
      )
    expect(await active()).toBe('string 2, fret 8, the third, G')
    await page.keyboard.press('Shift+ArrowLeft')
    await expect(symbol(page)).toHaveText('E♭m(maj7)')
    await expect(shapeText(page)).toContainText('x6877x')
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('ArrowLeft')
    expect(await active()).toMatch(/^string 1, fret 6/)
    await page.keyboard.press('Enter')
    await expect(shapeText(page)).toContainText('x68776')
    await page.keyboard.press('x')
    await expect(shapeText(page)).toContainText('x6877x')
    await page.keyboard.press('Escape')
    await expect(neck).not.toBeFocused()
    await page.keyboard.press('ArrowRight')
    await expect(symbol(page)).toHaveText('Em(maj7)')
  })

  test('labels go round from degree to note to finger to nothing', async ({ page }) => {
    await open(page)
    const label = page.locator('[data-testid=egg][data-string="5"] [data-label]')
    await expect(label).toHaveAttribute('data-label', 'R')
    await page.keyboard.press('l')
    await expect(label).toHaveAttribute('data-label', 'E♭')
    await page.keyboard.press('l')
    await expect(label).toHaveAttribute('data-label', '1')
    await page.keyboard.press('l')
    await expect(label).toHaveCount(0)
    await page.keyboard.press('l')
    await expect(label).toHaveAttribute('data-label', 'R')
    // Kept, too: the page goes with the test, and what was still on its way with it.
    await expect.poll(async () => (await (await page.request.get('/api/settings')).json()).labels).toBe('degree')
  })
})

test.describe('this shape', () => {
  test('is told on the neck: fingers at the tones, the right hand before the nut, pads that damp, notes and intervals', async ({
    page,
  }) => {
    await open(page, '/?chord=Cm7&strings=5432&shape=x3534x')
    const neck = page.getByTestId('neck')
    await expect(neck.getByTestId('finger')).toHaveText(['1', '3', '1', '2'])
    await expect(neck.getByTestId('plucker')).toHaveText(['p', 'i', 'm', 'a'])
    await expect(neck.locator('[data-testid=damped][data-string="6"]')).toHaveText('tip of 1 damps')
    await expect(neck.getByTestId('sounding')).toContainText('CGB♭E♭')
    const shape = page.getByRole('region', { name: 'This shape' })
    await shape.getByRole('button', { name: /^Fingers:/ }).press('ArrowDown')
    await expect(neck.getByTestId('finger')).not.toHaveText(['1', '3', '1', '2'])
    await expect(shape.getByTestId('hand-verdict')).toContainText('comfortable')
    await expect(shape.getByTestId('pitch-line')).toHaveAccessibleName(
      /^Voices from C3 to E♭4: fifth, minor third, fourth$/,
    )
    await expect(shape).toContainText('m3M3m3')
  })

  test('two strings of one pitch are two voices, and go when another shape comes', async ({ page }) => {
    await open(page)
    const line = page.locator('#build-line-input')
    const voices = page.getByTestId('pitch-line').locator('[data-label]')
    for (const [typed, sounding] of [
      ['022400', 6],
      ['x32010', 5],
      ['022400', 6],
      ['xx3545', 4],
    ] as const) {
      await typeOver(line, typed)
      await line.press('Enter')
      await expect(shapeText(page)).toContainText(typed)
      await expect(voices).toHaveCount(sounding)
    }
  })

  test('one verdict, with its true reason', async ({ page }) => {
    await open(page, '/?chord=Cm7&strings=5432&shape=x6858x')
    await expect(page.getByTestId('hand-verdict')).toContainText(/middle to ring 50 mm, this hand 38: a stretch/)
    await open(page, '/?chord=C9%2311&arrangement=any&strings=5432')
    await expect(page.getByTestId('left-out')).toContainText('on 4 strings the 5 and the root are left out')
  })

  test('a rootless shape says what is not sounded and where it lies, on the neck too', async ({ page }) => {
    await open(page, '/?chord=Cmaj9&shape=x7978x')
    await expect(page.getByTestId('not-sounded')).toContainText('the root C, nearest at string 6 fret 8')
    await expect(page.getByTestId('ghost')).toHaveCount(1)
  })
})

test.describe('around the shape', () => {
  const away = (page: Page) => page.getByRole('region', { name: 'One fret away' })

  test('pointing at a place draws a ghost and touches nothing else; taking it changes everything at once', async ({
    page,
  }) => {
    await open(page)
    const neighbour = away(page).getByRole('button', { name: /^E♭maj9: root 2 frets up on string 5/ })
    const before = await page.getByRole('region', { name: 'Build line' }).boundingBox()
    await neighbour.hover()
    await expect(page.getByTestId('ghost-move').locator('[data-string="5"]')).toHaveAttribute('data-fret', '8')
    await expect(symbol(page)).toHaveText('E♭maj7')
    await expect(shapeText(page)).toContainText('x6878x')
    expect(await page.getByRole('region', { name: 'Build line' }).boundingBox()).toEqual(before)
    await page.keyboard.press('Shift')
    await expect(page.getByTestId('ghost-move')).toHaveCount(0)
    await neighbour.click()
    await expect(shapeText(page)).toContainText('x8878x')
    await expect(symbol(page)).toHaveText('E♭maj9')
    await expect(page.getByTestId('not-sounded')).toContainText('the root')
  })

  test('held with Shift, the names start again from there, and both tones go at once', async ({ page }) => {
    await open(page)
    await away(page)
      .getByRole('button', { name: /^E♭7: major seventh 1 fret down on string 3/ })
      .click({ modifiers: ['Shift'] })
    await expect(away(page)).toContainText('from E♭7')
    await expect(shapeText(page)).toContainText('x6878x')
    await away(page)
      .getByRole('button', { name: /^E♭m7: third 1 fret down on string 2/ })
      .click()
    await expect(shapeText(page)).toContainText('x6867x')
    await expect(symbol(page)).toHaveText('E♭m7')
    await page.keyboard.press('Control+z')
    await expect(shapeText(page)).toContainText('x6878x')
  })

  test('its places are walked with arrows', async ({ page }) => {
    await open(page)
    const first = away(page).getByRole('button', { name: /^E♭6: / })
    await first.focus()
    await page.keyboard.press('ArrowRight')
    await expect(away(page).getByRole('button', { name: /^E♭7: / })).toBeFocused()
    await page.keyboard.press('ArrowDown')
    await expect(away(page).getByRole('button', { name: /^E♭maj7♭5: / })).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(symbol(page)).toHaveText('E♭maj7♭5')
  })

  test('the family darkens tone by tone on the same strings', async ({ page }) => {
    await open(page)
    await page
      .getByRole('group', { name: /^Family/ })
      .getByRole('button', { name: /^E♭m7♭5/ })
      .click()
    await expect(shapeText(page)).toContainText('x6767x')
    await expect(symbol(page)).toHaveText('E♭m7♭5')
  })

  test('a ninth joins by moving the root, or with the root kept and the fifth given up', async ({ page }) => {
    await open(page)
    const ninths = page.getByRole('group', { name: 'One tone more' }).getByRole('button', { name: /^9: E♭maj9/ })
    await expect(ninths).toHaveCount(2)
    await ninths.nth(0).click()
    await expect(shapeText(page)).toContainText('x6378x')
    await expect(symbol(page)).toHaveText('E♭maj9')
  })

  test('names: chosen by a click, degrees follow; over a bass; a claim with its mend', async ({ page }) => {
    await open(page)
    await page.getByRole('button', { name: /^All \d+ names$/ }).click()
    const other = menuItem(page, /^Cm9/).first()
    await expect(other).toContainText('the root left to somebody else')
    await other.click()
    await expect(symbol(page)).toHaveText('Cm9')
    await expect(page.locator('[data-testid=egg][data-string="5"]')).toHaveAttribute('data-degree', 'b3')
    await page.keyboard.press('Control+z')
    await expect(symbol(page)).toHaveText('E♭maj7')
    await typeOver(page.getByLabel('Is it …?'), 'Eb7')
    await expect(page.getByTestId('verdict')).toContainText('No: string 3 plays D')
    await page.getByRole('button', { name: /1 fret down to D♭/ }).click()
    await expect(shapeText(page)).toContainText('x6868x')
    await expect(page.getByTestId('verdict')).toContainText('Yes, and complete.')
  })

  test('rails: the other string sets, each shape at its place, the same pitches marked', async ({ page }) => {
    await open(page)
    await expect(page.getByTestId('others')).toContainText(/^\d+ more on \d+ other sets of 4/)
    const same = page.locator('[data-testid=shape-row][data-same]')
    await expect(same.first()).toBeVisible()
    await page.locator('[data-frets="xx1333"]').click()
    await expect(shapeText(page)).toContainText('xx1333')
    // The rail that is asked for comes first.
    await expect(page.getByTestId('rail-set').first()).toHaveText('4 3 2 1')
  })
})

test('of thousands of shapes a handful are drawn; as small necks they keep their order', async ({ page }) => {
  await open(page, '/?chord=D13&doubling=true')
  const count = Number(/^(\d+)/.exec((await page.getByTestId('count').textContent()) ?? '')?.[1])
  expect(count).toBeGreaterThan(1000)
  expect(await page.getByTestId('shape-row').count()).toBeLessThan(300)
  await page.getByRole('button', { name: 'as small necks' }).click()
  await expect(page.getByTestId('rails')).toHaveCount(0)
  expect(await page.getByTestId('shape-row').count()).toBeLessThan(20)
  await page.getByRole('button', { name: 'as bars' }).click()
  await expect(page.getByTestId('rails')).toBeVisible()
})

test.describe('the tray', () => {
  test('collects, survives a reload, is put in order, named, played, kept to the Book and emptied with undo', async ({
    page,
  }) => {
    await open(page)
    const items = page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')
    const before = await page.locator('[aria-label="Shapes in the tray"] > li').count()
    await page.keyboard.press('t')
    await typeOver(line(page), 'Bbm7')
    await expect(symbol(page)).toHaveText('B♭m7')
    await line(page).blur()
    await page.keyboard.press('t')
    await expect(items).toHaveCount(before + 2)
    await expect(page.getByText('kept', { exact: true })).toBeVisible()
    await page.reload()
    await expect(items).toHaveCount(before + 2)

    const handle = page.getByRole('button', { name: /^Move B♭m7/ })
    await handle.focus()
    await page.keyboard.press('ArrowLeft')
    await expect(items.nth(before)).toContainText('B♭m7')
    await expect(handle).toBeFocused()
    await expect(handle).toHaveAccessibleName(`Move B♭m7, ${before + 1} of ${before + 2}`)
    await expect(page.getByText(`B♭m7 is now ${before + 1} of ${before + 2}`)).toBeAttached()
    await page.keyboard.press('Enter')
    await menuItem(page, 'Move right').click()
    await expect(items.nth(before + 1)).toContainText('B♭m7')
    await page.keyboard.press('Control+z')
    await expect(items.nth(before)).toContainText('B♭m7')

    await page.getByRole('button', { name: /^Tray.*Name it/ }).click()
    await typeOver(page.getByLabel('Name of the tray'), 'Low Tide Waltz')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Tray: Low Tide Waltz. Name it' })).toBeVisible()

    await page.getByRole('button', { name: 'Play in a row' }).click()
    await expect(page.locator('li[data-sounding]')).toHaveCount(1)
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.locator('li[data-sounding]')).toHaveCount(0)

    await page.getByRole('region', { name: 'Tray' }).getByRole('button', { name: 'Save to Book' }).click()
    await expect(page.getByText(/Saved to Book: Low Tide Waltz/)).toBeVisible()
    await page.getByRole('button', { name: 'Empty the tray' }).click()
    await expect(page.getByText(/adds the shape in hand/)).toBeVisible()
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await expect(items).toHaveCount(before + 2)

    await page.goto('/book?show=sets')
    const set = page.getByRole('region', { name: 'Sets' }).getByRole('article', { name: 'Low Tide Waltz' }).first()
    await expect(set).toContainText('E♭maj7')
    await set.getByRole('button', { name: 'Delete Low Tide Waltz' }).click()
    await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click()
    await expect(page.getByRole('article', { name: 'Low Tide Waltz' }).first()).toBeVisible()
    await page.getByRole('button', { name: 'Empty the tray' }).click()
  })
})

test('sound: off stays off, and the list of keys tells every key', async ({ page }) => {
  await open(page)
  await page.getByRole('button', { name: /^Sound:/ }).click()
  await page.getByRole('switch', { name: 'Sound', exact: true }).click({ force: true })
  await expect(page.getByRole('button', { name: 'Sound: off' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Sound: off' })).toBeVisible()
  await page.getByRole('button', { name: 'Sound: off' }).click()
  await page.getByRole('switch', { name: 'Sound', exact: true }).click({ force: true })
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('next inversion up or down the neck')
})
