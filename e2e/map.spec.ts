import { typeOver } from './support/hands.ts'
import { choose, menuItem, word } from './support/sentence.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

const JSON_TYPE = { 'content-type': 'application/json' }
const open = async (page: Page, query = '') => {
  await page.goto(`/map${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await settled(page)
}
const sheet = (page: Page) => page.getByRole('region', { name: 'Sheet' })
const settled = (page: Page) => expect(sheet(page)).toHaveAttribute('aria-busy', 'false')
const place = (page: Page, frets: string) => page.locator(`[data-testid=map-cell][data-frets="${frets}"]`)
/** Where a player points: at the lowest tone of a place. */
async function tone(page: Page, frets: string) {
  await place(page, frets).scrollIntoViewIfNeeded()
  return place(page, frets)
    .locator('path')
    .first()
    .evaluate((thread) => {
      const { x, y } = (thread as SVGPathElement).getPointAtLength(0)
      const point = new DOMPoint(x, y).matrixTransform((thread as SVGPathElement).getScreenCTM() ?? undefined)
      return { x: point.x, y: point.y }
    })
}
async function press(page: Page, frets: string) {
  const { x, y } = await tone(page, frets)
  await page.mouse.click(x, y)
}
const inHand = (page: Page) => page.locator('[data-testid=map-cell][aria-pressed=true]')
const lane = (page: Page, strings: string) => page.getByRole('group', { name: `Strings ${strings}`, exact: true })
const held = (page: Page, strings: string) =>
  lane(page, strings)
    .locator('[data-hold=held]')
    .evaluateAll((all) => all.map((one) => one.getAttribute('data-frets')))
const inTray = (page: Page) => page.getByRole('list', { name: 'Shapes in the tray' })

test('the twelve places of a major triad in close position, their change to minor and back', async ({ page }) => {
  await open(page, '?chord=C&arrangement=close')
  // With root, third and fifth in the bass, from the nut up; by pencil.
  expect(await held(page, '3 2 1')).toEqual(['xxx553', 'xxx988', 'x-x-x-12-13-12'])
  expect(await held(page, '4 3 2')).toEqual(['xx555x', 'x-x-10-9-8-x', 'x-x-14-12-13-x'])
  await page.getByRole('button', { name: 'Cm', exact: true }).click()
  await expect(place(page, 'xxx543')).toHaveAttribute(
    'aria-label',
    /^C minor, xxx543: .*string 2 fret 4 the minor third, from the third 1 fret down/,
  )
  expect(await held(page, '3 2 1')).toEqual(['xxx543', 'xxx888', 'x-x-x-12-13-11'])
  expect(await held(page, '4 3 2')).toEqual(['xx554x', 'x-x-10-8-8-x', 'x-x-13-12-13-x'])
  await expect(page).toHaveURL(/morph=m/)
  await page.reload()
  await expect(place(page, 'xxx543')).toBeVisible()
  await page.getByRole('button', { name: 'C', exact: true }).click()
  await expect(place(page, 'xxx553')).toBeVisible()
  expect(await held(page, '3 2 1')).toEqual(['xxx553', 'xxx988', 'x-x-x-12-13-12'])
})

test('a place that is missing from a lane says why, beside its strings', async ({ page }) => {
  await open(page, '?chord=Gmaj7&arrangement=drop-2')
  await expect(lane(page, '5 4 3 2')).toContainText('3: open strings only')
  await expect(lane(page, '5 4 3 2')).toHaveAttribute('aria-description', 'third: only with open strings')
  await choose(page, 'More', 'open strings too')
  await expect(lane(page, '5 4 3 2')).not.toContainText('open strings only')
  await expect(place(page, 'x2403x')).toBeVisible()
})

test('a ninth joins: every place of the larger chord, what it was, and what it is known as', async ({ page }) => {
  await open(page, '?chord=Gmaj7&arrangement=drop-2')
  await page.getByRole('button', { name: 'With the ninth' }).click()
  // No plain Gmaj7 lies there: its root would be an open string.
  await expect(place(page, 'x2423x')).toBeVisible()
  await expect(word(page, 'What it becomes')).toHaveText('Gmaj9')
  await press(page, 'x2423x')
  const here = page.getByRole('region', { name: 'This place' })
  await expect(here).toContainText('Gmaj9')
  await expect(here).toContainText('Bm7 until a bass plays G')
  // All of them are known as one chord.
  const known = await page
    .getByTestId('map-cell')
    .evaluateAll((all) => all.map((one) => /is (.+)$/.exec(one.ariaLabel ?? '')?.[1]))
  expect(new Set(known)).toEqual(new Set(['B minor seven']))
  await choose(page, 'How the tone joins', 'the fifth giving way')
  await settled(page)
  await expect(place(page, 'x2423x')).toHaveCount(0)
  await expect(page).toHaveURL(/way=fifth-gives-way/)
  await choose(page, 'What it becomes', 'Gmaj13')
  await expect(page).toHaveURL(/add=13/)
})

test('a new chord ends the change, typed with what joins it begins another; Back undoes it', async ({ page }) => {
  await page.clock.install()
  await open(page, '?chord=Bb&arrangement=close&morph=sus4')
  const chord = page.getByRole('textbox', { name: 'Chord' })
  await expect(word(page, 'What it becomes')).toHaveText('B♭sus4')
  await typeOver(chord, 'Bbdim')
  await expect(page.getByTestId('map-symbol')).toHaveText('B♭dim')
  await expect(word(page, 'What it becomes')).toHaveCount(0)
  await expect(page.getByTestId('place-name')).toContainText('B♭dim')
  await page.clock.fastForward(1500)
  await typeOver(chord, 'Ebmaj7 drop2 +9')
  await expect(word(page, 'What it becomes')).toHaveText('E♭maj9')
  await expect(page).toHaveURL(/add=9/)
  await page.clock.fastForward(1500)
  await chord.press('Enter')
  await page.getByRole('button', { name: 'E♭7', exact: true }).click()
  await expect(page).toHaveURL(/morph=7/)
  await page.goBack()
  await expect(page).toHaveURL(/add=9/)
  await expect(word(page, 'What it becomes')).toHaveText('E♭maj9')
  await expect(page.getByTestId('place-name')).toContainText('E♭maj9')
  await typeOver(chord, 'C9 +9')
  await expect(page.getByTestId('line-wrong')).toContainText('9 can’t join this chord; expected')
  await chord.press('Enter')
  await expect(word(page, 'What it becomes')).toHaveText('E♭maj9')
})

test('all places of a seventh chord are in sight without scrolling; it opens on what a player takes first', async ({
  page,
}) => {
  await open(page, '?chord=Ebmaj7&arrangement=drop-2&add=9&way=root-moves')
  await expect(page.getByTestId('map-count')).toHaveText(/^18 places, \d+ beyond$/)
  const { scrolls, under } = await sheet(page).evaluate((main) => ({
    scrolls: main.scrollHeight - main.clientHeight,
    under: [...main.querySelectorAll('[data-testid=map-cell]')].filter(
      (one) => one.getBoundingClientRect().bottom > main.getBoundingClientRect().bottom,
    ).length,
  }))
  expect(scrolls).toBeLessThanOrEqual(0)
  expect(under).toBe(0)
  await expect(inHand(page)).toHaveAttribute('data-frets', 'x8878x')
  await expect(page.getByTestId('place-frets')).toHaveText('x8878x')
})

test('what is missing says why, truly; sets with nothing fold into a line, and counts follow the words', async ({
  page,
}) => {
  await open(page, '?chord=Ebmaj7&arrangement=drop-2')
  const beyond = page.locator('[data-hold=beyond]').first()
  await expect(sheet(page)).toContainText(/\d{3} mm, beyond/)
  await expect(beyond).toHaveAttribute('aria-label', /beyond reach$/)
  await press(page, (await beyond.getAttribute('data-frets')) ?? '')
  await expect(page.getByTestId('place-reach')).toContainText('beyond reach')
  const before = await page.getByTestId('map-count').textContent()
  await choose(page, 'String sets', 'neighbouring strings')
  await expect(page.getByTestId('map-lane')).toHaveCount(3)
  await expect(page.getByTestId('map-count')).not.toHaveText(before ?? '')
  await expect(page).toHaveURL(/sets=neighbouring/)
  await choose(page, 'String sets', 'all string sets')
  await choose(page, 'Frets', 'frets 1 to 5')
  await expect(page.getByTestId('map-folded')).toContainText('not in these frets')
  await choose(page, 'Frets', 'frets 1 to 15')
  await typeOver(page.getByRole('textbox', { name: 'Chord' }), 'C7x9')
  await expect(page.getByText('x9 is not a tension; expected b9, 9 or #9')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('map-symbol')).toHaveText('E♭maj7')
})

test('a place by the mouse: magnified, on every root, to the next one, into tray, Build and a row of roots', async ({
  page,
}) => {
  const started = await watchSounds(page)
  await open(page, '?chord=C&arrangement=close&place=xxx553')
  await press(page, 'xx555x')
  await expect(page).toHaveURL(/place=xx555x/)
  const here = page.getByRole('region', { name: 'This place' })
  await expect(here.getByTestId('landmarks')).toContainText('string 6 fret 8 · string 5 fret 3 · string 4 fret 10')
  await expect(here.getByTestId('landmarks')).toContainText('A’s open form, 3 frets up')
  // Pressed again it is heard.
  await press(page, 'xx555x')
  await expect.poll(async () => (await started()).length).toBe(3)
  const roots = page.getByRole('region', { name: 'On every root' })
  await expect(roots.getByTestId('root-place')).toHaveCount(12)
  await roots.getByRole('button', { name: 'F, x-x-10-10-10-x' }).click()
  await expect(roots.getByTestId('root-frets')).toHaveText('x-x-10-10-10-x')
  await expect(roots.getByRole('link', { name: 'build it' })).toHaveAttribute('href', /shape=x-x-10-10-10-x/)
  await roots.getByRole('button', { name: 'fourths' }).click()
  await expect(inTray(page).getByRole('listitem')).toHaveCount(12)
  await expect(inTray(page).getByRole('listitem').nth(1)).toContainText('B♭')
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  const next = page.getByRole('region', { name: 'To the next one up' })
  await expect(next.getByRole('img')).toHaveAttribute('aria-label', /string 4: the fifth goes 5 frets up to the root/)
  await next.getByRole('button', { name: 'x-x-10-9-8-x' }).click()
  await expect(inHand(page)).toHaveAttribute('data-frets', 'x-x-10-9-8-x')
  // The lane goes into the tray up the neck.
  await page.getByRole('button', { name: 'More for the tray' }).click()
  await menuItem(page, /whole lane/).click()
  await expect(inTray(page).getByRole('listitem')).toHaveCount(3)
  await expect(inTray(page).getByRole('listitem').first()).toContainText('xx555x')
  await page.getByRole('button', { name: 'Empty the tray' }).click()
  const at = await tone(page, 'x755xx')
  await page.mouse.dblclick(at.x, at.y)
  await page.waitForURL(/shape=x755xx/)
  await expect(page.getByTestId('shape-text')).toContainText('x755xx')
})

test('a place by the keyboard: along the lane, across lanes, heard before and after, collected, undone, built', async ({
  page,
}) => {
  const started = await watchSounds(page)
  await open(page, '?chord=Ebmaj7&arrangement=drop-2&add=9&way=root-moves&fretMin=4')
  await page.keyboard.press('/')
  await page.keyboard.type('F#maj7 drop2 +9')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('map-symbol')).toHaveText('F♯maj7')
  await settled(page)
  await inHand(page).focus()
  const first = await inHand(page).getAttribute('data-frets')
  await page.keyboard.press('ArrowRight')
  await expect(inHand(page)).not.toHaveAttribute('data-frets', first ?? '')
  await expect(inHand(page)).toBeFocused()
  await page.keyboard.press('ArrowDown')
  const below = await inHand(page).getAttribute('data-frets')
  const strings = (frets: string | null) => frets?.replaceAll(/\d/g, 'o')
  expect(strings(below)).not.toBe(strings(first))
  await expect(page.locator('p[aria-live=polite]')).toContainText(below ?? '')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(inHand(page)).toHaveAttribute('data-frets', first ?? '')
  await page.keyboard.press('a')
  await expect.poll(async () => (await started()).length).toBe(8)
  await page.keyboard.press('t')
  await expect(inTray(page)).toContainText('F♯maj9')
  await page.getByRole('button', { name: 'Empty the tray' }).press('Enter')
  // The page is left next: the server must have it before.
  await expect.poll(async () => (await (await page.request.get('/api/tray')).json()).steps.length).toBe(0)
  await inHand(page).focus()
  await page.keyboard.press('Enter')
  await page.waitForURL(/\?chord=F%23maj9/)
})

test('other tunings and seven strings have their own lanes, by mouse and by keyboard', async ({ page }) => {
  for (const [query, strings] of [
    ['?chord=D&arrangement=close&tuning=D2,A2,D3,G3,A3,D4', '6 5 4'],
    ['?chord=G&arrangement=spread&tuning=D2,G2,D3,G3,B3,D4&open=allow', '5 4 3'],
    ['?chord=C13%2311&tuning=B1,E2,A2,D3,G3,B3,E4', '7 6 5 4'],
  ] as const) {
    await open(page, query)
    const [one] = await held(page, strings)
    await place(page, one ?? '').focus()
    await page.keyboard.press('Space')
    await expect(inHand(page)).toHaveAttribute('data-frets', one ?? '')
    await expect(page.getByTestId('place-frets')).toHaveText(one ?? '')
    const last = page.locator('[data-testid=map-cell][data-hold=held]').last()
    const frets = (await last.getAttribute('data-frets')) ?? ''
    await press(page, frets)
    await expect(page).toHaveURL(new RegExp(`place=${frets}`))
    await expect(inHand(page)).toHaveAttribute('data-frets', frets)
  }
})

test('a left-handed player sees the nut at the right; the lowest string may lie on top', async ({ page }) => {
  const data = {
    name: 'Left of the map',
    tuningName: 'standard',
    tuning: 'E2,A2,D3,G3,B3,E4',
    capo: null,
    frets: 20,
    scaleLengthMm: 648,
    spacingNutMm: 7.2,
    spacingBridgeMm: 10.5,
    lastReachableFret: 17,
    handed: 'left',
    pluck: 'fingers',
  }
  const { id } = await (await page.request.post('/api/instruments', { data })).json()
  await page.request.patch('/api/settings', { data: { lowOnTop: true, instrumentId: id } })
  try {
    await open(page, '?chord=C&arrangement=close')
    const box = async (frets: string) => (await place(page, frets).boundingBox()) ?? { x: 0, y: 0 }
    expect((await box('xx555x')).x).toBeGreaterThan((await box('x-x-10-9-8-x')).x)
    await press(page, 'xx555x')
    await expect(inHand(page)).toHaveAttribute('data-frets', 'xx555x')
  } finally {
    await page.request.delete(`/api/instruments/${id}`, { headers: JSON_TYPE })
    await page.request.patch('/api/settings', { data: { lowOnTop: false } })
  }
})

test('printed: the lanes alone, with chord, instrument and date, on one page', async ({ page }) => {
  await open(page, '?chord=Ebmaj7&arrangement=drop-2&add=9&way=root-moves')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByTestId('map-lane').first()).toBeVisible()
  await expect(page.getByText(/E♭maj7.*\+9.* · Archtop, E A D G B E · .* 20\d\d/)).toBeVisible()
  for (const gone of [
    page.getByRole('group', { name: 'Acts' }),
    page.getByRole('region', { name: 'This place' }),
    page.getByRole('region', { name: 'Tray' }),
  ])
    await expect(gone).toBeHidden()
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length).toBe(1)
  }
})
