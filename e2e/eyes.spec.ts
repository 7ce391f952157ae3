/** What has to be seen: on phones and zoomed, with wider spacing, in the system's colours, printed. */

import { emptyTray } from './support/kept.ts'
import { settled } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

const VIEWS = [
  '/?chord=Ebmaj7&strings=5432&shape=x6878x',
  '/map?chord=Ebmaj7&add=9',
  '/arpeggio?chord=Cmaj7',
  '/key?key=Bb',
  '/path',
  '/practice',
  '/cards',
  '/logbook',
  '/book',
  '/book?show=sets',
  '/book?show=sheets',
  '/book?show=files',
  '/sheet',
  '/setup',
] as const

async function open(page: Page, path: string) {
  await page.goto(path)
  await settled(page)
}

/** What stands further right than the screen and can't be scrolled to in a box of its own. */
const overflowing = (page: Page) =>
  page.evaluate(() => ({
    page: document.documentElement.scrollWidth - window.innerWidth,
    wide: [...document.querySelectorAll('main *, header *, [aria-label="Tray"] *')]
      .filter((one) => one.getClientRects().length > 0 && one.getBoundingClientRect().right > window.innerWidth + 1)
      .filter((one) => {
        for (let at = one.parentElement; at; at = at.parentElement)
          if (/auto|scroll|hidden/.test(getComputedStyle(at).overflowX)) return false
        return !one.closest('.heard-only')
      })
      .slice(0, 3)
      .map((one) => one.outerHTML.slice(0, 90)),
  }))

// 320 px wide is 1280 at 400 %; 640 is 1280 at 200 %.
for (const width of [320, 390, 640])
  test(`nothing is wider than the screen at ${width}`, async ({ page }) => {
    await page.setViewportSize({ width, height: 800 })
    for (const path of VIEWS) {
      await open(page, path)
      const { page: over, wide } = await overflowing(page)
      expect({ path, over: Math.max(0, over), wide }).toEqual({ path, over: 0, wide: [] })
    }
  })

test('on a phone a filled tray lies within the screen, and a page that opens with one reports no error', async ({
  page,
}) => {
  const errors: string[] = []
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
  page.on('pageerror', ({ message }) => errors.push(message))
  await page.setViewportSize({ width: 390, height: 844 })
  await open(page, VIEWS[0])
  await page.keyboard.press('t')
  await expect.poll(async () => (await (await page.request.get('/api/tray')).json()).steps.length).toBeGreaterThan(0)
  for (const path of ['/', '/key?key=Bb', '/book']) {
    await open(page, path)
    await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem').first()).toBeVisible()
    const { page: over, wide } = await overflowing(page)
    expect({ path, over: Math.max(0, over), wide }).toEqual({ path, over: 0, wide: [] })
  }
  expect(errors).toEqual([])
  await emptyTray(page.request)
})

test('no number or letter of a drawing is smaller than 10 px on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const path of VIEWS) {
    await open(page, path)
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('svg text')].flatMap((text) => {
        const scale = (text as SVGTextElement).getScreenCTM()?.d ?? 1
        const px = Number.parseFloat(getComputedStyle(text).fontSize) * scale
        const isSeen = (text.textContent ?? '').trim() !== '' && text.getClientRects().length > 0
        // Staff and TAB are engraved; they are as large as their system.
        return isSeen && px < 9.95 && !text.closest('[data-testid=notation]')
          ? [`${text.textContent} ${px.toFixed(1)} px in ${text.closest('svg')?.getAttribute('class')}`]
          : []
      }),
    )
    expect({ path, small: [...new Set(small)].slice(0, 4) }).toEqual({ path, small: [] })
  }
})

test('beside six tones the field for a chord in mind is in sight; at 1024 the sentence is one line, and the tones to find in sight', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await open(page, '/?chord=D13&arrangement=any&strings=any')
  await expect(page.getByLabel('is it')).toBeInViewport({ ratio: 1 })
  await page.setViewportSize({ width: 1024, height: 768 })
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  const sentence = await page.getByRole('region', { name: 'Build line' }).locator('p').first().boundingBox()
  expect(sentence?.height).toBeLessThan(45)
  await open(page, '/arpeggio?chord=Cmaj7')
  await expect(page.getByRole('button', { name: /^Find / }).first()).toBeInViewport({ ratio: 1 })
})

test('the strings keep their names in sight while a neck scrolls', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await open(page, '/?chord=Ebmaj7&strings=5432&shape=x-13-13-12-15-x')
  const names = page.getByRole('region', { name: 'Neck' }).locator('span > b')
  await expect(names).toHaveCount(6)
  for (const name of await names.all()) await expect(name).toBeInViewport({ ratio: 0.9 })
})

