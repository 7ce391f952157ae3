import { typeOver } from './support/hands.ts'
import { choose, menuItem, word } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

const JSON_TYPE = { 'content-type': 'application/json' }
const open = async (page: Page) => {
  await page.goto('/setup')
  await expect(page.locator('[data-alive]')).toBeVisible()
}
/** Settings that other tests rely on go back to what they were. */
const settle = (page: Page, changes: Record<string, unknown>) => page.request.patch('/api/settings', { data: changes })
const DRAFT = {
  name: 'Bench',
  tuningName: 'standard',
  tuning: 'E2,A2,D3,G3,B3,E4',
  capo: null,
  frets: 20,
  scaleLengthMm: 635,
  spacingNutMm: 7.2,
  spacingBridgeMm: 10.4,
  lastReachableFret: 17,
  handed: 'right',
  pluck: 'fingers',
}
interface Kept {
  readonly id: number
  readonly name: string
  readonly scaleLengthMm: number
  readonly spacingNutMm: number
  readonly lastReachableFret: number
  readonly frets: number
  readonly capo?: { readonly fret: number; readonly strings: 'all' | readonly number[] }
  readonly tuning: { readonly strings: readonly unknown[] }
}
const kept = async (page: Page): Promise<readonly Kept[]> =>
  (await (await page.request.get('/api/instruments')).json()).instruments
/** What another test left in the tray is not this one's. */
async function emptyTray(page: Page) {
  const tray = await (await page.request.get('/api/tray')).json()
  if (tray.steps.length > 0)
    expect((await page.request.put('/api/tray', { data: { ...tray, steps: [] } })).ok()).toBe(true)
}
const settings = async (page: Page) => (await page.request.get('/api/settings')).json()

/** An instrument of the test's own in hand; afterwards all is as it was. */
async function onBench(
  page: Page,
  work: (one: () => Promise<Kept>) => Promise<void>,
  more: Record<string, unknown> = {},
) {
  const before = (await settings(page)).instrumentId
  for (const one of await kept(page))
    if (one.name.startsWith('Bench')) await page.request.delete(`/api/instruments/${one.id}`, { headers: JSON_TYPE })
  const made = await page.request.post('/api/instruments', { data: { ...DRAFT, ...more } })
  expect(made.status(), await made.text()).toBe(201)
  const { id } = await made.json()
  await settle(page, { instrumentId: id })
  try {
    await open(page)
    await work(async () => (await kept(page)).find((one) => one.id === id) as Kept)
  } finally {
    for (const one of await kept(page))
      if (one.name.startsWith('Bench')) await page.request.delete(`/api/instruments/${one.id}`, { headers: JSON_TYPE })
    await settle(page, { instrumentId: before, handComfortMm: 100 })
  }
}
const handle = (page: Page, measure: string) => page.getByTestId(`handle-${measure}`)
/** Pulls a handle by so many pixels, in steps as a hand does. */
async function pull(page: Page, measure: string, dx: number, dy = 0) {
  const box = await handle(page, measure).locator('rect').last().boundingBox()
  if (!box) throw new Error(measure)
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 })
  await page.mouse.move(x + dx, y + dy, { steps: 4 })
  await page.mouse.up()
}

