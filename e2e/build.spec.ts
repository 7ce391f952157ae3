import { typeOver } from './support/hands.ts'
import { menuItem } from './support/sentence.ts'
import { settled } from './support/settled.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

const line = (page: Page) => page.getByLabel('Type a chord and how to build it')
const symbol = (page: Page) => page.getByRole('button', { name: /^Chord / })
const shapeText = (page: Page) => page.getByTestId('shape-text')

async function open(page: Page, address = '/') {
  await page.goto(address)
  await expect(page.locator('[data-alive]')).toBeVisible()
  await expect(page.getByTestId('count')).toHaveText(/\d/)
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
}

test('a typed symbol becomes shapes on the neck, and the first is in hand', async ({ page }) => {
  await open(page)
  await page.keyboard.press('/')
  await expect(line(page)).toBeFocused()
  await page.keyboard.type('Bbm7 drop2 4321')
  await expect(page.getByTestId('count')).toContainText('on 4 3 2 1')
  await expect(symbol(page)).toHaveText('B♭m7')
  await expect(page.getByTestId('formula')).toHaveText('R ♭3 5 ♭7')
  await expect(page.getByTestId('egg')).toHaveCount(4)
  // The four drop 2 shapes of B♭m7 on the four highest strings, counted by hand, are all there.
  const first = page.getByRole('group', { name: 'strings 4 3 2 1' }).getByTestId('shape-row')
  const texts = await first.evaluateAll((bars) => bars.map((bar) => bar.getAttribute('data-frets') ?? ''))
  expect(texts).toEqual(expect.arrayContaining(['x-x-11-13-11-13', 'x-x-8-10-9-9', 'xx3324', 'xx6666']))
})

test('typed letter by letter, through chords that fit less well, the hand stays where it was, and it is one step', async ({
  page,
}) => {
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x-13-13-12-15-x')
  await expect(shapeText(page)).toContainText('x-13-13-12-15-x')
  await line(page).focus()
  for (const letter of 'Bbm') await page.keyboard.type(letter)
  await expect(symbol(page)).toHaveText('B♭m')
  await page.keyboard.type('7')
  await expect(symbol(page)).toHaveText('B♭m7')
  // The easiest lies at the first fret.
  await expect(shapeText(page)).toContainText('x-13-15-13-14-x')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Control+z')
  await expect(symbol(page)).toHaveText('E♭maj7')
  await expect(shapeText(page)).toContainText('x-13-13-12-15-x')
})

test('the address holds the state: a reload and a link show the same', async ({ page }) => {
  await open(page)
  await typeOver(line(page), 'F#m7b5 drop3 6432')
  await expect(symbol(page)).toHaveText('F♯m7♭5')
  await settled(page)
  const row = page.getByTestId('shape-row').nth(1)
  const shape = (await row.getAttribute('data-frets')) ?? ''
  await row.click()
  await expect.poll(() => page.url()).toContain(`shape=${shape}`)
  await page.reload()
  await expect(shapeText(page)).toContainText(shape)
  await expect(symbol(page)).toHaveText('F♯m7♭5')
})

test('a symbol that can’t be read says what and where, and changes nothing', async ({ page }) => {
  await open(page)
  await typeOver(line(page), 'C7 5432')
  await expect(symbol(page)).toHaveText('C7')
  await line(page).press('Enter')
  const frets = () =>
    page.getByTestId('shape-row').evaluateAll((bars) => bars.map((bar) => bar.getAttribute('data-frets')))
  await settled(page)
  const before = await frets()
  expect(before.length).toBeGreaterThan(3)
  await typeOver(line(page), 'C7x9')
  await expect(
    page.getByTestId('line-wrong').filter({ hasText: 'x9 is not a tension; expected b9, 9 or #9' }),
  ).toBeVisible()
  await expect(line(page)).toHaveAttribute('aria-invalid', 'true')
  await expect(symbol(page)).toHaveText('C7')
  expect(await frets()).toEqual(before)
  await expect(page.getByTestId('egg')).toHaveCount(4)
})

test('arrow keys move along the neck with the name, and through the inversions', async ({ page }) => {
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  await expect(shapeText(page)).toContainText('x6878x')
  await page.keyboard.press('ArrowRight')
  await expect(symbol(page)).toHaveText('Emaj7')
  await expect(shapeText(page)).toContainText('x7989x')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await expect(symbol(page)).toHaveText('Dmaj7')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowUp')
  await expect(shapeText(page)).toContainText('x-10-12-8-11-x')
  await expect(page.getByText(/1st inversion/)).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(shapeText(page)).toContainText('x6878x')
  await page.keyboard.press('Control+z')
  await expect(shapeText(page)).toContainText('x-10-12-8-11-x')
  await page.keyboard.press('Control+Shift+z')
  await expect(shapeText(page)).toContainText('x6878x')
})

