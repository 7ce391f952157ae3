/** Sheets: composed, seen as printed, kept; their files looked into with readers of their own. */

import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { typeOver } from './support/hands.ts'
import { menuItem } from './support/sentence.ts'
import { settled } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

const folder = mkdtempSync(join(tmpdir(), 'nestling-sheets-'))
test.afterAll(() => rmSync(folder, { recursive: true, force: true }))

const pages = (page: Page) => page.getByTestId('sheet-page')
const blocks = (page: Page) => page.getByRole('region', { name: 'Blocks' }).getByTestId('block')
const act = (page: Page, name: string | RegExp) =>
  page.getByRole('group', { name: 'Acts' }).getByRole('button', { name })
const sheets = async (page: Page) =>
  (await (await page.request.get('/api/sheets')).json()).sheets as {
    id: number
    title: string
    blocks: { kind: string }[]
  }[]
const open = async (page: Page, title: string) => {
  const found = (await sheets(page)).find((sheet) => sheet.title === title)
  await page.goto(`/sheet?sheet=${found?.id}`)
  await expect(pages(page).first()).toBeVisible()
  return found?.id ?? 0
}
const saved = async (page: Page, name: string, file: string) => {
  // Each by its own ending: what was saved before may come late.
  const ending = file.slice(file.lastIndexOf('.'))
  const [download] = await Promise.all([
    page.waitForEvent('download', (one) => one.suggestedFilename().endsWith(ending)),
    act(page, new RegExp(`^${name}`)).click(),
  ])
  const path = join(folder, file)
  await download.saveAs(path)
  return { path, name: download.suggestedFilename() }
}
const word = async (page: Page, label: string, choice: string | RegExp) => {
  await page.getByRole('button', { name: new RegExp(`^${label}:`) }).click()
  await menuItem(page, choice).click()
}

test('a PDF has its pages and size, its faces inside, its text to be selected, and no picture for a neck', async ({
  page,
}) => {
  await open(page, 'Slow Ferry')
  const { path, name } = await saved(page, 'PDF', 'ferry.pdf')
  expect(name).toBe('slow-ferry.pdf')
  const told = execFileSync('pdfinfo', [path], { encoding: 'utf8' })
  expect(told).toMatch(/Pages:\s+1\n/)
  // A4 lying: 297 by 210 mm are 841.89 by 595.28 points.
  expect(told).toMatch(/Page size:\s+841\.89 x 595\.276 pts/)
  const fonts = execFileSync('pdffonts', [path], { encoding: 'utf8' }).split('\n').slice(2).filter(Boolean)
  expect(fonts.length).toBeGreaterThan(2)
  // Embedded, and with the characters that the glyphs stand for.
  for (const font of fonts) expect(font).toMatch(/TrueType.* yes +\w+ +yes/)
  expect(execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2)
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
  for (const words of [
    'Slow Ferry',
    'Fm9',
    'B♭m7',
    'E♭13',
    'A♭maj9',
    'The key of A♭ major in sevenths',
    'Gm7♭5',
    'third, dotted',
  ])
    expect(text).toContain(words)
  expect(text).not.toMatch(/\p{Co}/u)
})

test('staves go into a PDF as glyphs, on as many pages as they need; the browser prints the same pages', async ({
  page,
}) => {
  await open(page, 'Slow Ferry')
  await blocks(page).nth(1).getByRole('button', { expanded: false }).click()
  await word(page, 'Under the necks', 'staff and TAB')
  await expect(page.locator('[data-staff]').first()).toBeAttached()
  await expect(pages(page)).toHaveCount(2)
  const { path } = await saved(page, 'PDF', 'staves.pdf')
  expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).toMatch(/Pages:\s+2\n/)
  expect(execFileSync('pdffonts', [path], { encoding: 'utf8' })).toMatch(/Bravura\s+CID TrueType.* yes/)
  expect(execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2)
  const printed = join(folder, 'printed.pdf')
  await page.pdf({ path: printed, preferCSSPageSize: true, printBackground: true })
  const told = execFileSync('pdfinfo', [printed], { encoding: 'utf8' })
  expect(told).toMatch(/Pages:\s+2\n/)
  expect(told).toMatch(/Page size:\s+841\.\d+ x 59\d/)
  const text = execFileSync('pdftotext', [printed, '-'], { encoding: 'utf8' })
  expect(text).toContain('The key of A♭ major')
  expect(text).not.toContain('Tray')
  await page.keyboard.press('Control+z')
  await expect(pages(page)).toHaveCount(1)
})