test('every measure is pulled: it is shown while it is pulled, kept when let go, undone by one step each', async ({
  page,
}) =>
  onBench(page, async (one) => {
    await pull(page, 'scaleLengthMm', 60)
    await expect(page.getByLabel('Scale length, mm', { exact: true })).not.toHaveValue('635')
    await expect.poll(async () => (await one()).scaleLengthMm).toBeGreaterThan(650)
    const long = (await one()).scaleLengthMm
    await pull(page, 'spacingNutMm', 0, 6)
    await expect.poll(async () => (await one()).spacingNutMm).toBeGreaterThan(7.2)
    await pull(page, 'lastReachableFret', -80)
    await expect.poll(async () => (await one()).lastReachableFret).toBeLessThan(17)
    await pull(page, 'frets', 40)
    await expect.poll(async () => (await one()).frets).toBeGreaterThan(20)
    await pull(page, 'capo', 160)
    await expect.poll(async () => (await one()).capo?.strings).toBe('all')
    await expect(word(page, 'Capo')).toHaveText(/^capo at \d$/)
    // A capo over some strings only.
    await page.getByRole('checkbox', { name: 'The capo holds string 1', exact: true }).click()
    await expect.poll(async () => (await one()).capo?.strings).toEqual([6, 5, 4, 3, 2])
    await pull(page, 'capo', -400)
    await expect(word(page, 'Capo')).toHaveText('no capo')
    await expect.poll(async () => (await one()).capo).toBeUndefined()
    for (let step = 0; step < 4; step++) await page.keyboard.press('Control+z')
    await expect.poll(async () => (await one()).frets).toBe(20)
    expect((await one()).scaleLengthMm).toBe(long)
    for (let step = 0; step < 3; step++) await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(async () => (await one()).scaleLengthMm).toBe(635)
    await expect(page.getByLabel('Scale length, mm', { exact: true })).toHaveValue('635')
    await page.getByRole('button', { name: 'Redo' }).click()
    await expect.poll(async () => (await one()).scaleLengthMm).toBe(long)
  }))

test('an instrument that another browser has changed too: two measures are joined, one measure is chosen', async ({
  page,
}) =>
  onBench(page, async (one) => {
    const elsewhere = async (changes: object) => {
      const { id, version } = (await one()) as Kept & { readonly version: number }
      const data = { ...DRAFT, scaleLengthMm: (await one()).scaleLengthMm, ...changes, version }
      expect((await page.request.put(`/api/instruments/${id}`, { data })).status()).toBe(200)
    }
    const scale = page.getByLabel('Scale length, mm', { exact: true })
    await elsewhere({ spacingNutMm: 7.6 })
    await typeOver(scale, '628')
    await scale.press('Enter')
    await expect.poll(one).toMatchObject({ scaleLengthMm: 628, spacingNutMm: 7.6 })
    await elsewhere({ scaleLengthMm: 650 })
    await typeOver(scale, '640')
    await scale.press('Enter')
    const asked = page.getByRole('alert').filter({ hasText: 'was changed elsewhere since this page was opened' })
    await expect(asked).toContainText('scale length: 640 here, 650 there')
    expect((await one()).scaleLengthMm).toBe(650)
    await asked.getByRole('button', { name: 'Keep mine' }).click()
    await expect.poll(async () => (await one()).scaleLengthMm).toBe(640)
  }))

test('every measure is stepped by keys and typed; what is wrong is refused beside it, and what was typed stays', async ({
  page,
}) =>
  onBench(page, async (one) => {
    await handle(page, 'scaleLengthMm').focus()
    await page.keyboard.press('ArrowRight')
    await expect(handle(page, 'scaleLengthMm')).toHaveAttribute('aria-valuetext', '636 millimetres')
    await page.keyboard.press('Shift+ArrowRight')
    await expect(handle(page, 'scaleLengthMm')).toHaveAttribute('aria-valuetext', '646 millimetres')
    await expect.poll(async () => (await one()).scaleLengthMm).toBe(646)
    await handle(page, 'capo').press('ArrowRight')
    await handle(page, 'capo').press('ArrowRight')
    await expect.poll(async () => (await one()).capo?.fret).toBe(2)
    await page.getByRole('checkbox', { name: 'The capo holds string 6' }).press('Space')
    await expect.poll(async () => (await one()).capo?.strings).toEqual([5, 4, 3, 2, 1])
    const scale = page.getByLabel('Scale length, mm', { exact: true })
    await typeOver(scale, '200')
    await expect(
      page.getByRole('alert').filter({ hasText: 'the scale length is 200; expected 300 to 900 mm' }),
    ).toBeVisible()
    await scale.press('Enter')
    await expect(scale).toHaveValue('200')
    expect((await one()).scaleLengthMm).toBe(646)
    await scale.press('Escape')
    await expect(scale).toHaveValue('646')
    await typeOver(scale, '628')
    await scale.press('Enter')
    await expect.poll(async () => (await one()).scaleLengthMm).toBe(628)
    await typeOver(page.getByLabel('Between strings at the nut, mm'), '7,4')
    await page.getByLabel('Between strings at the nut, mm').press('Enter')
    await expect.poll(async () => (await one()).spacingNutMm).toBe(7.4)
    await typeOver(page.getByRole('textbox', { name: 'Number of frets' }), '12')
    await page.getByRole('textbox', { name: 'Number of frets' }).press('Enter')
    await expect.poll(async () => (await one()).lastReachableFret).toBe(12)
    // The strings, by the key that leads to the field.
    await page.locator('body').press('/')
    await page.keyboard.type('B1 E2 D2')
    await expect(page.getByRole('alert').filter({ hasText: /D2 sounds below the string before it/ })).toBeVisible()
    await typeOver(page.getByLabel('Strings, lowest first', { exact: true }), 'B1 E2 A2 D3 G3 B3 E4')
    await page.keyboard.press('Enter')
    await expect.poll(async () => (await one()).tuning.strings.length).toBe(7)
    await expect(page.getByRole('note')).toHaveCount(0)
  }))