test('where the neck ends, a key says so', async ({ page }) => {
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  for (let times = 0; times < 5; times++) await page.keyboard.press('ArrowUp')
  await expect(page.getByText('No higher inversion on these strings: the neck ends.')).toBeVisible()
  await page.keyboard.press('Backspace')
  await page.keyboard.press('t')
  await expect(page.getByText(/Nothing in hand to save/)).toBeVisible()
})

test('the words of the sentence are controls', async ({ page }) => {
  await open(page)
  await page.getByRole('button', { name: /^Arrangement:/ }).click()
  await menuItem(page, /^drop 3/).click()
  await expect(page.getByRole('button', { name: 'Arrangement: drop 3' })).toBeVisible()
  await page.getByRole('button', { name: /^String set:/ }).click()
  await menuItem(page, /^6 4 3 2 \d+$/).click()
  await expect(page.getByTestId('count')).toContainText('on 6 4 3 2')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  // Arrows step at once.
  await page.getByRole('button', { name: /^String set:/ }).press('ArrowDown')
  await expect(page.getByTestId('count')).not.toContainText('on 6 4 3 2')
  await page.getByRole('button', { name: /^More wishes/ }).click()
  await menuItem(page, 'open strings too').click()
  await expect(page.getByRole('button', { name: 'Open strings: open strings too' })).toBeVisible()
})

test('what stands below keeps its place, however long the chord’s name and formula are', async ({ page }) => {
  await open(page, '/?chord=C')
  const top = async () => (await page.locator('[data-place="1:1"]').boundingBox())?.y
  const at = await top()
  // Both with the longest words of a sentence without further wishes; the second has a sign that another font draws.
  for (const [typed, name] of [
    ['F#m(maj13)', 'F♯m(maj13)'],
    ['Abdim9', 'A♭dim9'],
  ] as const) {
    await typeOver(line(page), `${typed} any strings any`)
    await expect(symbol(page)).toHaveText(name)
    expect(await top()).toBe(at)
  }
})

test('Space plays the shape: the strings are rendered and sound', async ({ page }) => {
  const started = await watchSounds(page)
  await open(page, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  expect(await started()).toEqual([])
  await page.keyboard.press('Space')
  await expect.poll(async () => (await started()).length).toBe(4)
  const [first = 0, second = 0] = await started()
  expect(second).toBeGreaterThan(first)
})

for (const [typed, name] of [
  ['x2434x', 'Bmaj7'],
  ['x-15-17-16-17-x', 'Cmaj7'],
] as const)
  test(`a press on a name one fret away that one of ${typed} has replaced meanwhile takes nothing`, async ({
    page,
  }) => {
    await open(page, '/?chord=Cmaj7&shape=x3545x')
    const away = page.getByRole('region', { name: 'One fret away' })
    const place = away.getByRole('table').getByTestId('candidate').first()
    const box = await place.boundingBox()
    await page.mouse.move((box?.x ?? 0) + 12, (box?.y ?? 0) + (box?.height ?? 0) / 2)
    await page.mouse.down()
    await typeOver(line(page), typed)
    await expect(page.getByTestId('shape-text')).toHaveText(typed)
    await expect(away).toHaveAttribute('aria-busy', 'false')
    await page.mouse.up()
    await settled(page)
    await expect(page.getByTestId('shape-text')).toHaveText(typed)
    await expect(symbol(page)).toHaveText(name)
    await place.click()
    await expect(symbol(page)).not.toHaveText(name)
  })

test('a press on a bar whose place another shape has taken meanwhile takes nothing', async ({ page }) => {
  await open(page, '/?chord=Dm7&strings=5432')
  const bar = page.getByTestId('shape-row').nth(2)
  const [was, box] = [await bar.getAttribute('data-frets'), await bar.boundingBox()]
  // A chord a fret higher has its bar under the same pointer.
  await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) * 0.75, (box?.y ?? 0) + (box?.height ?? 0) / 2)
  await page.mouse.down()
  await typeOver(line(page), 'Ebm7 5432')
  await expect(symbol(page)).toHaveText('E♭m7')
  await settled(page)
  await expect(bar).not.toHaveAttribute('data-frets', was ?? '')
  const inHand = () => page.locator('[data-testid=shape-row][aria-pressed=true]').getAttribute('data-frets')
  const [held, now] = [await inHand(), await bar.getAttribute('data-frets')]
  expect(held).not.toBe(now)
  await page.mouse.up()
  await settled(page)
  expect(await inHand()).toBe(held)
  await bar.click()
  await expect.poll(inHand).toBe(now)
})
