/** The Book: kept, found, opened, changed one by one and many at once, taken back; by mouse and by keyboard. */

import { typeOver } from './support/hands.ts'
import { emptyTray } from './support/kept.ts'
import { menuItem } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const list = (page: Page) => page.getByTestId('book-list')
const item = (page: Page, name: string) => list(page).getByRole('article', { name, exact: true })
const beside = (page: Page) => page.getByTestId('open-shape')
const undo = (page: Page) => page.getByRole('status').getByRole('button', { name: 'Undo' }).last()
const alive = (page: Page) => expect(page.locator('[data-alive]')).toBeVisible()
const open = async (page: Page, query = '') => {
  await page.goto(`/book${query}`)
  await alive(page)
}

test('a shape is kept, found again, opened, renamed, deleted and brought back', async ({ page }) => {
  await page.goto('/?chord=Gm7&arrangement=drop-2&strings=5432')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await page.keyboard.press('k')
  await expect(page.getByText(/Saved to Book: Gm7/)).toBeVisible()
  // Once more: it is kept, and the twin is told.
  await page.keyboard.press('k')
  await expect(page.getByText(/The same shape is there already, as Gm7/)).toBeVisible()

  await open(page, '?by=newest')
  const newest = list(page).getByRole('article').first()
  await expect(newest).toHaveAccessibleName(/^Gm7 /)
  await newest.getByRole('button', { name: /^Open Gm7/ }).click()
  await expect(beside(page)).toContainText('the same')
  await beside(page)
    .getByRole('button', { name: /^Rename/ })
    .click()
  await typeOver(page.getByRole('textbox', { name: 'Name' }), 'second ending')
  await page.keyboard.press('Enter')
  await expect(newest).toHaveAccessibleName('second ending')
  await page.reload()
  await alive(page)
  await expect(newest).toHaveAccessibleName('second ending')
  await beside(page).getByRole('button', { name: 'Delete second ending' }).click()
  await expect(item(page, 'second ending')).toHaveCount(0)
  await undo(page).click()
  await expect(item(page, 'second ending')).toBeVisible()
  // By the key as well, and once more by Ctrl Z.
  await item(page, 'second ending').getByRole('button').click()
  await page.keyboard.press('Delete')
  await expect(item(page, 'second ending')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(item(page, 'second ending')).toBeVisible()
  await item(page, 'second ending').getByRole('button').click()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Gm7')
})

test('what was deleted in the Book is brought back from Build, in the order of doing, and once', async ({ page }) => {
  await open(page, '?by=newest')
  const newest = list(page).getByRole('article').first()
  const name = (await newest.getAttribute('aria-label')) ?? ''
  await newest.getByRole('button', { name: /^Open/ }).click()
  await beside(page)
    .getByRole('button', { name: `Delete ${name}` })
    .click()
  await expect(item(page, name)).toHaveCount(0)
  await page.goto('/?chord=Gm7&arrangement=drop-2&strings=5432')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  const shape = await page.getByTestId('shape-text').textContent()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('shape-text')).not.toHaveText(shape ?? '')
  // What Build did came later, and goes first.
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('shape-text')).toHaveText(shape ?? '')
  const [restored] = await Promise.all([page.waitForResponse(/\/restore$/), page.keyboard.press('Control+z')])
  expect(restored.status()).toBe(200)
  await expect(page.getByText(`Undone: deleted ${name}`)).toBeVisible()
  await open(page, '?by=newest')
  await expect(item(page, name)).toHaveCount(1)
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled()
})

test('a set that takes the tray’s place gives it back by one undo', async ({ page, request }) => {
  await emptyTray(request)
  await page.goto('/?chord=Gm7&arrangement=drop-2&strings=5432')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await page.keyboard.press('t')
  const tray = page.getByRole('region', { name: 'Tray' }).getByRole('listitem')
  await expect(tray).toHaveCount(1)
  await open(page, '?show=sets')
  await page.getByRole('region', { name: 'Sets' }).getByRole('button', { name: 'Add to tray' }).first().click()
  await expect(tray).not.toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(tray).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(tray).toHaveCount(0)
  await emptyTray(request)
})

