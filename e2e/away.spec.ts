/** One fret away: every place that is pointed at can be hit, slowly, and gives the chord that it names. */
import { rest, typeOver } from './support/hands.ts'
import { expect, test } from './support/test.ts'

const SHAPES = [
  'Cmaj7 x3545x',
  'Ebmaj7 x6878x',
  'G7 3x343x',
  'Am7 5x555x',
  'C x32010',
  'Dm7 xx0211',
  'F 133211',
  'Bm7b5 x2323x',
  'Gdim7 3x232x',
  'C9 x3233x',
  'Fmaj7 1x221x',
  'Cm7 x3534x',
  'E7 x7679x',
  'Amaj7 5x665x',
  'Bbm7 x1312x',
  'D/F# 2x0232',
  'G13 3x345x',
  'Am x02210',
  'C6 x3525x',
  'Gm7 3x333x',
] as const
/** Of the places of each shape, so many: together some of every string and step. */
const PLACES = 2
/** As a person moves the mouse, and looks before pressing. */
const SLOWLY_MS = 350

for (const [number, shape] of SHAPES.entries())
  test(`around ${shape}`, async ({ page }) => {
    const [chord, frets] = shape.split(' ') as [string, string]
    await page.goto(`/?chord=${encodeURIComponent(chord)}&shape=${frets}${frets.includes('0') ? '&open=allow' : ''}`)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByTestId('count')).toHaveText(/\d/)
    const symbol = page.getByRole('button', { name: /^Chord / })
    const around = page.getByRole('region', { name: 'One fret away' })
    const places = around.locator('td').getByTestId('candidate')
    const before = await symbol.textContent()
    await expect(places.first()).toBeVisible()
    const count = await places.count()
    for (let one = 0; one < PLACES; one++) {
      // The names follow the neck a moment later.
      await expect(around).toHaveAttribute('aria-busy', 'false')
      const place = places.nth((number + one * 5) % count)
      const named = /^([^:]+):/.exec((await place.getAttribute('aria-label')) ?? '')?.[1] ?? ''
      const box = await place.boundingBox()
      if (!box) throw new Error('the place has no box')
      await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 6 })
      await rest(page, SLOWLY_MS)
      // Nothing has moved under the pointer.
      expect(await place.boundingBox()).toEqual(box)
      await page.mouse.down()
      await page.mouse.up()
      await expect(symbol).toHaveText(named)
      await page.keyboard.press('Control+z')
      await expect(symbol).toHaveText(before ?? '')
    }
  })

test('every string is named from the shape in hand, after one of more strings and one of fewer', async ({ page }) => {
  await page.goto('/?chord=F&shape=133211')
  await expect(page.locator('[data-alive]')).toBeVisible()
  const away = page.getByRole('region', { name: 'One fret away' })
  const names = away.getByRole('table')
  const line = page.locator('#build-line-input')
  for (const [typed, strings, asItIs] of [
    ['133211', ['1 F', '2 C', '3 A', '4 F', '5 C', '6 F'], ['R', '5', '3', 'R', '5', 'R']],
    ['x3545x', ['2 E', '3 B', '4 G', '5 C'], ['3', '7', '5', 'R']],
    ['xx0212', ['1 F♯', '2 C', '3 A', '4 D'], ['3', '♭7', '5', 'R']],
    ['x32010', ['1 E', '2 C', '3 G', '4 E', '5 C'], ['3', 'R', '5', '3', 'R']],
    ['3x34xx', ['3 B', '4 F', '6 G'], ['3', '♭7', 'R']],
  ] as const) {
    await typeOver(line, typed)
    await line.press('Enter')
    await expect(names.getByRole('rowheader')).toHaveText([...strings])
    await expect(away).toHaveAttribute('aria-busy', 'false')
    const eggs = names.locator('td:has(> svg) [data-label]')
    expect(await eggs.evaluateAll((all) => all.map((egg) => egg.getAttribute('data-label')))).toEqual([...asItIs])
    // One stop of the keyboard, wherever the names came from.
    await expect(names.locator('[data-testid=candidate][tabindex="0"]')).toHaveCount(1)
    await expect(names.locator('[data-testid=candidate]:not([tabindex])')).toHaveCount(0)
  }
})