test('with the widest spacing of text that a reader may set, every word of an act stays whole', async ({ page }) => {
  for (const path of ['/', '/map?chord=C', '/key?key=Bb', '/practice', '/book']) {
    await open(page, path)
    await page.addStyleTag({
      content:
        '* { letter-spacing: 0.12em !important; word-spacing: 0.16em !important; line-height: 1.5 !important } p { margin-bottom: 2em !important }',
    })
    await settled(page)
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll('[aria-label="Acts"] button, [aria-label="Acts"] a, header nav a')]
        .filter((one) => {
          // The words themselves: a key that has stepped out of sight beside them is no word cut.
          const words = document.createRange()
          const text = [...one.childNodes].find((node) => node.nodeType === Node.TEXT_NODE) ?? one
          words.selectNodeContents(text)
          const [of, box] = [words.getBoundingClientRect(), one.getBoundingClientRect()]
          return (
            of.left < box.left - 1 || of.right > box.right + 1 || of.top < box.top - 1 || of.bottom > box.bottom + 1
          )
        })
        .map((one) => one.textContent),
    )
    expect({ path, cut }).toEqual({ path, cut: [] })
    expect(Math.max(0, (await overflowing(page)).page)).toBe(0)
  }
})

test('in the system’s own colours what is chosen is framed, and drawings keep theirs', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await open(page, VIEWS[0])
  const styleOf = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((one) => ({
        outline: getComputedStyle(one).outlineStyle,
        adjust: getComputedStyle(one).forcedColorAdjust,
      }))
  expect((await styleOf('[data-testid=shape-row][aria-pressed=true]')).outline).toBe('solid')
  expect((await styleOf('[data-testid=shape-row][aria-pressed=false]')).outline).toBe('none')
  expect((await styleOf('[aria-label="Views"] [aria-current]')).outline).toBe('solid')
  expect((await styleOf('[data-testid=neck]')).adjust).toBe('none')
})

/** Relative luminance, and the contrast of two colours, as WCAG counts them. */
function contrast(a: readonly number[], b: readonly number[]): number {
  const light = (colour: readonly number[]) => {
    const [r = 0, g = 0, bl = 0] = colour.map((part) => {
      const value = part / 255
      return value <= 0.03928 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
    })
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl
  }
  const [more, less] = [light(a), light(b)].sort((x, y) => y - x) as [number, number]
  return (more + 0.05) / (less + 0.05)
}

test('the signs in eggs are filled and nothing else, whatever the lines of a drawing are', async ({ page }) => {
  for (const path of [
    '/?chord=Ebmaj7&shape=x6878x',
    '/map?chord=Ebmaj7&add=9',
    '/key?key=Bb',
    '/arpeggio?chord=Cmaj7',
  ]) {
    await open(page, path)
    const signs = page.locator('svg [data-label]')
    await expect(signs.first()).toBeVisible()
    const strokes = await signs.evaluateAll((all) => all.map((sign) => getComputedStyle(sign).stroke))
    expect(strokes.filter((stroke) => stroke !== 'none')).toEqual([])
  }
})

test('wires and borders stand out three to one, by day and at dusk', async ({ page }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme })
    await open(page, VIEWS[0])
    const colours = await page.evaluate(() => {
      const probe = document.createElement('i')
      document.body.append(probe)
      return ['--edge', '--paper', '--surface', '--sunk'].map((role) => {
        probe.style.color = `var(${role})`
        return (getComputedStyle(probe).color.match(/\d+/g) ?? []).map(Number)
      })
    })
    const [edge = [], ...grounds] = colours
    for (const ground of grounds) expect(contrast(edge, ground)).toBeGreaterThanOrEqual(3)
    const wire = await page
      .locator('[data-testid=neck] line')
      .first()
      .evaluate((one) => (getComputedStyle(one).stroke.match(/\d+/g) ?? []).map(Number))
    expect(wire).toEqual(edge)
  }
})

test('printed, a view is itself on white, with its legend and instrument, and without controls', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  // A4 upright without its margins.
  await page.setViewportSize({ width: 710, height: 1000 })
  for (const path of VIEWS.filter((one) => !one.startsWith('/sheet'))) {
    await page.emulateMedia({ colorScheme: 'dark', media: 'screen' })
    await open(page, path)
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' })
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
    const seen = await page.evaluate(() => ({
      ground: getComputedStyle(document.body).backgroundColor,
      over: Math.max(0, document.documentElement.scrollWidth - window.innerWidth),
      controls: [
        ...document.querySelectorAll('header, [aria-label="Acts"], [aria-label="Tray"], input[type=text]'),
      ].filter((one) => one.getClientRects().length > 0).length,
      foot: document.querySelector('.on-paper')?.textContent ?? '',
      isFootSeen: (document.querySelector('.on-paper')?.getClientRects().length ?? 0) > 0,
    }))
    expect({ path, ...seen, foot: '' }).toEqual({
      path,
      ground: 'rgb(255, 255, 255)',
      over: 0,
      controls: 0,
      foot: '',
      isFootSeen: true,
    })
    expect(seen.foot).toMatch(/Archtop, E A D G B E.*20\d\d.*Dotted: third/)
  }
})