test('a name of blanks is not taken, and Escape leaves the old one; a rename can be taken back', async ({ page }) => {
  await open(page)
  await item(page, 'out').getByRole('button').click()
  const rename = beside(page).getByRole('button', { name: /^Rename/ })
  await rename.click()
  await typeOver(page.getByRole('textbox', { name: 'Name' }), '   ')
  await expect(page.getByText('A name needs a character or more')).toBeVisible()
  await page.keyboard.press('Escape')
  await rename.click()
  await typeOver(page.getByRole('textbox', { name: 'Name' }), 'coda')
  await page.keyboard.press('Enter')
  await expect(item(page, 'coda')).toBeVisible()
  await undo(page).click()
  await expect(item(page, 'out')).toBeVisible()
})

test('it is found by words, tune, tag and instrument; the address holds what is asked', async ({ page }) => {
  await open(page)
  const find = page.getByLabel('Find')
  await page.keyboard.press('/')
  await expect(find).toBeFocused()
  await typeOver(find, 'night heron')
  await expect(list(page).getByRole('article')).toHaveCount(1)
  await expect(page).toHaveURL(/find=night/)
  await typeOver(find, 'clarinet')
  await expect(item(page, 'first bar')).toBeVisible()
  await expect(list(page).getByRole('article')).toHaveCount(1)
  await typeOver(find, 'no such thing')
  await expect(page.getByText('Nothing in the Book matches “no such thing”.')).toBeVisible()
  await page.getByRole('button', { name: 'All of it', exact: true }).click()
  await expect(find).toHaveValue('')
  await page
    .getByRole('navigation', { name: 'Contents' })
    .getByRole('button', { name: /^Kettle Song/ })
    .click()
  await expect(list(page).getByRole('article')).toHaveCount(3)
  await page
    .getByRole('navigation', { name: 'Contents' })
    .getByRole('button', { name: /^all of it/ })
    .click()
  await page.getByRole('button', { name: /^Instrument:.*every/ }).click()
  await menuItem(page, 'the Flat-top').click()
  await expect(list(page).getByRole('article')).toHaveCount(1)
  await page.reload()
  await alive(page)
  await expect(list(page).getByRole('article')).toHaveCount(1)
  await open(page, '?tag=the+Lantern+Room&by=name')
  await expect(page.getByRole('button', { name: 'Tag: the Lantern Room' })).toBeVisible()
  await expect(list(page).getByRole('article').first()).toHaveAccessibleName('bridge')
})

test('a shape’s page tells where it stands in tunes, what it leads to, and opens the tune', async ({ page }) => {
  await open(page)
  await item(page, 'first bar').getByRole('button').click()
  await expect(beside(page)).toContainText('B♭maj7')
  await expect(beside(page)).toContainText('bars 1, 9')
  await expect(beside(page)).toContainText('Gm7 3x333x in Low Tide Waltz')
  await expect(beside(page)).toContainText('not in the logbook yet')
  await beside(page).getByRole('link', { name: 'Low Tide Waltz' }).click()
  await alive(page)
  await expect(page.getByTestId('tune-chord').first()).toBeVisible()
  // Every chord that the Book has is held there.
  await expect(page.locator('[data-testid=tune-chord][data-held]').first()).toBeVisible()
})

