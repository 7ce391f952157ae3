/** Practice in real time: a run with the simulated player, the digits, a server that is away; the acts that lead here. */

import { settings, usualSound } from './support/arpeggio.ts'
import { choose, word } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

test.afterEach(({ request }) => usualSound(request))
test.afterEach(({ request }) => settings(request, { earJudges: false }))

interface Entry {
  readonly id: string
  readonly root: string
  readonly grade: string
  readonly judge: string
  readonly shown: boolean
  readonly tempo: number
  readonly faults: string
  readonly frets: string
}
const today = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const now = new Date()
    return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-')
  })
async function log(page: Page, material: string): Promise<readonly Entry[]> {
  const day = await today(page)
  const answer = await page.request.get(`/api/log?${new URLSearchParams({ from: day, to: day, material })}`)
  return ((await answer.json()) as { entries: Entry[] }).entries
}
async function open(page: Page, query: string) {
  await page.goto(`/practice?${query}`)
  await expect(page.locator('[data-alive]')).toBeVisible()
}
const running = (page: Page) => expect(page.getByTestId('beat')).toContainText(/beat \d of 4/)

test('a run of twelve with the simulated player: heard, graded by the ear, and kept root by root', async ({ page }) => {
  test.slow()
  await open(page, 'material=m6&place=nearest&tempo=150')
  await page.getByRole('button', { name: /the ear judges/ }).click()
  await choose(page, 'Listen to', 'a simulated player who plays it right')
  await page.getByRole('button', { name: 'Start' }).click()
  await running(page)
  // Twelve bars in real time.
  await expect(page.getByTestId('round-told')).toContainText(/last round/, { timeout: 60_000 })
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()
  await expect(async () => {
    const entries = (await log(page, 'm6')).toReversed().slice(0, 12)
    expect(entries.map(({ root }) => root).join(' ')).toBe('E A D G C F Bb Eb Ab Db F# B')
    expect(entries.every(({ judge, tempo }) => judge === 'ear' && tempo === 150)).toBe(true)
    // In real time a machine may stall over a chord or two.
    expect(entries.filter(({ grade }) => grade === 'had').length).toBeGreaterThanOrEqual(9)
  }).toPass()
})

test('a string that is missed is told at its end, proposed as hard, and overruled by a digit', async ({ page }) => {
  test.slow()
  await open(page, 'material=7&place=5&tempo=40')
  await page.getByRole('button', { name: /the ear judges/ }).click()
  await choose(page, 'Listen to', 'a simulated player who misses a string')
  await page.getByRole('button', { name: 'Start' }).click()
  await running(page)
  await expect(page.getByTestId('run-neck').getByText('not heard').first()).toBeVisible()
  // In real time a machine may stall over a chord, and hear it otherwise: then the next root is overruled.
  await expect(async () => {
    await expect(page.getByText(/it says hard/)).toBeVisible()
    await page.keyboard.press('3')
    await expect(page.getByText('you say had it')).toBeVisible()
    const overruled = { grade: 'had', judge: 'player', faults: expect.stringMatching(/:0/) }
    expect(await log(page, '7')).toContainEqual(expect.objectContaining(overruled))
  }).toPass({ timeout: 90_000 })
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()
})

test('without the ear digits say how it went; what is shown is hard at best; what nobody judged was played', async ({
  page,
}) => {
  test.slow()
  await open(page, 'material=maj9&place=5&tempo=120')
  await page.keyboard.press('Space')
  await running(page)
  await page.keyboard.press('4')
  await page.keyboard.press('s')
  await expect(page.getByTestId('run-neck').locator('[data-testid=tone][data-known]')).toHaveCount(4)
  await expect(page.getByTestId('round-told')).toContainText('not graded')
  await page.keyboard.press('Space')
  const entries = await log(page, 'maj9')
  expect(entries.at(-1)).toMatchObject({ grade: 'hard', shown: true, judge: 'player' })
  expect(entries.some(({ grade }) => grade === 'played')).toBe(true)
})

