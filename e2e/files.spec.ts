/** Files in and out, and copies: what a file holds is shown first, nothing changes before consent, and it is one step to undo. */
import { readFileSync } from 'node:fs'
import { menuItem } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const open = async (page: Page) => {
  await page.goto('/book?show=files')
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const give = (page: Page, name: string, content: string | Buffer) =>
  page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })
const found = (page: Page) => page.getByTestId('found')
const put = (page: Page) => found(page).getByRole('button', { name: 'Put it in' })
const undo = (page: Page) => page.getByRole('status').getByRole('button', { name: 'Undo' }).last()
const all = async (page: Page) => {
  const { savedAt: _at, ...tables } = await (await page.request.get('/api/notebook')).json()
  return tables
}
const SONG =
  '{title: Ebb and Flow}\n{key: G}\n{time: 3/4}\n{capo: 2}\n{define: G base-fret 1 frets 3 x 0 0 0 3}\n{start_of_grid: label="A"}\n|: G | Am7 :|1 D7 :|\n{end_of_grid}\n'

test('ChordPro: what it holds is shown, nothing changes before consent, it opens in Path, and one step takes it back', async ({
  page,
}) => {
  await open(page)
  const before = await all(page)
  await give(page, 'ebb.cho', SONG)
  await expect(found(page).getByTestId('found-new')).toContainText('1 tune')
  await expect(found(page)).toContainText('Ebb and Flow')
  expect(await all(page)).toEqual(before)
  await found(page).getByRole('button', { name: 'Leave it' }).click()
  await expect(found(page)).toHaveCount(0)
  await give(page, 'ebb.cho', SONG)
  await put(page).click()
  await expect(page.getByText('Read from ebb.cho: 1 change')).toBeVisible()
  const tune = (await all(page)).tunes.find(({ title }: { title: string }) => title === 'Ebb and Flow')
  expect(tune.remarks).toBe('{capo: 2}')
  expect(tune.tune.way.split(',')[0]).toBe('3x0003')
  await page.getByRole('link', { name: 'Ebb and Flow as ChordPro' }).waitFor()
  const { tunes } = await (await page.request.get('/api/tunes')).json()
  const { id } = tunes.find(({ title }: { title: string }) => title === 'Ebb and Flow')
  // What no chart has a place for goes out again as it came in.
  expect(await (await page.request.get(`/api/tunes/${id}.cho`)).text()).toContain('{capo: 2}')
  await undo(page).click()
  await expect.poll(() => all(page)).toEqual(before)
})

test('a notebook of one’s own is all the same; changed, each difference is told and chosen by itself', async ({
  page,
}) => {
  await open(page)
  const before = await all(page)
  await give(page, 'same.json', JSON.stringify(before))
  await expect(found(page).getByTestId('found-new')).toContainText('nothing')
  await expect(found(page).getByTestId('found-different')).toContainText('nothing')
  await put(page).click()
  await expect(page.getByText(/Nothing was chosen from same.json/)).toBeVisible()
  const changed = structuredClone(before)
  changed.shapes[0].note = 'As the tide turns.'
  changed.shapes[1].note = 'Left as it is.'
  changed.shapes.push({ ...before.shapes[0], chord: 'Cm7', frets: '8x888x', name: 'of another book' })
  changed.sheets[0].blocks.push({ id: 'x', kind: 'no such block' })
  await give(page, 'changed.json', JSON.stringify(changed))
  await expect(found(page).getByTestId('found-new')).toContainText('1 shape')
  await expect(found(page).getByTestId('found-different')).toContainText('2 shapes')
  await expect(found(page).getByTestId('found-left')).toContainText('sheets 1')
  const row = found(page).getByRole('listitem').filter({ hasText: 'note otherwise' }).first()
  await row.getByRole('button', { name: /^What becomes of/ }).click()
  await menuItem(page, 'put in the place of what is here').click()
  await put(page).click()
  await expect(page.getByText('Read from changed.json: 2 changes')).toBeVisible()
  const { shapes } = await all(page)
  expect([shapes[0].note, shapes[1].note, shapes.at(-1).name]).toEqual([
    'As the tide turns.',
    before.shapes[1].note,
    'of another book',
  ])
  await page.keyboard.press('Control+z')
  await expect.poll(() => all(page)).toEqual(before)
  // A copy was made before each.
  await page.reload()
  await expect(page.getByText('before a file was read').first()).toBeVisible()
})