test('the open shape stands on one neck: another instrument in hand changes its reach, and it still sounds its chord', async ({
  page,
}) => {
  const kept = { name: 'on two necks', chord: 'Fm9', frets: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4' }
  const long = {
    name: 'Long of the Book',
    tuningName: 'standard',
    tuning: kept.tuning,
    capo: null,
    frets: 20,
    scaleLengthMm: 800,
    spacingNutMm: 7.2,
    spacingBridgeMm: 10.5,
    lastReachableFret: 17,
    handed: 'right',
    pluck: 'fingers',
  }
  const { instrumentId } = await (await page.request.get('/api/settings')).json()
  const shape = await (await page.request.post('/api/shapes', { data: kept })).json()
  const { id } = await (await page.request.post('/api/instruments', { data: long })).json()
  const reach = async () => Number(/(\d+) mm/.exec((await beside(page).textContent()) ?? '')?.[1])
  try {
    await open(page, `?by=newest&shape=${shape.id}`)
    await expect(beside(page)).toContainText('R ♭3 ♭7 9')
    const before = await reach()
    await page.getByRole('button', { name: /^Instrument: .*E A D G B E/ }).click()
    await page.getByRole('menuitemradio', { name: /Long of the Book/ }).click()
    await expect.poll(reach).toBeGreaterThan(before * 1.1)
    await expect(beside(page)).toContainText('on two necks')
    await expect(item(page, 'on two necks')).not.toContainText('does not sound')
  } finally {
    await page.request.patch('/api/settings', { data: { instrumentId } })
    await page.request.delete(`/api/instruments/${id}`, { headers: { 'content-type': 'application/json' } })
    await page.request.delete(`/api/shapes/${shape.id}`, { headers: { 'content-type': 'application/json' } })
  }
})

test('arrows open one shape after another, and its note is written where it stands', async ({ page }) => {
  await open(page)
  await expect(beside(page)).toContainText('x1323x')
  await page.keyboard.press('ArrowRight')
  await expect(beside(page)).toContainText('3x333x')
  await page.keyboard.press('ArrowLeft')
  await expect(beside(page)).toContainText('x1323x')
  await item(page, 'home').getByRole('button').click()
  await beside(page).getByRole('button', { name: 'Write a note' }).click()
  await typeOver(page.getByRole('textbox', { name: 'Note' }), 'As soft as the reed.')
  await page.keyboard.press('Control+Enter')
  await expect(item(page, 'home')).toContainText('As soft as the reed.')
  await page.keyboard.press('Control+z')
  await expect(item(page, 'home')).not.toContainText('As soft as the reed.')
})

test('many at once: selected, tagged, moved, deleted, each one step to take back', async ({ page }) => {
  await open(page)
  for (const name of ['verse', 'lift'])
    await page.getByRole('checkbox', { name: `Select ${name}` }).check({ force: true })
  const many = page.getByRole('group', { name: 'Selected shapes' })
  await expect(many).toContainText('2 shapes selected')
  await many.getByRole('button', { name: 'tag', exact: true }).click()
  await typeOver(page.getByRole('textbox', { name: 'Tag for all of them' }), 'small hall')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Tagged: 2 shapes')).toBeVisible()
  await undo(page).click()
  await expect.poll(async () => (await (await page.request.get('/api/shapes?tag=small+hall')).json()).count).toBe(0)
  expect(await many.getByRole('link', { name: 'to a sheet' }).getAttribute('href')).toContain('F%23m7')
  await many.getByRole('button', { name: 'move to a tune' }).click()
  await menuItem(page, 'Slow Ferry').click()
  await expect(page.getByText('Moved: 2 shapes')).toBeVisible()
  await expect(
    page.getByRole('navigation', { name: 'Contents' }).getByRole('button', { name: /^Slow Ferry/ }),
  ).toContainText('4')
  await page.keyboard.press('Control+z')
  await expect(
    page.getByRole('navigation', { name: 'Contents' }).getByRole('button', { name: /^Slow Ferry/ }),
  ).toContainText('2')
  await many.getByRole('button', { name: /^delete/ }).click()
  await expect(item(page, 'verse')).toHaveCount(0)
  await expect(many).toHaveCount(0)
  await undo(page).click()
  await expect(item(page, 'verse')).toBeVisible()
  await page.getByRole('checkbox', { name: 'Select verse' }).check({ force: true })
  await many.getByRole('button', { name: /^all \d+/ }).click()
  await expect(many).toContainText(/1\d shapes selected/)
  await page.keyboard.press('Escape')
  await expect(many).toHaveCount(0)
})

test('ten thousand shapes: all are reached, few are in the page, and a search is the server’s', async ({
  page,
  request,
}) => {
  test.slow()
  const total = 10_000
  const shapes = Array.from({ length: total }, (_, index) => ({
    name: `take ${index}`,
    chord: 'Cmaj7',
    frets: `x${(index % 7) + 1}${(index % 5) + 2}xxx`,
    tuning: 'E2,A2,D3,G3,B3,E4',
    createdAt: new Date(Date.UTC(2026, 0, 1, 0, 0, index)).toISOString(),
    tags: ['many'],
  }))
  const read = await request.post('/api/notebook/apply', {
    data: { notebook: { format: 'nestling-notebook', version: 2, shapes }, name: 'many.json' },
  })
  const { changed, undo: number } = await read.json()
  expect(changed).toBe(total)
  try {
    await open(page, '?by=newest&tag=many')
    await expect(item(page, `take ${total - 1}`)).toBeVisible()
    expect(await page.evaluate(() => document.querySelectorAll('main *').length)).toBeLessThan(2000)
    // What comes into sight is measured: the end moves a little on the way there.
    await expect(async () => {
      await list(page).evaluate((box) => box.scrollTo(0, box.scrollHeight))
      await expect(item(page, 'take 0')).toBeVisible({ timeout: 2000 })
    }).toPass()
    await list(page).evaluate((box) => box.scrollTo(0, box.scrollHeight / 2))
    await expect(list(page).getByRole('article').first()).toHaveAccessibleName(/^take [45]\d\d\d$/)
    expect(await page.evaluate(() => document.querySelectorAll('main *').length)).toBeLessThan(2000)
    await typeOver(page.getByLabel('Find'), 'take 4321')
    await expect(list(page).getByRole('article')).toHaveCount(1)
  } finally {
    // Other tests want the Book as it was.
    expect((await request.post(`/api/changes/${number}/undo`, { data: {} })).status()).toBe(200)
  }
  expect((await (await request.get('/api/shapes')).json()).count).toBeLessThan(40)
})

test('a note and a name that the server does not keep stay in their fields, over a reload too, until they are kept', async ({
  page,
}) => {
  await open(page)
  await list(page)
    .getByRole('button', { name: /^Open / })
    .first()
    .click()
  const writes = '**/api/shapes/*'
  await page.route(writes, (route) => (route.request().method() === 'PATCH' ? route.abort() : route.continue()))
  await beside(page)
    .getByRole('button', { name: /^(Write a note|Note: )/ })
    .click()
  const note = page.getByRole('textbox', { name: 'Note' })
  await typeOver(note, 'Softer than the reed.')
  await page.keyboard.press('Control+Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'Not changed' })).toBeVisible()
  await expect(note).toHaveValue('Softer than the reed.')
  await beside(page)
    .getByRole('button', { name: /^Rename/ })
    .click()
  await typeOver(page.getByRole('textbox', { name: 'Name' }), 'low reeds')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('low reeds')
  await page.reload()
  await alive(page)
  await expect(note).toHaveValue('Softer than the reed.')
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('low reeds')
  await page.unroute(writes)
  await page.getByRole('textbox', { name: 'Name' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveCount(0)
  await note.focus()
  await page.keyboard.press('Control+Enter')
  await expect(beside(page).getByRole('button', { name: 'Note: Softer than the reed.' })).toBeVisible()
  await page.reload()
  await alive(page)
  await expect(beside(page).getByRole('button', { name: 'Note: Softer than the reed.' })).toBeVisible()
  await expect(beside(page)).toContainText('low reeds')
})