test('an instrument more, renamed, left-handed, played in Build, taken away and brought back; a name that is taken is refused', async ({
  page,
}) =>
  onBench(page, async () => {
    await page.getByRole('button', { name: 'One more instrument' }).click()
    const name = page.getByLabel('Name of the instrument')
    await expect(name).toHaveValue('Bench 2')
    await expect(page.getByTestId('other-instrument').filter({ hasText: 'Bench' })).toHaveCount(1)
    await typeOver(name, 'Bench')
    await name.press('Enter')
    await expect(
      page.getByRole('alert').filter({ hasText: 'there is an instrument called Bench already' }),
    ).toBeVisible()
    await expect(name).toHaveValue('Bench')
    await typeOver(name, 'Bench for seven')
    await name.press('Enter')
    await choose(page, 'Tuning', 'seven strings, low B · B E A D G B E')
    await choose(page, 'Played', 'left-handed')
    await expect
      .poll(async () =>
        (await kept(page)).some((one) => one.name === 'Bench for seven' && one.tuning.strings.length === 7),
      )
      .toBe(true)
    // The nut lies at the right.
    const [nut, bridge] = await Promise.all([
      handle(page, 'spacingNutMm').boundingBox(),
      handle(page, 'spacingBridgeMm').boundingBox(),
    ])
    expect(nut?.x ?? 0).toBeGreaterThan(bridge?.x ?? 0)
    await page.goto('/?chord=C13&arrangement=any')
    await expect(page.getByTestId('shape-row').first()).toBeVisible()
    await expect(page.locator('[data-place="7:3"]')).toBeAttached()
    const [low, high] = await Promise.all([
      page.locator('[data-place="1:1"]').boundingBox(),
      page.locator('[data-place="1:9"]').boundingBox(),
    ])
    expect(high?.x).toBeLessThan(low?.x ?? 0)
    await open(page)
    await page.getByRole('button', { name: 'Delete Bench for seven' }).click()
    await expect(name).not.toHaveValue('Bench for seven')
    await page.locator('body').press('Control+z')
    await expect(name).toHaveValue('Bench for seven')
    // Another one is taken in hand by pressing its neck.
    await page.getByRole('button', { name: /^Take Bench in hand/ }).click()
    await expect(name).toHaveValue('Bench')
  }))

