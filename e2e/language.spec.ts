/** One language in every view, typed key by key; what a view does not read leads to the one that does. */
import { typeKeys } from './support/hands.ts'
import { emptyTray } from './support/kept.ts'
import { settled } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

const sentence = (page: Page, name: string) => page.getByRole('region', { name, exact: true }).locator('p').first()
const wrong = (page: Page) => page.getByTestId('line-wrong')

async function typed(page: Page, text: string) {
  await page.keyboard.press('/')
  await typeKeys(page, text)
  await page.keyboard.press('Enter')
  await settled(page)
}

async function says(page: Page, region: string, lines: readonly (readonly [string, RegExp])[]) {
  for (const [line, told] of lines) {
    await typed(page, line)
    await expect(sentence(page, region), line).toHaveText(told)
    await expect(wrong(page), line).toHaveCount(0)
  }
}

test('Build reads triads, shells, the nut, orders that double, and names for frets', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await says(page, 'Build line', [
    ['A triads', /^A ?R 3 5/],
    ['C R 5 R 3 on 5432', /^C.*as R 5 R 3 on strings 5 4 3 2/],
    ['C7 shells on 6 4 3', /^C7.*as shell on strings 6 4 3/],
    ['Dm7 nut', /^Dm7.*with open strings/],
    ['Gdim=xx532x', /^Gdim/],
  ])
  await expect(page.getByTestId('shape-text')).toHaveText('xx532x')
})

test('frets for five of six strings are a proposal to press', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await typed(page, '5 x 5 5 4')
  await expect(wrong(page)).toContainText('5x554x or x5x554')
  await wrong(page).getByRole('button', { name: '5x554x' }).click()
  await expect(page.getByTestId('shape-text')).toHaveText('5x554x')
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Am7♭5')
})

test('several shapes on a line are looked at, and Enter takes them to the tray; what is in hand stays', async ({
  page,
  request,
}) => {
  await emptyTray(request)
  await page.goto('/')
  await settled(page)
  await page.keyboard.press('/')
  await typeKeys(page, 'x32010 Dm=xx0231 320003')
  await expect(page.getByTestId('written-shape')).toHaveText([/C x32010/, /Dm xx0231/, /G 320003/])
  await expect(page.getByTestId('shape-text')).toHaveText('x6878x')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(3)
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('E♭maj7')
})

test('completions tell how many shapes each would give', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await page.keyboard.press('/')
  await typeKeys(page, 'Cmaj7 drop')
  const options = page.getByRole('listbox', { name: 'Completions' }).getByRole('option')
  await expect(options.first()).toHaveText(/^Cmaj7 drop 2\s*\d+$/)
  await expect(options).toHaveCount(4)
})

test('every other view offers how its line may go on, and the choice is taken with the arrows', async ({ page }) => {
  for (const [path, text, line, region, told] of [
    ['/key', 'Bb tri', 'B♭ triads', 'The key', /^B♭ major in triads/],
    ['/map', 'Cmaj7 drop ', 'Cmaj7 drop 2', 'What is mapped', /^Cmaj7.*drop 2/],
    ['/arpeggio', 'Edim7 on str', 'Edim7 on string 6', 'The line', /^Edim7/],
    ['/practice', 'm7 on 5 an', 'm7 on 5 and 6', 'The run', /^Minor sevenths.*5.*6/],
  ] as const) {
    await page.goto(path)
    await settled(page)
    await page.keyboard.press('/')
    await typeKeys(page, text.slice(0, -1))
    const options = page.getByRole('listbox', { name: 'Completions' }).getByRole('option')
    await expect(options.first(), path).toHaveText(line)
    await typeKeys(page, text.slice(-1))
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(options).toHaveCount(0)
    await settled(page)
    await expect(sentence(page, region), path).toHaveText(told)
    await expect(wrong(page), path).toHaveCount(0)
    // The line is done: the next key is the page's.
    await page.keyboard.press('/')
    await expect(page.getByRole('textbox', { name: /^(Key|Chord|A run)/ })).toBeFocused()
  }
})

test('how a shape is held is not lost silently in Arpeggio: Build is offered with the line as it stands', async ({
  page,
}) => {
  await page.goto('/arpeggio')
  await settled(page)
  await typed(page, 'Cmaj7 drop2 5432')
  await expect(wrong(page)).toContainText('how a shape is held is asked in Build')
  await wrong(page).getByRole('link', { name: 'read it in Build' }).click()
  await settled(page)
  await expect(page.getByTestId('shape-text')).toHaveText('x3545x')
})