test('broken files each give a clear line, and nothing changes', async ({ page }) => {
  await open(page)
  const before = await all(page)
  const refused = page.getByRole('alert').filter({ hasText: 'was not read' })
  for (const [name, content, words] of [
    ['empty.cho', '', 'The file is empty'],
    ['song.pdf', '%PDF-1.7', 'a picture, a sound, a PDF'],
    ['song.txt', Buffer.from([0xff, 0xfe, 65, 0]), 'in UTF-16; save it as UTF-8'],
    ['song.cho', Buffer.from('a\nb\u0000'), 'Line 2: there is a NUL character'],
    ['long.txt', `x\n${'-'.repeat(30_000)}`, 'Line 2: a line is longer than 20000 characters'],
    ['letter.txt', 'Dear Marit,\nuntil Friday', 'The format isn’t known'],
    ['a.musicxml', '<score-partwise>', 'the XML is broken'],
    ['b.musicxml', '<!DOCTYPE a [<!ENTITY b "c">]><score-partwise>&b;</score-partwise>', 'defines entities'],
    ['c.musicxml', `${'<a>'.repeat(300)}${'</a>'.repeat(300)}`, 'nested deeper than'],
    ['d.mxl', Buffer.from('PK\u0003\u0004broken'), 'can’t be unpacked'],
    ['e.mid', 'MThd....', 'no Standard MIDI File'],
    ['f.json', '{"format": "nestling-notebook", "version": 99}', 'made by a newer Nestling'],
    ['g.json', '{"a": 1', 'The JSON is broken'],
    ['h.csv', 'name,frets,tuning\na,b,c', 'the column “chord” is missing'],
  ] as const) {
    await give(page, name, content)
    await expect(refused).toContainText(words)
    await expect(refused).toContainText(name)
  }
  expect(await all(page)).toEqual(before)
})

test('every tune goes out as MusicXML, ChordPro, MIDI and TAB and comes in again; a set of shapes as CSV too', async ({
  page,
}) => {
  test.slow()
  await open(page)
  for (const format of ['musicxml', 'cho', 'mid', 'txt']) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page
        .getByRole('link', {
          name: `Slow Ferry as ${{ musicxml: 'MusicXML', cho: 'ChordPro', mid: 'MIDI', txt: 'text TAB' }[format]}`,
        })
        .click(),
    ])
    expect(download.suggestedFilename()).toBe(`slow-ferry.${format}`)
    await give(page, `again.${format}`, readFileSync(await download.path()))
    await expect(found(page)).toContainText('Slow Ferry')
    await expect(
      found(page)
        .getByTestId('found-left')
        .getByText(/no chord that is known/),
    ).toHaveCount(0)
    await found(page).getByRole('button', { name: 'Leave it' }).click()
  }
  const csv = await (await page.request.get('/api/shapes.csv')).text()
  await give(page, 'shapes.csv', csv)
  await expect(found(page).getByTestId('found-new')).toContainText('nothing')
  await expect(found(page).getByTestId('found-different')).toContainText('nothing')
})

test('a copy is saved, and one act goes back to it; what was here is a copy too', async ({ page }) => {
  await open(page)
  const before = await all(page)
  await page.getByRole('button', { name: 'Save a copy' }).click()
  await expect(page.getByText('A copy of the notebook was saved.')).toBeVisible()
  const { shapes } = await (await page.request.get('/api/shapes')).json()
  await page.request.delete(`/api/shapes/${shapes[0].id}`, { headers: { 'content-type': 'application/json' } })
  expect(await all(page)).not.toEqual(before)
  const saved = page.getByRole('listitem').filter({ hasText: 'saved by you' }).first()
  await saved.getByRole('button', { name: 'go back to it' }).click()
  await Promise.all([page.waitForNavigation(), page.getByRole('button', { name: 'Go back to it now' }).click()])
  expect(await all(page)).toEqual(before)
  await expect(page.getByText('before going back to a copy').first()).toBeVisible()
})

test('a large file can be stopped, and the next one is read', async ({ page }) => {
  await open(page)
  const shapes = Array.from({ length: 30_000 }, (_, index) => ({
    name: `n${index}`,
    chord: 'C',
    frets: 'x32010',
    tuning: 'E2,A2,D3,G3,B3,E4',
    createdAt: '2026-01-01T00:00:00.000Z',
  }))
  await give(page, 'large.json', JSON.stringify({ format: 'nestling-notebook', version: 2, shapes }))
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('large.json')).toHaveCount(0)
  await give(page, 'ebb.cho', SONG)
  await expect(found(page)).toContainText('Ebb and Flow')
})