test('SVG carries its faces, PNG is as large as the paper', async ({ page }) => {
  await open(page, 'Slow Ferry')
  const svg = readFileSync((await saved(page, 'SVG', 'ferry.svg')).path, 'utf8')
  expect(svg).toContain('width="297mm"')
  expect(svg).toContain('font-family:"Nest Serif";src:url(data:font/ttf;base64,')
  expect(svg).not.toMatch(/var\(|http:\/\/127/)
  const png = readFileSync((await saved(page, 'PNG', 'ferry.png')).path)
  // Width and height stand at bytes 16 and 20: 297 by 210 mm at 200 dots an inch.
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([2339, 1654])
  expect(png.length).toBeGreaterThan(30_000)
})

test('a sheet is composed: blocks put in, set, moved by mouse and by keys, taken off; all of it kept and undone', async ({
  page,
}) => {
  // What an earlier try has left.
  for (const { id, title } of await sheets(page))
    if (title === 'Lantern Room, second set')
      await page.request.delete(`/api/sheets/${id}`, { headers: { 'content-type': 'application/json' } })
  await page.goto('/sheet')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await typeOver(page.getByRole('textbox').first(), 'Lantern Room, second set')
  await page.getByRole('button', { name: 'Make it' }).click()
  await expect(pages(page)).toHaveCount(1)
  await expect(blocks(page)).toHaveCount(2)
  const put = page.getByRole('region', { name: 'Blocks' })
  await put.getByRole('button', { name: 'a tune', exact: true }).click()
  await expect(blocks(page)).toHaveCount(3)
  await word(page, 'Tune', 'Kettle Song')
  await expect(pages(page).first()).toContainText('C♯7♯9')
  await word(page, 'Last bar', '4')
  await expect(pages(page).first()).not.toContainText('C♯7♯9')
  await word(page, 'Bars in a line', 'two bars')
  await word(page, 'In the eggs', 'degrees')
  await put.getByRole('button', { name: 'words', exact: true }).click()
  await typeOver(page.getByRole('textbox', { name: /words; a line/ }), '# Softly\nThe bass begins alone.')
  await page.keyboard.press('Tab')
  await expect(pages(page).first()).toContainText('The bass begins alone.')
  await put.getByRole('button', { name: 'a key', exact: true }).click()
  await typeOver(page.getByLabel('key', { exact: true }), 'nonsense')
  await expect(page.getByText(/key/).filter({ hasText: 'nonsense' }).first()).toBeVisible()
  await typeOver(page.getByLabel('key', { exact: true }), 'F# minor')
  await page.keyboard.press('Enter')
  await expect(pages(page).first()).toContainText('The key of F♯ minor')
  // The key goes up by its key, and down again by the act.
  await page.locator('main').click({ position: { x: 700, y: 60 } })
  const names = () =>
    blocks(page)
      .getByRole('button', { name: /^(Title|Kettle|“|The key|What)/ })
      .allTextContents()
  const before = await names()
  await page.keyboard.press('Shift+ArrowUp')
  await expect.poll(names).not.toEqual(before)
  await page.getByRole('button', { name: /^later/ }).click()
  await expect.poll(names).toEqual(before)
  await page.getByRole('button', { name: /^off the page/ }).click()
  await expect(pages(page).first()).not.toContainText('The key of F♯ minor')
  await page.keyboard.press('Control+z')
  await expect(pages(page).first()).toContainText('The key of F♯ minor')
  await page.keyboard.press('g')
  await expect(page.getByRole('button', { name: 'Ink: greys' })).toBeVisible()
  await expect(act(page, /^kept$/)).toBeVisible()
  await page.reload()
  await settled(page)
  await expect(pages(page).first()).toContainText('The key of F♯ minor')
  await expect.poll(names).toEqual(before)
  // Dragged by its grip.
  await blocks(page).nth(2).getByRole('button', { name: /^Drag/ }).focus()
  const grip = blocks(page).nth(2).getByRole('button', { name: /^Drag/ })
  await page.keyboard.press('Space')
  await expect(grip).toHaveAttribute('aria-pressed', 'true')
  // The list measures itself before it moves.
  await settled(page)
  await page.keyboard.press('ArrowUp')
  await settled(page)
  await page.keyboard.press('Space')
  await expect.poll(names).not.toEqual(before)
  await page.goto('/book?show=sheets')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.getByRole('button', { name: 'Delete Lantern Room, second set' }).click()
  await expect(page.getByRole('article', { name: 'Lantern Room, second set' })).toHaveCount(0)
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByRole('article', { name: 'Lantern Room, second set' })).toBeVisible()
})