test('Key reads sets, shells, rootless, doubled triads, a place and a progression', async ({ page }) => {
  await page.goto('/key')
  await settled(page)
  await says(page, 'The key', [
    ['D triads 321', /^D major in triads.*5 R 3 on 3 2 1/],
    ['D triads 3 2 1', /5 R 3 on 3 2 1/],
    ['C triads 5432', /^C major in triads.*R 5 R 3 on 5 4 3 2/],
    ['E sevenths 643', /^E major in sevenths.*R 7 3 on 6 4 3/],
    ['Bb shells', /^B♭ major.*R 7 3 on 6 4 3 and R 3 7 on 5 4 3/],
    ['ninths rootless 4321', /3 7 9 5 on 4 3 2 1/],
    ['G triads R:5 5:4 3:2 ring 31', /R on 5, 5 on 4, 3 on 2, 3 and 1 ringing/],
    ['C sevenths 6 5 nut', /roots on strings 6 and 5.*from the nut/],
  ])
  await typed(page, 'D major 1 4 5')
  await expect(page.getByRole('list', { name: 'What is written' }).getByRole('listitem')).toHaveCount(3)
  await expect(sentence(page, 'The key')).toHaveText(/^D major.*roots on strings 6 and 5/)
  // The same numbers in another key.
  await typed(page, 'Bb')
  await expect(sentence(page, 'The key')).toHaveText(/^B♭ major/)
  await expect(page.getByRole('list', { name: 'What is written' }).getByRole('listitem')).toHaveText([
    /^I\s*B♭maj7/,
    /^IV\s*E♭maj7/,
    /^V\s*F7/,
  ])
})

test('Practice reads a set, own shapes by name and a place; Arpeggio the string of the root; Map triads', async ({
  page,
}) => {
  await page.goto('/practice')
  await settled(page)
  await says(page, 'The run', [
    ['maj7 on 4321', /^Major sevenths as R 5 7 3 on 4 3 2 1/],
    ['m7 drop3 6432 from fret 5', /as R 7 3 5 on 6 4 3 2 from fret 5/],
    ['7 shells nut', /as R 7 3 on 6 4 3 or R 3 7 on 5 4 3 from the nut/],
    ['Gdim=xx532x', /^Gdim xx532x/],
  ])
  await page.goto('/arpeggio')
  await settled(page)
  await typed(page, 'Edim7 on string 6')
  await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Edim7')
  await expect(page.getByText('under one hand at fret 12')).toBeVisible()
  await page.goto('/map')
  await settled(page)
  await typed(page, 'A triads')
  await expect(page.getByTestId('place-name')).toContainText('A')
  await expect(wrong(page)).toHaveCount(0)
})

test('a line of the tune’s text may say how it is played', async ({ page }) => {
  await page.goto('/path')
  await settled(page)
  await page.keyboard.press('/')
  await page.keyboard.press('Control+a')
  await typeKeys(page, 'shells 643 or 543')
  await page.keyboard.press('Enter')
  await typeKeys(page, '| Dm7 | G7 | Cmaj7 | % |')
  await page.keyboard.press('Control+Enter')
  await settled(page)
  await expect(sentence(page, 'The tune')).toHaveText(/on 6 4 3 or 5 4 3.*as shells/)
  await expect(wrong(page)).toHaveCount(0)
})

test('what a view does not read leads to the view that does, typed there as it stands', async ({ page }) => {
  await page.goto('/')
  await settled(page)
  await typed(page, 'D major 2 5 1')
  await wrong(page).getByRole('link', { name: 'read it in Key' }).click()
  await page.waitForURL(/\/key/)
  await settled(page)
  await expect(page.getByRole('list', { name: 'What is written' }).getByRole('listitem')).toHaveCount(3)
  await typed(page, 'Cmaj7 drop2 5432')
  await wrong(page).getByRole('link', { name: 'read it in Build' }).click()
  await page.waitForURL(/\/\?/)
  await settled(page)
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Cmaj7')
  await typed(page, 'm7 on 5 and 6 fourths from E 80')
  await wrong(page).getByRole('link', { name: 'read it in Practice' }).click()
  await page.waitForURL(/\/practice/)
  await settled(page)
  await expect(sentence(page, 'The run')).toHaveText(/^Minor sevenths on strings 5 and 6 in turn/)
})

test('/ in Path goes to the bar in hand, and what is typed stands there', async ({ page }) => {
  await page.goto(`/path?${new URLSearchParams({ chart: '| Dm7 | G7 | Cmaj7 | A7 |' })}`)
  await settled(page)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('/')
  await typeKeys(page, ' Db7')
  await page.keyboard.press('Escape')
  await settled(page)
  await expect(page.locator('#path-chart')).toHaveValue(/G7 Db7 \|/)
})

test('the tune that Path opens with gives way to what is typed', async ({ page }) => {
  await page.goto('/path')
  await settled(page)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('/')
  await typeKeys(page, '| Am7 | D7 | Gmaj7 | % |')
  await page.keyboard.press('Escape')
  await settled(page)
  await expect(page.locator('#path-chart')).toHaveValue('| Am7 | D7 | Gmaj7 | % |')
  await expect(page.getByTestId('tune-chord')).toHaveCount(4)
  await page.keyboard.press('Control+z')
  await expect(page.locator('#path-chart')).toHaveValue(/Slow Ferry/)
})