test('the hand’s end is pulled, stepped or typed; the same shape becomes a stretch', async ({ page }) =>
  onBench(page, async () => {
    await expect(page.getByText('from fret 1 it spans four at ease')).toBeVisible()
    await expect(page.getByText('from 5, five')).toBeVisible()
    await pull(page, 'ease-5', -80)
    await expect.poll(async () => (await settings(page)).handComfortMm).toBeLessThan(60)
    await expect(word(page, 'The hand')).toHaveText(/^a hand of 5\d mm$/)
    await page.locator('body').press('Control+z')
    await expect(word(page, 'The hand')).toHaveText('a medium hand')
    await handle(page, 'ease-1').press('ArrowLeft')
    await expect.poll(async () => (await settings(page)).handComfortMm).toBe(99)
    const ease = page.getByLabel('Ease of the hand, mm')
    await typeOver(ease, '30')
    await expect(page.getByRole('alert').filter({ hasText: 'an ease of 50 to 150 mm' })).toBeVisible()
    await typeOver(ease, '50')
    await ease.press('Enter')
    await expect.poll(async () => (await settings(page)).handComfortMm).toBe(50)
    await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x5534x')
    await expect(page.getByTestId('hand-verdict')).toContainText(
      /index to little \d+ mm, this hand \d+: (a stretch|beyond)/,
    )
  }))

test('from standard to another tuning: arrows and pull string by string, a caution where a string could snap', async ({
  page,
}) =>
  onBench(page, async (one) => {
    const retune = page.getByRole('region', { name: 'Retune it' })
    await choose(page, 'To tuning', 'D A D G A D')
    await expect(
      retune.getByRole('button', { name: /^Play string 6, E2 to D2, down two, pull \d+ newtons$/ }),
    ).toBeVisible()
    await expect(retune.getByTestId('retune-string').filter({ hasText: 'D3' })).toContainText('stays')
    await expect(retune.getByRole('note')).toHaveCount(0)
    await choose(page, 'To tuning', 'all fifths · C G D A E B')
    await expect(retune.getByRole('note')).toContainText('Strings 2, 1 would go more than two semitones')
    await expect(retune.getByRole('note')).toContainText('eye protection')
    await choose(page, 'To tuning', 'seven strings, low B · B E A D G B E')
    await expect(retune).toContainText('has 6 strings, this tuning 7')
    await choose(page, 'To tuning', 'D A D G A D')
    await retune.getByRole('button', { name: 'keep Bench so' }).click()
    await expect(word(page, 'Tuning')).toHaveText('D A D G A D')
    await expect.poll(async () => JSON.stringify((await one()).tuning)).toContain('D A D G A D')
  }))

test('what a tuning gives: a shape for every step, what rings in, where roots lie, and the lane in Key', async ({
  page,
}) =>
  onBench(page, async () => {
    await choose(page, 'To tuning', 'D A D F♯ A D')
    const gives = page.getByRole('region', { name: 'What it gives' })
    // A tuning proposes its own key.
    await expect(word(page, 'Key')).toHaveText('D major')
    await expect(gives.getByRole('row', { name: /^D / })).toContainText('R 0/12 on 6 4 1')
    await choose(page, 'Key', 'G major')
    await expect(gives.getByRole('row')).toHaveCount(8)
    await expect(gives.getByRole('row').filter({ hasText: 'none within reach' })).toHaveCount(0)
    await expect(gives.getByRole('row', { name: /^G / })).toContainText(/adds .*9/)
    await choose(page, 'The others', 'silent')
    await expect(gives.getByRole('row', { name: /^G / })).not.toContainText('adds')
    await choose(page, 'The others', 'ringing')
    await choose(page, 'Pressed', '4 3')
    await expect(gives.getByRole('row', { name: /^G / })).toBeVisible()
    await gives.getByRole('link', { name: 'this lane in Key' }).click()
    await page.waitForURL(/\/key\?key=G&depth=triads&tones=/)
    await expect(page.getByTestId('key-name')).toHaveText('G major')
    await expect(page.getByTestId('lane-step')).toHaveCount(7)
  }))