test('Build’s paper has the shape in hand on staff and TAB, and never an earlier one', async ({ page }) => {
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  // Print is the browser's; what it would print is looked at.
  await page.evaluate(() => Object.assign(window, { print: () => document.body.setAttribute('data-printed', '') }))
  const written = page.getByTestId('written')
  const digits = () =>
    written
      .locator('text')
      .evaluateAll((texts) => texts.map((one) => one.textContent).filter((text) => /^\d+$/.test(text ?? '')))
  await page.keyboard.press('Control+p')
  await expect(page.locator('[data-printed]')).toHaveCount(1)
  // From the first string down, as they stand.
  expect((await digits()).toSorted()).toEqual(['6', '7', '8', '8'])
  await page.emulateMedia({ media: 'print' })
  await expect(written).toBeVisible()
  // The signs are the notation's own, not boxes of another font.
  await expect(written.locator('text').first()).toHaveCSS('font-family', /^Bravura/)
  await page.emulateMedia({ media: 'screen' })
  await expect(written).toBeHidden()
  await page.keyboard.press('ArrowDown')
  await expect(written.locator('svg')).toHaveCount(0)
  await page.getByRole('button', { name: 'copy, print' }).click()
  await page.getByRole('menuitem', { name: 'Print' }).click()
  await expect(written.locator('svg')).toHaveCount(1)
  const frets = (await page.getByTestId('shape-text').textContent())?.match(/\d/g)?.toSorted()
  await expect.poll(async () => (await digits()).toSorted()).toEqual(frets)
})

test('on paper the instrument is tuned as the view’s sentence says', async ({ page }) => {
  await open(page, '/map?chord=G&tuning=D2,G2,D3,G3,B3,D4')
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.on-paper')).toContainText('Archtop, D G D G B D')
})

test('a small neck faces as the large one does, for a left-handed player and with the low string on top', async ({
  page,
}) => {
  const firstEgg = () =>
    page
      .getByRole('article', { name: 'first bar' })
      .locator('path[data-weight=root]')
      .first()
      .evaluate((egg) => {
        const { x, y, width, height } = (egg as SVGPathElement).getBBox()
        const neck = (egg as SVGElement).ownerSVGElement?.viewBox.baseVal.width ?? 0
        return { x: x + width / 2, y: y + height / 2, width: neck }
      })
  await open(page, '/book')
  const plain = await firstEgg()
  const data = {
    name: 'Left of the Book',
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
  const { instrumentId } = await (await page.request.get('/api/settings')).json()
  const { id } = await (await page.request.post('/api/instruments', { data })).json()
  await page.request.patch('/api/settings', { data: { lowOnTop: true, instrumentId: id } })
  try {
    await open(page, '/book')
    const flipped = await firstEgg()
    expect(flipped.x).toBeCloseTo(plain.width - plain.x, 1)
    expect(flipped.y).not.toBeCloseTo(plain.y, 0)
  } finally {
    await page.request.delete(`/api/instruments/${id}`, { headers: { 'content-type': 'application/json' } })
    await page.request.patch('/api/settings', { data: { lowOnTop: false, instrumentId } })
  }
})

test('on a phone held lying the tray is one line, nothing lies over the strip of a run, and a card is in sight with its field', async ({
  page,
}) => {
  await page.setViewportSize({ width: 844, height: 390 })
  await open(page, '/?chord=Fm9')
  await page.keyboard.press('t')
  const tray = page.getByRole('region', { name: 'Tray' })
  await expect(tray.getByRole('listitem')).toHaveCount(1)
  const box = await tray.boundingBox()
  expect(box?.height).toBeLessThan(60)
  for (const act of ['Practise', 'Save to Book', 'Empty the tray']) {
    const place = tray.getByRole(act === 'Practise' ? 'link' : 'button', { name: act })
    await place.scrollIntoViewIfNeeded()
    await expect(place).toBeInViewport({ ratio: 1 })
  }
  await emptyTray(page.request)
  await open(page, '/practice')
  const tempo = page.getByRole('button', { name: /^click/ }).last()
  const at = await tempo.boundingBox()
  const top = await page.evaluate(
    ([x, y]) => document.elementFromPoint(x as number, y as number)?.closest('button')?.textContent,
    [(at?.x ?? 0) + (at?.width ?? 0) / 2, (at?.y ?? 0) + (at?.height ?? 0) / 2],
  )
  expect(top).toMatch(/^click/)
  await open(page, '/cards')
  await expect(page.getByTestId('card-question')).toBeInViewport()
  await expect(page.getByRole('textbox', { name: 'Answer' })).toBeInViewport()
})
