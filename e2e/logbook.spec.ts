/** Cards by keyboard alone, and the logbook: its charts by their tables, entries corrected, the file. */

import { settings } from './support/arpeggio.ts'
import { choose, menuItem } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const usual = { restOn: '', restDays: [], cardsADay: 30, newCardsADay: 8 }
test.afterEach(({ request }) => settings(request, usual))

async function openCards(page: Page) {
  await page.goto('/cards')
  await expect(page.getByTestId('cards-left')).toHaveText(/\d+ cards?/)
  await expect(page.getByTestId('card-question')).toBeVisible()
  // A typed answer takes the focus as soon as its question is there: what leaves the field is pressed after that.
  const field = page.getByRole('textbox', { name: 'Answer' })
  if (await field.isVisible()) await expect(field).toBeFocused()
}
const left = async (page: Page) => Number((await page.getByTestId('cards-left').textContent())?.split(' ')[0])

test.describe('cards', () => {
  test('a day’s cards are answered, told, graded and kept by the keyboard alone', async ({ page }) => {
    test.slow()
    await openCards(page)
    const all = await left(page)
    expect(all).toBeGreaterThan(3)
    for (let card = 0; card < Math.min(all, 12); card++) {
      const before = await left(page)
      await expect(page.getByTestId('card-question')).toBeVisible()
      // A typed answer has the focus already: anything that can be read; choices are taken by their digits.
      const field = page.getByRole('textbox', { name: 'Answer' })
      if (await field.isVisible()) {
        await expect(field).toBeFocused()
        const example = await page.locator('form code').textContent()
        await page.keyboard.type(example ?? '')
        await page.keyboard.press('Enter')
      } else {
        await page.keyboard.press('1')
        if (!(await page.getByTestId('card-verdict').isVisible())) await page.keyboard.press('Enter')
      }
      await expect(page.getByTestId('card-verdict')).toBeVisible()
      await page.keyboard.press('3')
      await page.keyboard.press('Enter')
      await expect.poll(() => left(page)).toBeLessThan(before === 1 ? 99 : before)
    }
    const day = await page.evaluate(() => new Date().toLocaleDateString('sv'))
    const { entries } = await (await page.request.get(`/api/log?from=${day}&to=${day}`)).json()
    expect(entries.filter((entry: { kind: string }) => entry.kind === 'card').length).toBeGreaterThanOrEqual(
      Math.min(all, 12),
    )
  })

  test('looked up is lost, and what would have been right is shown', async ({ page }) => {
    await openCards(page)
    await page.keyboard.press('Escape')
    await page.keyboard.press('s')
    await expect(page.getByTestId('card-verdict')).toContainText('Looked up')
    await expect(page.getByTestId('card-verdict')).toContainText('kept as lost')
  })

  test('a shape may be played instead of typed: the ear judges it, and its word is kept', async ({ page }) => {
    test.slow()
    await openCards(page)
    const question = page.getByTestId('card-question')
    for (let card = 0; card < 30 && !(await question.textContent())?.startsWith('Play this shape'); card++) {
      await page.keyboard.press('Escape')
      await page.keyboard.press('s')
      await page.keyboard.press('Enter')
      await expect(page.getByTestId('card-verdict')).toHaveCount(0)
    }
    await choose(page, 'Listen to', 'a simulated player who plays it right')
    await page.getByRole('button', { name: 'answer by playing' }).click()
    await expect(page.getByTestId('card-verdict')).toContainText('the ear heard every string')
    await expect(page.getByTestId('card-verdict')).toContainText('kept as had it')
    await page.keyboard.press('Enter')
    const day = await page.evaluate(() => new Date().toLocaleDateString('sv'))
    await expect
      .poll(async () => (await (await page.request.get(`/api/log?from=${day}&to=${day}`)).json()).entries[0])
      .toMatchObject({ kind: 'card', judge: 'ear', grade: 'had', faults: '' })
  })

  test('on a day of rest nothing is due', async ({ page }) => {
    await openCards(page)
    await choose(page, 'Days of rest', 'rest today')
    await expect(page.getByTestId('cards-rest')).toBeVisible()
    await choose(page, 'Days of rest', 'today after all')
    await expect(page.getByTestId('card-question')).toBeVisible()
  })

  test('a run becomes cards in one act, once', async ({ page }) => {
    await page.goto('/practice?material=13&place=5')
    await expect(page.locator('[data-alive]')).toBeVisible()
    await page.keyboard.press('m')
    await expect(page.getByText(/\d+ cards made/)).toBeVisible()
    await page.keyboard.press('m')
    await expect(page.getByText(/are there already/)).toBeVisible()
  })
})

