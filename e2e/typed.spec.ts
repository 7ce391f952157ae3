/** The first things that a player types, typed and pasted, on a fresh page. */
import { paste, typeOver } from './support/hands.ts'
import { expect, type Page, test } from './support/test.ts'

const line = (page: Page) => page.locator('#build-line-input')
const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })

async function fresh(page: Page) {
  await page.goto('/')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await expect(page.getByTestId('shape-text')).toHaveText(/\d/)
}

/** What the page says of what is in hand, read at one moment. */
const said = (page: Page) =>
  page.evaluate(() => {
    const text = (selector: string) => document.querySelector(selector)?.textContent ?? ''
    return {
      symbol: text('[aria-label^="Chord "]'),
      frets: text('[data-testid=shape-text]'),
      count: text('[data-testid=count]'),
    }
  })
/** The same, once it is another than `before` and stays so. */
async function settled(page: Page, before: object) {
  let last: Awaited<ReturnType<typeof said>> | undefined
  await expect
    .poll(
      async () => {
        const was = JSON.stringify(last)
        last = await said(page)
        return JSON.stringify(last) === was && was !== JSON.stringify(before)
      },
      { intervals: [400] },
    )
    .toBe(true)
  return last as Awaited<ReturnType<typeof said>>
}

for (const [text, name, frets] of [
  ['A', 'A', undefined],
  ['Am', 'Am', undefined],
  ['Gsus4', 'Gsus4', undefined],
  ['E5', 'E5', undefined],
  ['C7', 'C7', undefined],
  ['F#m7b5 drop3 6432', 'F♯m7♭5', undefined],
  ['x32010', 'C', 'x32010'],
  ['3 7 R 5 6521', 'E♭maj7', undefined],
  ['m3 m3 m3', 'E♭dim7', undefined],
  ['Dm9 rootless', 'Dm9', undefined],
] as const)
  test(`${text}, typed and pasted, is the same`, async ({ page }) => {
    await fresh(page)
    const first = await settled(page, {})
    await page.keyboard.press('/')
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
    await expect(symbol(page)).toHaveText(name)
    const typed = await settled(page, first)
    await expect(page.getByTestId('shape-row').first()).toBeVisible()
    await expect(page.getByTestId('shape-text')).toHaveText(frets ?? /\d/)
    expect(typed.count).toMatch(/^[1-9]/)
    // One step: undone it is as it was.
    await page.keyboard.press('Control+z')
    await expect.poll(() => said(page)).toEqual(first)
    await paste(line(page), text)
    await line(page).press('Enter')
    await expect.poll(() => said(page)).toEqual(typed)
  })

test('a wrong word changes nothing, wherever it stands, and says where', async ({ page }) => {
  await fresh(page)
  await page.waitForTimeout(300)
  const before = await said(page)
  await typeOver(line(page), 'C7 dorp2 5432')
  await expect(page.getByTestId('line-wrong').filter({ hasText: 'dorp2' })).toBeVisible()
  await line(page).press('Enter')
  await page.waitForTimeout(300)
  expect(await said(page)).toEqual(before)
})

test('a kept arrangement that can’t fit gives way and says so', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'Am')
  await line(page).press('Enter')
  await expect(page.getByTestId('gave-way')).toHaveText(
    'a triad has three tones; drop 2 wants four: any arrangement is shown',
  )
  await expect(page.getByRole('button', { name: 'Arrangement: any arrangement' })).toBeVisible()
})

test('while a line has no shapes yet the last answer stays, faint, with its own name', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'Am drop3')
  await expect(page.getByRole('region', { name: 'Shapes found' })).toHaveAttribute('data-faint', 'true')
  await expect(symbol(page)).toHaveText('E♭maj7')
  await line(page).press('Enter')
  await expect(symbol(page)).toHaveText('Am')
  await expect(page.getByTestId('ways-out')).toContainText('a triad has three tones; drop 3 wants four')
})

test('this is …: the player names what is in hand', async ({ page }) => {
  await fresh(page)
  await typeOver(line(page), 'x5545x')
  await line(page).press('Enter')
  await expect(page.getByTestId('shape-text')).toHaveText('x5545x')
  await typeOver(line(page), 'this is Cmaj9')
  await line(page).press('Enter')
  await expect(symbol(page)).toHaveText('Cmaj9')
  await expect(page.getByTestId('shape-text')).toHaveText('x5545x')
  await expect(page.locator('[data-testid=egg][data-string="5"]')).toHaveAttribute('data-degree', '9')
})

/** What a trace of the browser tells; times in µs. */
interface Traced {
  readonly name: string
  readonly pid: number
  readonly tid: number
  readonly ts: number
  readonly dur?: number
  readonly args?: { readonly elementCount?: number }
}
/** So many are styled for the line itself and for what lies under the pointer. */
const FEW = 40

test('a frame finds the answer, and the names around it, styled already', async ({ page, browser }) => {
  await fresh(page)
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing', 'devtools.timeline'] })
  await page.evaluate(() => performance.mark('here'))
  for (const chord of ['C9', 'Fm7', 'B13', 'Ebmaj7', 'G7b9', 'A6']) {
    await page.keyboard.press('/')
    await page.keyboard.type(`${chord} any strings any`)
    await page.keyboard.press('Enter')
    await settled(page, {})
  }
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: readonly Traced[] }
  const here = traceEvents.find(({ name }) => name === 'here')
  const ours = traceEvents.filter(({ pid, tid }) => pid === here?.pid && tid === here.tid)
  const frames = ours.filter(({ name }) => name === 'Paint')
  const tasks = ours.filter(({ name }) => name.endsWith('RunTask'))
  const taskOf = (at: Traced) => tasks.find(({ ts, dur = 0 }) => ts <= at.ts && at.ts <= ts + dur)
  const painting = new Set(frames.map(taskOf))
  const styled = ours.filter(({ name, args }) => name === 'UpdateLayoutTree' && (args?.elementCount ?? 0) > FEW)
  expect(styled.length).toBeGreaterThan(6)
  expect(styled.filter((one) => painting.has(taskOf(one))).map(({ args }) => args?.elementCount)).toEqual([])
})
