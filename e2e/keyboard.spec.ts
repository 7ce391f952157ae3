/** Without a mouse: everything that can be pressed is reached by Tab, or by arrows within its group, and has a name. */
import { settled } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

/** Goes through the whole page by Tab and tells what was not reached, and what was reached and says nothing. */
async function walkByTab(page: Page) {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  for (let presses = 0; presses < 220; presses++) {
    await page.keyboard.press('Tab')
    const isRound = await page.evaluate(() => {
      const now = document.activeElement
      if (!now || now === document.body || now.hasAttribute('data-was-reached')) return true
      now.setAttribute('data-was-reached', '')
      return false
    })
    if (isRound) break
  }
  return page.evaluate(() => {
    const nameOf = (one: Element) =>
      (one.getAttribute('aria-label') ?? one.getAttribute('aria-labelledby') ?? one.textContent ?? '').trim() ||
      (one instanceof HTMLInputElement ? [...(one.labels ?? [])].map((label) => label.textContent).join('') : '') ||
      one.getAttribute('title') ||
      ''
    const told = (one: Element) => `${one.tagName.toLowerCase()} ${nameOf(one).slice(0, 60)}`
    const pressable = [
      ...document.querySelectorAll('button, a[href], input, select, [role="button"], [tabindex]'),
    ].filter(
      (one) =>
        one.checkVisibility({ checkVisibilityCSS: true }) &&
        !(one as HTMLButtonElement).disabled &&
        !one.closest('[inert], [aria-hidden="true"]'),
    )
    const isStop = (one: Element) => (one as HTMLElement).tabIndex >= 0
    const radioGroup = (one: Element) => one instanceof HTMLInputElement && one.type === 'radio'
    return {
      count: document.querySelectorAll('[data-was-reached]').length,
      missed: pressable
        .filter((one) => isStop(one) && !one.hasAttribute('data-was-reached') && !radioGroup(one))
        .map(told),
      // What arrows reach stands beside a stop of its own group.
      alone: pressable
        .filter((one) => !isStop(one) && one.matches('button, a, [role="button"]'))
        .filter(
          (one) =>
            !one.closest('[data-one-stop]')?.querySelector('[tabindex="0"]') &&
            !one
              .closest('[role="group"], [role="tablist"], ul, table, [role="radiogroup"], [role="grid"]')
              ?.querySelector('[tabindex="0"], button:not([tabindex]), [data-was-reached]'),
        )
        .map(told),
      nameless: [...document.querySelectorAll('[data-was-reached]')].filter((one) => nameOf(one) === '').map(told),
    }
  })
}

for (const path of [
  '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x',
  '/map?chord=Ebmaj7',
  '/arpeggio?chord=Ebmaj7&shape=x6878x&scale=Lydian',
  '/key?key=Bb',
  '/path',
  '/practice',
  '/logbook',
  '/book',
  '/setup',
])
  test(`${path.split('?')[0]}: Tab reaches all of it and everything says what it is`, async ({ page }) => {
    await page.goto(path)
    await settled(page)
    const { count, missed, alone, nameless } = await walkByTab(page)
    expect(count).toBeGreaterThan(10)
    expect(missed).toEqual([])
    expect(alone).toEqual([])
    expect(nameless).toEqual([])
  })

test('a shape is built, changed, compared, collected and kept without a mouse, and what is in hand is said', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.locator('[data-alive]')).toBeVisible()
  const said = page.locator('p[aria-live=polite]')
  await page.keyboard.press('/')
  await page.keyboard.type('Am7 drop2 5432')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(said).toContainText('A minor seven')
  // From the list, by arrows from bar to bar.
  const inHand = page.getByTestId('rails').locator('[aria-pressed=true]')
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0)
  const before = await page.getByTestId('shape-text').textContent()
  await expect(async () => {
    await inHand.focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('shape-text')).not.toHaveText(before ?? '', { timeout: 10_000 })
  }).toPass()
  // From what lies one fret away.
  const places = page.getByRole('table', { name: 'One fret away: what the chord becomes' }).getByTestId('candidate')
  await places.first().focus()
  await expect(page.getByTestId('ghost-move')).toBeVisible()
  const symbol = /^([^:]+):/.exec((await places.first().getAttribute('aria-label')) ?? '')?.[1] ?? ''
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText(symbol)
  await expect(said).not.toContainText('A minor seven, ')
  await expect(said).toContainText(/^[A-G]( flat| sharp)? ?[a-z ]*, string 6/)
  await page.locator('body').press('t')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' }).getByRole('listitem')).toHaveCount(1)
  // What was done last is taken back first: the tray, then the chord.
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('list', { name: 'Shapes in the tray' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText(symbol)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Am7')
})

for (const [path, list] of [
  ['/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x', '[aria-label="Shapes found"]'],
  ['/arpeggio?chord=Ebmaj7&shape=x6878x', '[aria-label="Positions along the neck"]'],
  ['/key?key=Bb', '[aria-label="Keys by fourths"]'],
  ['/practice', '[aria-label="Roots of the round"]'],
  ['/book', '[data-testid="book-list"]'],
] as const)
  test(`${path.split('?')[0]}: the list is one stop, and arrows go through it`, async ({ page }) => {
    await page.goto(path)
    await expect(page.locator('[data-alive]')).toBeVisible()
    const box = page.locator(list).locator('xpath=descendant-or-self::*[@data-one-stop]').first()
    await expect(box.locator('[tabindex="0"]')).toHaveCount(1)
    await expect(box.locator('button:not([tabindex]), a[href]:not([tabindex])')).toHaveCount(0)
    await box.locator('[tabindex="0"]').focus()
    const before = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))
    await page.keyboard.press('ArrowRight')
    const after = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))
    expect(after).not.toBe(before)
    await expect(box.locator(':focus')).toHaveAttribute('tabindex', '0')
    await expect(box.locator('[tabindex="0"]')).toHaveCount(1)
  })