test.describe('the logbook', () => {
  test('six weeks of the demo: rest days, minutes and tempo, read from the tables', async ({ page }) => {
    await page.goto('/logbook?period=42')
    await expect(page.locator('[data-alive]')).toBeVisible()
    await page.keyboard.press('v')
    const days = page.getByTestId('days-table').locator('tbody tr')
    await expect(days).toHaveCount(42)
    const rest = await days.filter({ hasText: 'rest' }).count()
    expect(rest).toBeGreaterThan(5)
    expect(rest).toBeLessThan(25)
    const tempi = await page.getByTestId('tempo-table').locator('tbody tr td:nth-child(2)').allTextContents()
    const numbers = tempi.map(Number).filter((tempo) => tempo > 0)
    expect(numbers.length).toBeGreaterThan(3)
    // Weeks make it quicker.
    expect(numbers.at(-1) ?? 0).toBeGreaterThan(numbers[0] ?? 0)
  })

  test('keys walk the grid, and the egg in hand says what it is', async ({ page }) => {
    await page.goto('/logbook?row=m7+x0201x&root=8')
    const chosen = page.locator('td button[aria-current=true]')
    await expect(chosen).toHaveAttribute('aria-label', /^A♭m7 on string 5/)
    await page.keyboard.press('ArrowRight')
    await expect(chosen).toHaveAttribute('aria-label', /^D♭m7 on string 5/)
    await page.keyboard.press('ArrowLeft')
    await page.keyboard.press('r')
    await expect(page).toHaveURL(/practice\?material=m7/)
    await expect(page.getByTestId('run-chord')).toHaveText('A♭m7')
  })

  test('an entry is corrected, taken out, and both are taken back', async ({ page }) => {
    await page.goto('/logbook?row=m7+x0201x&root=8')
    const entries = page.getByRole('list', { name: 'Its history' }).getByRole('listitem')
    await expect(entries.first()).toBeVisible()
    const before = await entries.allTextContents()
    const other = before[0]?.includes('easy') ? 'lost' : 'easy'
    await entries.first().getByRole('button').click()
    await menuItem(page, other, true).click()
    await expect(entries.first()).toContainText(other)
    await page.keyboard.press('Control+z')
    await expect(entries.first()).not.toContainText(other)
    await entries.first().getByRole('button').click()
    await menuItem(page, 'remove it').click()
    await expect(entries).toHaveCount(before.length - 1)
    await page.getByRole('group', { name: 'Acts' }).locator('../..').getByRole('button', { name: 'Undo' }).click()
    await expect(entries).toHaveCount(before.length)
  })

  test('it is saved as CSV, and asked over HTTP', async ({ page, request }) => {
    await page.goto('/logbook')
    await expect(page.getByRole('link', { name: 'Save as CSV' })).toBeVisible()
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Save as CSV' }).click(),
    ])
    expect(file.suggestedFilename()).toBe('nestling-log.csv')
    const csv = await (await request.get('/api/log?from=2000-01-01&format=csv')).text()
    expect(csv.split('\r\n')[0]).toBe(
      'at,day,kind,material,root,suffix,string,frets,tempo,grade,judge,shown,seconds,faults,instrument,card',
    )
    const json = await (await request.get('/api/log')).json()
    expect(json.entries).toHaveLength(json.count)
    expect(csv.trim().split('\r\n')).toHaveLength(json.count + 1)
  })

  test('a time in which nothing was played leads to a first run', async ({ page }) => {
    await page.goto('/logbook?days=2001-01-01_2001-01-02')
    await expect(page.getByText(/Nothing was played in this time/)).toBeVisible()
    await page.getByRole('link', { name: 'Start it' }).click()
    await expect(page.getByTestId('run-chord')).toBeVisible()
  })
})