test('from every view what is in hand goes to a sheet by one key, and arrives once', async ({ page }) => {
  const places: readonly (readonly [string, string, string, string])[] = [
    ['/?chord=Ebmaj7&shape=x6878x', 'shape-row', 'shapes', 'E♭maj7'],
    ['/map?chord=Gm7', 'map-cell', 'map', 'Gm7'],
    ['/arpeggio?chord=Cmaj7', 'hand-bar', 'arpeggio', 'Cmaj7, one tone after another'],
    ['/key?key=Bb', 'lane-step', 'key', 'The key of B♭ major'],
    ['/path', 'tune-chord', 'chart', 'Fm9'],
    ['/book', 'open-shape', 'shapes', 'B♭maj7'],
  ]
  for (const [path, shown, kind, words] of places) {
    await page.goto(path)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByTestId(shown).first()).toBeVisible()
    await page.locator('body').press('w')
    await expect(page.getByRole('heading', { name: /^Put / })).toBeVisible()
    await page.getByRole('button', { name: 'Make it' }).click()
    await expect(pages(page).first()).toContainText(words)
    expect((await sheets(page))[0]?.blocks.map((block) => block.kind)).toEqual(['title', kind, 'legend'])
  }
  // Onto one that is there: it is put in once, whatever is reloaded.
  await page.goto('/map?chord=Gm7')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('map-cell').first()).toBeVisible()
  await page.locator('body').press('w')
  await page.getByRole('link', { name: 'A new sheet' }).first().click()
  await expect(blocks(page)).toHaveCount(4)
  await expect(act(page, /^kept$/)).toBeVisible()
  await page.reload()
  await expect(pages(page).first()).toBeVisible()
  await expect(blocks(page)).toHaveCount(4)
})

test('a tune that is gone, an empty sheet, and a sheet that is not there say so', async ({ page }) => {
  const empty = {
    title: 'Of what is gone',
    paper: 'Letter',
    lying: false,
    barsALine: 4,
    necks: 'lying',
    labels: 'none',
    ink: 'black',
  }
  const made = await page.request.post('/api/sheets', {
    data: {
      ...empty,
      blocks: [{ id: 'a', kind: 'chart', source: { kind: 'kept', tune: 99_999 }, under: 'tab', moves: true }],
    },
  })
  await page.goto(`/sheet?sheet=${(await made.json()).id}`)
  await expect(pages(page).first()).toContainText('This tune is no longer in the Book.')
  const bare = await page.request.post('/api/sheets', { data: { ...empty, blocks: [] } })
  await page.goto(`/sheet?sheet=${(await bare.json()).id}`)
  await expect(page.getByText('Nothing is on the page yet')).toBeVisible()
  await page.goto('/sheet?sheet=99999')
  await expect(page.getByRole('heading', { name: 'Sheets' })).toBeVisible()
  await page.goto('/sheet#put=nonsense')
  await expect(page.getByText(/can’t be read; the sheets are here/)).toBeVisible()
})