test('while the server is away nothing is lost: it is told, waits, and is sent when the server is back', async ({
  page,
}) => {
  test.slow()
  await open(page, 'material=m9&place=5&tempo=150')
  await page.route('**/api/practice/attempts', (route) => route.abort())
  await page.keyboard.press('Space')
  await running(page)
  await expect(page.getByText(/not kept yet: the server does not answer/)).toBeVisible()
  await page.keyboard.press('Space')
  // Another page finds what this one could not send.
  await page.unroute('**/api/practice/attempts')
  await page.goto('/logbook')
  await expect.poll(async () => (await log(page, 'm9')).length).toBeGreaterThan(0)
})

test('the typed line, the words and the address say the same run, and undo takes it back', async ({ page }) => {
  await open(page, '')
  await page.keyboard.press('/')
  await page.keyboard.type('maj7 on 6 fifths from Bb 92')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('run-material')).toHaveText('Major sevenths')
  await expect(word(page, 'Places')).toHaveText('on string 6')
  await expect(word(page, 'Order of roots')).toHaveText('by fifths')
  await expect(page.getByTestId('run-tempo')).toHaveText('92')
  await expect(page.getByTestId('run-chord')).toHaveText('B♭maj7')
  await expect(page).toHaveURL(/material=maj7&place=6&cycle=fifths&from=Bb/)
  await choose(page, 'What is shown', 'nothing')
  await expect(page.getByTestId('run-neck').getByTestId('tone')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('run-neck').getByTestId('tone')).toHaveCount(4)
  await page.keyboard.press('/')
  await page.keyboard.type('maj7 by sixths')
  await expect(page.getByTestId('line-wrong')).toContainText('sixths says nothing of a run')
})

test('a root that is pressed is where the run goes on', async ({ page }) => {
  test.slow()
  await open(page, 'material=m7&tempo=60')
  await page.getByRole('button', { name: 'C: to come' }).click()
  await expect(page.getByTestId('run-chord')).toHaveText('Cm7')
  await page.keyboard.press('Space')
  await running(page)
  await expect(page.getByTestId('run-chord')).toHaveText('Cm7')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('run-chord')).toHaveText('Fm7')
  await page.keyboard.press('Space')
})

test('"Practise" leads here from every view, with what is in hand', async ({ page }) => {
  const practise = page.getByRole('main').getByRole('link', { name: /^Practise/ })
  for (const [path, chord, query] of [
    ['/?chord=Ebmaj7&shape=x6878x', 'E♭maj7', /material=Ebmaj7=x6878x/],
    ['/map?chord=Ebmaj7&arrangement=drop-2', 'E♭maj7', /material=Ebmaj7=/],
    ['/arpeggio?chord=Cm7', 'Cm7', /material=arpeggio/],
    ['/key?key=Bb', 'B♭maj7', /title=Bb/],
    ['/path?tune=3', 'Fm9', /title=Slow/],
  ] as const) {
    await page.goto(path)
    await practise.first().click()
    await expect(page).toHaveURL(query)
    await expect(page.getByTestId('run-chord')).toHaveText(chord)
  }
  await page.goto('/?chord=Ebmaj7&shape=x6878x')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.keyboard.press('t')
  await page.getByRole('region', { name: 'Tray' }).getByRole('link', { name: 'Practise' }).click()
  await expect(page.getByTestId('run-chord')).toHaveText('E♭maj7')
  await page.goto('/book')
  await page.getByRole('button', { name: /^Open bridge, C♯7♯9/ }).click()
  await page
    .getByRole('group', { name: 'Acts' })
    .getByRole('link', { name: /^Practise/ })
    .click()
  await expect(page.getByTestId('run-chord')).toHaveText('C♯7♯9')
  // The browser's own back leads back.
  await page.goBack()
  await expect(page).toHaveURL(/\/book/)
})

test('beats of the run are on time', async ({ page }) => {
  test.slow()
  await open(page, 'material=m7&tempo=180')
  await page.keyboard.press('Space')
  await running(page)
  await expect.poll(() => page.getByTestId('playing').getAttribute('data-struck').then(Number)).toBeGreaterThan(0)
  await expect(page.getByTestId('playing')).toHaveAttribute('data-late', '0')
  await page.keyboard.press('Space')
})
