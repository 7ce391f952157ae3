/** The Path view: a tune typed, its least path looked at, bent by wishes, heard, kept. */

import { paste, typeOver } from './support/hands.ts'
import { choose, menuItem, word } from './support/sentence.ts'
import { readWav } from './support/soundFile.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

async function open(page: Page, query = '') {
  await page.goto(`/path${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const chords = (page: Page) => page.getByTestId('tune-chord')
const frets = (page: Page) =>
  chords(page).evaluateAll((all) => all.map((one) => one.getAttribute('data-frets')).join(' '))
const total = (page: Page) => page.getByRole('region', { name: 'The chosen chord' }).getByText(/^\d+\.\d+ of \d/)
const TWO_FIVE = '?chart=key:+C%0A|+Dm7+|+G7+|+Cmaj7+|+Cmaj7+|&strings=5432&frets=1-7&loop=0'

test('a tune is typed, and has its path; a wrong word is told with its place and the rest stands', async ({ page }) => {
  await open(page)
  await page.keyboard.press('/')
  await paste(page.locator('#path-chart'), 'key: C\n| Dm7 | G7 | Cmaj7 | % |')
  await page.keyboard.press('Escape')
  await expect(chords(page)).toHaveCount(4)
  await expect(page.getByTestId('tune-name')).toHaveText('A tune')
  await expect(chords(page).first()).toHaveAccessibleName(/bar 1, Dm7, /)
  await paste(page.locator('#path-chart'), 'key: C\n| Dm7 | Xm7 | Cmaj7 | % |')
  await expect(page.getByTestId('line-wrong').filter({ hasText: 'Line 2:' })).toBeVisible()
  await expect(chords(page)).toHaveCount(3)
  // One typing is one step.
  await page.locator('body').press('Escape')
  await page.locator('#path-chart').blur()
  await page.keyboard.press('Control+z')
  await expect(chords(page)).toHaveCount(4)
})

test('the least path: what it costs to get there adds up, and survives a reload', async ({ page }) => {
  await open(page, TWO_FIVE)
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await page.locator('body').press('ArrowRight')
  await expect(page.getByTestId('chosen-name')).toContainText('G7')
  await expect(page.getByTestId('chosen-frets')).toHaveText('x5546x')
  const chosen = page.getByRole('region', { name: 'The chosen chord' })
  const parts = await chosen.getByRole('listitem').locator('b').allTextContents()
  const sum = parts.reduce((all, text) => all + Number(text.replace('−', '-')), 0)
  expect(Number(await page.getByTestId('step-cost').textContent())).toBeCloseTo(sum, 1)
  await expect(page).toHaveURL(/at=2/)
  await page.reload()
  await expect(page.getByTestId('chosen-name')).toContainText('G7')
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
})

test('another shape is taken with what the whole path then costs, held, and let go', async ({ page }) => {
  await open(page, '?chart=key:+C%0A|+Dm7+|+G7+|+Cmaj7+|+Cmaj7+|&strings=5432,6432&frets=1-9&loop=0&at=2')
  const others = page.getByTestId('other-shape')
  const own = (await page.getByTestId('chosen-frets').textContent()) ?? ''
  await expect(others.first()).toHaveAttribute('aria-pressed', 'true')
  const more = Number((await others.nth(1).locator('em').textContent())?.replace('+', ''))
  const before = Number((await total(page).textContent())?.split(' of ')[1])
  await page.locator('body').press('ArrowDown')
  await expect(chords(page).nth(1)).toHaveAttribute('data-held', 'true')
  await expect(page.getByTestId('chosen-frets')).not.toHaveText(own)
  await expect
    .poll(async () => Number((await total(page).textContent())?.split(' of ')[1]))
    .toBeCloseTo(before + more, 1)
  await expect(page).toHaveURL(/hold=2:/)
  await page.locator('body').press('h')
  await expect(page.getByTestId('chosen-frets')).toHaveText(own)
  await page.keyboard.press('Control+z')
  await expect(chords(page).nth(1)).toHaveAttribute('data-held', 'true')
})

test('a chord in between is put in with its reason, and taken out again', async ({ page }) => {
  await open(page, '?chart=key:+C%0A|+G7+|+Am7+|+Dm7+|+G7+|&strings=5432&at=2')
  const between = page.getByTestId('between').filter({ hasText: 'G♯dim7' })
  await expect(between).toContainText('leading tone')
  await between.click()
  await expect(chords(page)).toHaveCount(5)
  await expect(page.getByTestId('chosen-name')).toContainText('G♯dim7')
  await expect(page.locator('#path-chart')).toHaveValue(/\| G7 G♯dim7 \| Am7/)
  await page.locator('body').press('Delete')
  await expect(chords(page)).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(chords(page)).toHaveCount(5)
  // Neighbours change places.
  await page.locator('body').press('Shift+ArrowRight')
  await expect(page.locator('#path-chart')).toHaveValue(/\| G7 Am7 \| G♯dim7/)
})

test('a chord is split in two, and joined again', async ({ page }) => {
  await open(page, TWO_FIVE)
  await page.locator('body').press('s')
  await expect(chords(page)).toHaveCount(5)
  await expect(page).toHaveURL(/Dm7\+Dm7/)
  await page.locator('body').press('j')
  await expect(chords(page)).toHaveCount(4)
  await page.getByRole('button', { name: /^More: this chord/ }).click()
  await menuItem(page, /^join the next/).click()
  await expect(chords(page)).toHaveCount(3)
  await expect(page).toHaveURL(/Dm7\+\|\+\.\+\|/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(chords(page)).toHaveCount(4)
})

test('in all keys: twelve fourths lead back to the same path', async ({ page }) => {
  await open(page, TWO_FIVE)
  const own = 'x5756x x5546x x3545x x3545x'
  await expect.poll(() => frets(page)).toBe(own)
  for (const key of [
    'F major',
    'B♭ major',
    'E♭ major',
    'A♭ major',
    'D♭ major',
    'G♭ major',
    'B major',
    'E major',
    'A major',
    'D major',
    'G major',
    'C major',
  ]) {
    await word(page, 'Key').press('ArrowDown')
    await expect(word(page, 'Key')).toHaveText(key)
  }
  await expect(page.locator('#path-chart')).toHaveValue(/Dm7/)
  await expect.poll(() => frets(page)).toBe(own)
})

test('held shapes go along into another key, by a key of the keyboard, and one undo brings them back', async ({
  page,
}) => {
  await open(page, TWO_FIVE)
  const own = 'x5756x x5546x x3545x x3545x'
  await expect.poll(() => frets(page)).toBe(own)
  await page.keyboard.press('h')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('h')
  await expect(page.getByText('held', { exact: true })).toHaveCount(2)
  await word(page, 'Key').press('ArrowDown')
  await expect(word(page, 'Key')).toHaveText('F major')
  await expect(page.getByText('held', { exact: true })).toHaveCount(2)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(word(page, 'Key')).toHaveText('C major')
  await expect(page.getByText('held', { exact: true })).toHaveCount(2)
  await expect.poll(() => frets(page)).toBe(own)
})

test('keys that come faster than a path is found are meant for the chord that they have come to', async ({ page }) => {
  await open(page, TWO_FIVE)
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await page.evaluate(async () => {
    for (const key of ['h', 'ArrowRight', 'h', 'ArrowRight', 'h']) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
      await new Promise((next) => setTimeout(next))
    }
  })
  await expect(page.getByText('held', { exact: true })).toHaveCount(3)
})

test('families in turn: three-tone shapes with roots on 5 and 4 through 32 bars', async ({ page }) => {
  const eight = 'Dm7 | G7 | Cmaj7 | A7 | Dm7 | G7 | Em7 | A7'
  await open(
    page,
    `?chart=${encodeURIComponent(`key: C\n|: ${eight} |\n| ${eight} :|`)}&strings=532,432&voices=3&roots=5,4&frets=1-15`,
  )
  // Repeats are unfolded: 32 bars, each with its chord.
  await expect.poll(async () => (await frets(page)).split(' ').length).toBeGreaterThan(8)
  const shapes = (await frets(page)).split(' ')
  for (const [index, shape] of shapes.entries()) {
    const places = shape.includes('-') ? shape.split('-') : [...shape]
    expect(places.findIndex((fret) => fret !== 'x')).toBe(index % 2 === 0 ? 1 : 2)
    expect(places.filter((fret) => fret !== 'x')).toHaveLength(3)
  }
  await expect(page.getByRole('button', { name: 'roots on 5 and 4 in turn' })).toBeVisible()
})

test('a stream on 6 4 3 with secondary dominants, built step by step', async ({ page }) => {
  await open(page, '?chart=key:+C%0A|+Cmaj7+|+Dm7+|+G7+|+Cmaj7+|&strings=643&voices=3&ways=stream&at=2&loop=0')
  await page.getByTestId('between').filter({ hasText: 'A7' }).first().click()
  await expect(chords(page)).toHaveCount(5)
  await expect
    .poll(async () =>
      (await frets(page)).split(' ').every((shape) => {
        const places = shape.includes('-') ? shape.split('-') : [...shape]
        return places.map((fret) => (fret === 'x' ? 'x' : 'o')).join('') === 'oxooxx'
      }),
    )
    .toBe(true)
  await expect(word(page, 'Way')).toHaveText('in one stream of strings')
})

test('where nothing fits it says which chord and what would help, and the rest stands', async ({ page }) => {
  await open(page, '?chart=|+C13+|+G7+|+C+|&strings=321&voices=3&frets=12-12')
  await expect(page.getByTestId('gaps')).toContainText('widen the frets')
  await choose(page, 'From fret', '1')
  await expect.poll(() => frets(page)).not.toBe('  ')
})

test('what counts: a weight is changed with the arrows and the path follows at once', async ({ page }) => {
  await open(page, '?chart=|+Cmaj7+|+F%23m7+|+Bbmaj7+|+E7+|&strings=5432,4321,6432&frets=1-15')
  const hand = page.getByRole('textbox', { name: 'hand, a mm' })
  const before = await frets(page)
  await typeOver(hand, '2')
  await hand.press('Enter')
  await expect.poll(() => frets(page)).not.toBe(before)
  await expect(page).toHaveURL(/weights=hand:2/)
  await page.getByRole('button', { name: 'as usual' }).click()
  await expect.poll(() => frets(page)).toBe(before)
})

test('it is played with a cursor over the tune, a step is heard, and the path goes to the tray', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, TWO_FIVE)
  await page.locator('body').press('Space')
  await expect(page.locator('[data-testid=tune-chord][data-sounds]')).toHaveCount(1)
  await page.locator('body').press('Space')
  await expect(page.locator('[data-testid=tune-chord][data-sounds]')).toHaveCount(0)
  const before = (await started()).length
  await page.locator('body').press('a')
  await expect.poll(async () => (await started()).length).toBeGreaterThan(before + 3)
  await page.locator('body').press('Shift+T')
  const tray = page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')
  await expect(tray).toHaveCount(4)
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  // To Build with this shape, and back to the same tune.
  await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Build' }).click()
  await expect(page.getByTestId('shape-text')).toContainText('x5756x')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.getByRole('link', { name: 'Path', exact: true }).click()
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
})

test('another way through lies over the present one, is heard, set side by side, and taken', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, `${TWO_FIVE}&frets=1-12`)
  const way = page.getByTestId('other-way').first()
  await expect(way).toBeVisible()
  const before = await frets(page)
  await way.click()
  await expect(way).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByTestId('other-grip').first()).toBeVisible()
  expect(await frets(page)).toBe(before)
  await page
    .getByRole('button', { name: /^Play another/ })
    .first()
    .click()
  await expect.poll(async () => (await started()).length).toBeGreaterThan(3)
  await page.locator('body').press('Space')
  await page.getByRole('button', { name: 'side by side' }).click()
  const table = page.getByRole('table', { name: /As it is, .* beside it another way/ })
  await expect(table.getByRole('row')).toHaveCount(5)
  await expect(table.locator('tr[data-other]')).not.toHaveCount(0)
  // The costs of either way add up to its total.
  const totals = (await table.locator('caption').textContent())?.match(/\d+\.\d+/g)?.map(Number) ?? []
  for (const [index, column] of ['nth-child(8)', 'last-child'].entries()) {
    const costs = (await table.locator(`tbody td:${column}`).allTextContents()).map(Number)
    expect(costs.reduce((sum, cost) => sum + cost, 0)).toBeCloseTo(totals[index] ?? 0, 1)
  }
  await page.getByRole('button', { name: /^Take another/ }).click()
  await page.getByRole('button', { name: 'in time' }).click()
  await expect.poll(() => frets(page)).not.toBe(before)
  await page.keyboard.press('Control+z')
  await expect.poll(() => frets(page)).toBe(before)
})

test('held shapes chosen anew lie beside the way as it is, and are taken or left', async ({ page }) => {
  await open(page, `${TWO_FIVE}&hold=1:10-x-10-10-10-x`)
  await expect.poll(() => frets(page)).toMatch(/^10-x-10-10-10-x /)
  const before = await frets(page)
  await page.getByRole('button', { name: /^More: this chord/ }).click()
  await page.getByRole('menuitemradio', { name: 'choose all shapes anew' }).click()
  await expect(page.getByTestId('other-way').first()).toContainText('all chosen anew')
  await expect(page.getByTestId('other-grip').first()).toBeVisible()
  expect(await frets(page)).toBe(before)
  await page.getByRole('button', { name: 'Take all chosen anew' }).click()
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await page.keyboard.press('Control+z')
  await expect.poll(() => frets(page)).toBe(before)
})

/** From a place in a chord’s column to another, as a hand moves the mouse. */
async function drag(page: Page, chord: number, from: { x: number; y: number }, to: { x: number; y: number }) {
  const box = await chords(page).nth(chord).locator('rect').first().boundingBox()
  if (!box) throw new Error('no column')
  await page.mouse.move(box.x + from.x, box.y + from.y)
  await page.mouse.down()
  await page.mouse.move(box.x + (from.x + to.x) / 2, box.y + (from.y + to.y) / 2, { steps: 3 })
  await page.mouse.move(box.x + to.x, box.y + to.y, { steps: 3 })
  await expect(page.getByTestId('dragged')).toBeVisible()
}

test('a chord, a voice and a shape are dragged; Escape leaves all as it was', async ({ page }) => {
  await open(page, '?chart=key:+C%0A|+Dm7+|+G7+|+Cmaj7+|+A7+|&strings=5432&frets=1-12&loop=0')
  const names = () =>
    chords(page).evaluateAll((all) => all.map((one) => one.querySelector('text')?.textContent).join(' '))
  await expect.poll(names).toBe('Dm7 G7 Cmaj7 A7')
  const before = await frets(page)
  // Its name over the next one's place.
  await drag(page, 1, { x: 30, y: 20 }, { x: 126, y: 24 })
  await page.keyboard.press('Escape')
  await page.mouse.up()
  expect(await names()).toBe('Dm7 G7 Cmaj7 A7')
  await drag(page, 1, { x: 30, y: 20 }, { x: 126, y: 24 })
  await page.mouse.up()
  await expect.poll(names).toBe('Dm7 Cmaj7 G7 A7')
  await page.keyboard.press('Control+z')
  await expect.poll(() => frets(page)).toBe(before)
  // The shape further down the neck.
  const lowest = async (chord: number) => {
    const text = (await chords(page).nth(chord).getAttribute('data-frets')) ?? ''
    const each = text.includes('-') ? text.split('-') : [...text]
    return Math.min(...each.map(Number).filter((fret) => fret > 0))
  }
  const from = await lowest(0)
  await drag(page, 0, { x: 40, y: 360 }, { x: 40, y: 240 })
  await page.mouse.up()
  await expect(chords(page).first()).toHaveAttribute('data-held', 'true')
  await expect.poll(() => lowest(0)).toBeLessThan(from)
  await page.keyboard.press('Control+z')
  await expect.poll(() => frets(page)).toBe(before)
  // The top voice down to another of its tones: a melody is wished.
  const top = await page.getByTestId('tune').locator('path[data-top]').first().boundingBox()
  const column = await chords(page).first().locator('rect').first().boundingBox()
  if (!top || !column) throw new Error('no thread')
  const y = top.y + top.height / 2 - column.y
  await drag(page, 0, { x: 40, y }, { x: 40, y: y + 36 })
  await page.mouse.up()
  await expect(page).toHaveURL(/top=1:\d+/)
})

test('a part is played by itself, round after round quicker; the tune is seen in systems and as a table', async ({
  page,
  request,
}) => {
  await open(page, '?chart=4/4+=200%0A[A]+|+Dm7+|+G7+|%0A[B]+|+Cmaj7+|+A7+|&strings=5432&frets=1-12')
  await choose(page, 'Part', 'B, bars 3 to 4')
  await expect(page).toHaveURL(/part=3-4/)
  await choose(page, 'Each round', '+10 a round')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(chords(page).nth(2)).toHaveAttribute('data-sounds', 'true')
  await expect(chords(page).nth(3)).toHaveAttribute('data-sounds', 'true')
  await expect(page.getByLabel('Tempo, beats per minute')).toHaveValue('210')
  await expect(chords(page).nth(2)).toHaveAttribute('data-sounds', 'true')
  await page.getByRole('button', { name: /^Stop/ }).click()
  // The file holds what is played: two bars, not four.
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Sound file' }).click()
  const { samples, sampleRate } = readWav(await (await download).path())
  const tempo = Number(await page.getByLabel('Tempo, beats per minute').inputValue())
  expect(samples.length / sampleRate).toBeCloseTo((8 * 60) / tempo + 2.5, 1)
  await page.locator('body').press('v')
  await expect(page.getByRole('group', { name: 'Bars 1 to 4' })).toBeVisible()
  await expect(chords(page)).toHaveCount(4)
  await chords(page).nth(1).click()
  await expect(page.getByTestId('chosen-name')).toContainText('G7')
  await page.locator('body').press('v')
  await expect(page.getByTestId('written-tune')).toHaveAttribute('data-bars', '4')
  await page.locator('body').press('v')
  const table = page.getByRole('table', { name: /Every chord of the tune/ })
  await expect(table.getByRole('row')).toHaveCount(5)
  await table.getByRole('button', { name: 'Cmaj7' }).click()
  await expect(page.getByTestId('chosen-name')).toContainText('Cmaj7')
  await page.locator('body').press('v')
  const width = async () => (await page.getByTestId('tune').boundingBox())?.width ?? 0
  const usual = await width()
  await page.getByRole('button', { name: 'Time wider' }).click()
  await expect.poll(width).toBeGreaterThan(usual * 1.2)
  await page.getByTestId('tune').hover()
  await page.keyboard.down('Control')
  await page.mouse.wheel(0, 100)
  await page.keyboard.up('Control')
  await expect.poll(width).toBe(usual)
  await request.patch('/api/settings', { data: { tempo: 80 } })
})

test('a path goes to Arpeggio chord by chord, each line under the hand of its shape, and back', async ({ page }) => {
  await open(page, TWO_FIVE)
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Arpeggio' }).click()
  const tune = page.getByRole('navigation', { name: 'Chords of the tune' })
  await expect(tune.getByRole('button', { name: 'Dm7' })).toHaveAttribute('aria-current', 'true')
  await page.locator('body').press('.')
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('G7')
  await expect(page).toHaveURL(/shape=x5546x/)
  await tune.getByRole('button', { name: 'Cmaj7' }).first().click()
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Cmaj7')
  await tune.getByRole('button', { name: 'The chord before it in the tune' }).click()
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('G7')
  await tune.getByRole('link', { name: 'the tune' }).click()
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
})

test('on a phone this chord and the next one fill the width', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await open(page, TWO_FIVE)
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  const widths = await chords(page).evaluateAll((all) =>
    all.map((one) => one.querySelector('rect')?.getBoundingClientRect().width ?? 0),
  )
  const room = await page.getByTestId('tune-scroller').evaluate((box) => box.clientWidth)
  for (const width of widths) expect(Math.abs(width + 2 - room / 2)).toBeLessThan(2)
  await page.locator('body').press('ArrowRight')
  await expect.poll(() => page.getByTestId('tune-scroller').evaluate((box) => box.scrollLeft)).toBeGreaterThan(room / 3)
})

test('the tray becomes a path by one act, its shapes held; a top tone is kept as melody', async ({ page }) => {
  await open(page, TWO_FIVE)
  await page.locator('body').press('Shift+T')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(4)
  await page.getByRole('link', { name: 'To Path' }).click()
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect.poll(() => frets(page)).toBe('x5756x x5546x x3545x x3545x')
  await expect(page.locator('[data-testid=tune-chord][data-held]')).toHaveCount(4)
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  await page.locator('body').press('m')
  await expect(page).toHaveURL(/top=1:65/)
  await page.locator('body').press('h')
  await expect(chords(page).first()).not.toHaveAttribute('data-held', 'true')
  // F4 on top: string 2 at fret 6.
  await expect.poll(async () => (await frets(page)).split(' ')[0]).toMatch(/6x$|-6-x$/)
})