test('another browser changed it: what both changed is told and chosen, what only one changed is joined', async ({
  page,
}) => {
  const id = await open(page, 'The small hall, first set')
  const there = async () => (await page.request.get(`/api/sheets/${id}`)).json()
  const elsewhere = async (changes: object) => {
    const { createdAt: _at, id: _id, ...sheet } = await there()
    expect((await page.request.put(`/api/sheets/${id}`, { data: { ...sheet, ...changes } })).status()).toBe(200)
  }
  const asked = page.getByRole('alert').filter({ hasText: 'was changed elsewhere since it was opened here' })
  await elsewhere({ ink: 'grey' })
  await word(page, 'Ink', 'black only')
  await expect(asked).toContainText('ink: black here, grey there')
  expect((await there()).ink).toBe('grey')
  await asked.getByRole('button', { name: 'Take theirs' }).click()
  await expect(page.getByRole('button', { name: 'Ink: greys' })).toBeVisible()
  await expect(act(page, /^kept$/)).toBeVisible()
  // Only one of them changed the ink, and only the other one the bars: both stay.
  await elsewhere({ barsALine: 2 })
  await word(page, 'Ink', 'black only')
  await expect.poll(there).toMatchObject({ ink: 'black', barsALine: 2 })
  await expect(asked).toHaveCount(0)
  await elsewhere({ ink: 'grey' })
  await word(page, 'Ink', 'ink and colour')
  await asked.getByRole('button', { name: 'Keep mine' }).click()
  await expect.poll(there).toMatchObject({ ink: 'colour' })
  // Both: mine goes on under another name.
  await elsewhere({ ink: 'grey' })
  await word(page, 'Ink', 'black only')
  await asked.getByRole('button', { name: 'Keep both' }).click()
  await expect(page).not.toHaveURL(new RegExp(`sheet=${id}$`))
  await expect(page.getByRole('button', { name: 'Ink: black only' })).toBeVisible()
  expect((await there()).ink).toBe('grey')
  const again = (await sheets(page)).find(({ title }) => title === 'The small hall, first set, again')
  await page.request.delete(`/api/sheets/${again?.id}`, { headers: { 'content-type': 'application/json' } })
  expect(again).toBeDefined()
})

test('words are kept while they are typed: a reload with the field still open loses none', async ({ page }) => {
  const id = await open(page, 'Slow Ferry')
  const put = page.getByRole('region', { name: 'Blocks' })
  await put.getByRole('button', { name: 'words', exact: true }).click()
  const words = page.getByRole('textbox', { name: /words; a line/ })
  await typeOver(words, 'Slowly, as the ferry lands.')
  const kept = async () => JSON.stringify(await (await page.request.get(`/api/sheets/${id}`)).json())
  await expect.poll(kept).toContain('Slowly, as the ferry lands.')
  await expect(words).toBeFocused()
  await page.reload()
  await expect(pages(page).filter({ hasText: 'Slowly, as the ferry lands.' })).toHaveCount(1)
  // Within the pause: what is sent as the page is left may land after the next one was drawn.
  await blocks(page)
    .getByRole('button', { name: /^“Slowly, as the ferry/ })
    .click()
  await typeOver(words, 'Slowly, as the ferry turns.')
  await page.reload()
  await expect(pages(page).filter({ hasText: 'Slowly, as the ferry turns.' })).toHaveCount(1)
  await expect.poll(kept).toContain('Slowly, as the ferry turns.')
})