test('the tray in another tuning: the same fingers and the same notes', async ({ page }) => {
  await emptyTray(page)
  await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('shape-text')).toHaveText('x6878x')
  await page.locator('body').press('t')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(1)
  await open(page)
  await choose(page, 'To tuning', 'D A D G A D')
  await expect(
    page.getByRole('region', { name: 'The tray in that tuning' }).getByRole('row', { name: /^E♭maj7 x6878x/ }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Empty the tray' }).click()
})

test('a tuning of one’s own is checked, kept, offered in Build, and taken away', async ({ page }) => {
  await open(page)
  await typeOver(page.getByLabel('Name of the tuning'), 'Night Heron')
  await typeOver(page.getByLabel('Its strings, lowest first'), 'C2 G2 D3 Q3')
  await expect(page.getByText(/Q3 is not a string's pitch/)).toBeVisible()
  await typeOver(page.getByLabel('Its strings, lowest first'), 'C2 G2 D3 F3 A3 D4')
  await page.getByRole('button', { name: 'Keep the tuning' }).click()
  await expect(page.getByRole('button', { name: 'Delete Night Heron' })).toBeVisible()
  await page.goto('/')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await page.getByRole('button', { name: /^Tuning:/ }).click()
  await expect(menuItem(page, /^Night Heron/)).toBeAttached()
  await page.keyboard.press('Escape')
  await open(page)
  await page.getByRole('button', { name: 'Delete Night Heron' }).click()
  await expect(page.getByRole('button', { name: 'Delete Night Heron' })).toHaveCount(0)
  // Brought back from another view, and there at once.
  await page.goto('/map')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Undone: deleted Night Heron')).toBeVisible()
  await open(page)
  await page.getByRole('button', { name: 'Delete Night Heron' }).click()
  await expect(page.getByRole('button', { name: 'Delete Night Heron' })).toHaveCount(0)
})

test('habits: every word shows at once what it does, holds in every view, and is undone', async ({ page }) => {
  await open(page)
  try {
    const sample = page.getByTestId('habit-sample')
    await choose(page, 'Notes are named by', 'C D E F G A H')
    await choose(page, 'Chord symbols in', 'signs')
    await expect(page.getByTestId('symbol-samples')).toContainText('B7♯5')
    await expect(sample).toContainText('Es G B Des F')
    const before = await sample.textContent()
    await choose(page, 'With fewer strings than tones', 'the root goes')
    await expect(sample).not.toHaveText(before ?? '')
    await page.locator('body').press('Control+z')
    await expect(sample).toHaveText(before ?? '')
    await choose(page, 'In the eggs stand', 'note names')
    await choose(page, 'The low string lies', 'on top')
    await page.goto('/?chord=Bbmaj7&strings=5432')
    await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('BΔ7')
    const [low, high] = await Promise.all([
      page.locator('[data-place="6:3"]').boundingBox(),
      page.locator('[data-place="1:3"]').boundingBox(),
    ])
    expect(low?.y).toBeLessThan(high?.y ?? 0)
  } finally {
    await settle(page, {
      naming: 'letters',
      symbols: 'words',
      lowOnTop: false,
      labels: 'degree',
      leavingOut: 'drop-fifth',
    })
  }
})

test('the cautions come once, and stay to be found', async ({ page }) => {
  await settle(page, { cautionSeen: false })
  await page.goto('/')
  await expect(page.getByText(/Stop at pain, tingling or numbness, rest every/)).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await expect(page.getByText(/Stop at pain, tingling or numbness, rest every/)).toHaveCount(0)
  await open(page)
  await expect(page.getByRole('region', { name: 'Take care' })).toContainText('physician or a hand therapist')
})

test('what one page keeps, another open page shows: the instrument, the tray', async ({ page, context }) =>
  onBench(page, async () => {
    await emptyTray(page)
    await page.reload()
    await expect(page.locator('[data-alive]')).toBeVisible()
    const other = await context.newPage()
    await other.goto('/?chord=C&strings=5432')
    await expect(other.locator('[data-alive]')).toBeVisible()
    const menu = (of: Page) => of.getByRole('button', { name: /^Instrument: / })
    await choose(page, 'Tuning', 'D A D F♯ A D')
    await expect(menu(other)).toContainText('Bench · D A D F♯ A D')
    await expect(other.getByTestId('neck')).toContainText('F♯')
    await other.keyboard.press('t')
    const shapes = page.getByRole('list', { name: 'Shapes in the tray' })
    await expect(shapes.getByRole('listitem')).toHaveCount(1)
    await page.getByRole('button', { name: 'Empty the tray' }).click()
    await expect(other.getByRole('list', { name: 'Shapes in the tray' })).toHaveCount(0)
  }))
