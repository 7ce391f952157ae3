/** Nothing on the page ever contradicts anything else on it: headline, neck, names, list and address after many random acts. */
import { typeOver } from './support/hands.ts'
import { expect, type Page, test } from './support/test.ts'

const ACTS = Number(process.env['E2E_ACTS'] ?? 120)
const SEED = Number(process.env['FC_SEED'] ?? 20261126)

/** Numbers from 0 to 1, the same ones for the same seed. */
function randomFrom(seed: number): () => number {
  let state = seed
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}

const LINES = [
  'A',
  'Am7',
  'Gsus4',
  'E5',
  'C9',
  'F#m7b5 drop3 6432',
  'x32010',
  '3 7 R 5 6521',
  'm3 m3 m3',
  'Dm9 rootless',
  'drop2 4321',
  'close any strings',
  '2nd inversion',
  'Bb13 5432',
  'x5545x',
  'R b3 5 b7',
  'any any strings',
  'D/F#',
  'open',
  'no 5',
  'Ebmaj7 5432',
  'fret 5',
  'xx0232',
  'nonsense',
  'C7 dorp2',
] as const
const KEYS = [
  'ArrowLeft',
  'ArrowRight',
  'ArrowUp',
  'ArrowDown',
  '[',
  ']',
  'Control+z',
  'Control+Shift+z',
  'l',
  'Backspace',
] as const

async function actOf(page: Page, random: () => number): Promise<string> {
  const pick = <One>(all: readonly One[]): One => all[Math.floor(random() * all.length)] as One
  const oneOf = async (selector: string, act: 'click' | 'hover') => {
    const all = page.locator(selector)
    const count = await all.count()
    if (count === 0) return 'nothing there'
    const at = Math.floor(random() * count)
    // What has moved on meanwhile is let be.
    await all
      .nth(at)
      [act]({ timeout: 1500, noWaitAfter: true })
      .catch(() => undefined)
    return `${act} ${selector} ${at}`
  }
  const kind = random()
  if (kind < 0.2) {
    const line = pick(LINES)
    await typeOver(page.locator('#build-line-input'), line)
    if (random() < 0.7) await page.locator('#build-line-input').press('Enter')
    return `type ${line}`
  }
  if (kind < 0.45) {
    await page.locator('#build-line-input').blur()
    const key = pick(KEYS)
    await page.keyboard.press(key)
    return key
  }
  if (kind < 0.6) return oneOf('[data-testid=candidate]', 'click')
  if (kind < 0.68) return oneOf('[data-testid=candidate]', 'hover')
  if (kind < 0.8) return oneOf('[data-testid=shape-row]', 'click')
  if (kind < 0.86) return oneOf('[data-testid=name]', 'click')
  const string = 1 + Math.floor(random() * 6)
  const fret = Math.floor(random() * 13)
  const box = await page.locator(`[data-place="${string}:${fret}"]`).boundingBox()
  if (box) await page.mouse.click(box.x + box.width * 0.66, box.y + box.height / 2)
  return `press ${string}:${fret}`
}

/** Everything that contradicts something else, in words; empty when all agree. */
const disagreements = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const found: string[] = []
    const all = (selector: string) => [...document.querySelectorAll<HTMLElement>(selector)]
    const text = (selector: string) => document.querySelector(selector)?.textContent?.trim() ?? ''
    const symbol = text('[aria-label^="Chord "]')
    const formula = text('[data-testid=formula]').split(' ')
    const eggs = all('[data-testid=egg]')
    const strings = all('[data-place]').reduce(
      (most, place) => Math.max(most, Number(place.dataset['place']?.split(':')[0])),
      0,
    )
    const frets: (string | undefined)[] = Array.from({ length: strings })
    for (const egg of eggs) frets[strings - Number(egg.dataset['string'])] = egg.dataset['fret'] as string
    const wide = frets.some((fret) => Number(fret) > 9)
    const onNeck = eggs.length === 0 ? '' : frets.map((fret) => fret ?? 'x').join(wide ? '-' : '')
    const told = text('[data-testid=shape-text]')
    if (told !== onNeck) found.push(`neck ${onNeck}, told ${told}`)
    const sign = (degree = '') =>
      degree.replaceAll('bb', '𝄫').replaceAll('##', '𝄪').replaceAll('b', '♭').replaceAll('#', '♯')
    const outside = eggs.map((egg) => sign(egg.dataset['degree'])).filter((degree) => !formula.includes(degree))
    if (outside.length > 0 && !symbol.includes('/') && eggs.length > 1) found.push(`${symbol} has no ${outside.join()}`)
    const address = new URLSearchParams(location.search)
    if (document.querySelector('[aria-label="Shapes found"]')?.getAttribute('aria-busy') === 'true') found.push('busy')
    const plain = symbol.replaceAll('𝄫', 'bb').replaceAll('𝄪', '##').replaceAll('♭', 'b').replaceAll('♯', '#')
    if (address.get('chord') !== plain) found.push(`headline ${plain}, address ${address.get('chord')}`)
    if ((address.get('shape') ?? '') !== onNeck) found.push(`neck ${onNeck}, address ${address.get('shape')}`)
    const pressed = all('[data-testid=rails] [aria-pressed=true]').map((bar) => bar.dataset['frets'])
    const seen = eggs.length > 1 && Math.max(...eggs.map((egg) => Number(egg.dataset['fret']))) <= 15
    if (seen && outside.length === 0 && pressed.join() !== onNeck) found.push(`neck ${onNeck}, list ${pressed.join()}`)
    if (all('[data-testid=name]').some((name) => name.textContent === symbol)) found.push(`${symbol} is also ${symbol}`)
    const candidates = all('[data-testid=candidate][aria-pressed=true]').map((one) => one.textContent)
    if (candidates.some((one) => one !== symbol && !symbol.startsWith(`${one}/`)))
      found.push(`family ${candidates.join()}`)
    return found
  })

// What stands in the eggs is kept with the settings: the other tests want it as it was.
test.afterEach(async ({ page }) => {
  await page.request.patch('/api/settings', { data: { labels: 'degree' } })
})

test(`after each of ${ACTS} random acts everything agrees`, async ({ page }) => {
  test.setTimeout(600_000)
  await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  const random = randomFrom(SEED)
  const done: string[] = []
  for (let act = 0; act < ACTS; act++) {
    done.push(await actOf(page, random))
    await expect
      .poll(() => disagreements(page), {
        message: `seed ${SEED}, act ${act}: ${done.slice(-4).join('; ')}`,
        intervals: [60, 60, 100, 200],
        timeout: 30_000,
      })
      .toEqual([])
  }
})

test('on a narrow screen what is told takes its own room: it lies over nothing', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 900 })
  await page.goto('/key?key=C')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.locator('body').press('p')
  const notice = page.getByRole('status').filter({ hasText: 'Nothing is written' })
  await expect(notice).toBeVisible()
  // At the page's end everything stands above it, once it has come in.
  const bottom = async (one: ReturnType<typeof page.getByRole>) => {
    const box = await one.boundingBox()
    return (box?.y ?? 0) + (box?.height ?? 0)
  }
  const top = async (one: ReturnType<typeof page.getByRole>) => (await one.boundingBox())?.y ?? 0
  await expect
    .poll(async () => {
      await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
      return (await bottom(page.getByRole('main'))) <= (await top(notice)) + 1
    })
    .toBe(true)
  // It slides in: read at one moment, it may still be on its way.
  const tray = page.getByRole('region', { name: 'Tray' })
  await expect.poll(async () => (await bottom(notice)) - (await top(tray))).toBeLessThanOrEqual(1)
})
