/** The main acts of every view, once by the keyboard alone and once by touch alone, on a phone. */

import { type MainAct, VIEW_ACTS } from './support/acts.ts'
import { emptyTray } from './support/kept.ts'
import { settled } from './support/settled.ts'
import { expect, type Page, test } from './support/test.ts'

async function open(page: Page, path: string) {
  await emptyTray(page.request)
  await page.goto(path)
  await settled(page)
}

async function touch(page: Page, { place }: MainAct) {
  if (typeof place === 'function') return place(page).tap()
  if ('tap' in place) return place.tap(page)
  await page.getByRole('main').getByRole('button', { name: 'Keys', exact: true }).tap()
  return page.getByRole('dialog').getByRole('button', { name: place.cap, exact: true }).tap()
}

for (const { view, path, acts } of VIEW_ACTS) {
  test(`${view} by the keyboard: ${acts.map(({ name }) => name).join(', ')}`, async ({ page }) => {
    await open(page, path)
    for (const act of acts)
      await test.step(act.name, async () => {
        await page.keyboard.press(act.key)
        await act.done(page)
      })
  })
}

test.describe('by touch', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } })

  for (const { view, path, acts } of VIEW_ACTS)
    test(`${view} by touch: ${acts.map(({ name }) => name).join(', ')}`, async ({ page }) => {
      await open(page, path)
      for (const act of acts)
        await test.step(act.name, async () => {
          await touch(page, act)
          await act.done(page)
        })
    })

  /** A finger that goes down, moves and comes up. */
  async function swipe(page: Page, from: { x: number; y: number }, by: { x: number; y: number }) {
    const client = await page.context().newCDPSession(page)
    const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
      client.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
    await send('touchStart', from.x, from.y)
    for (let part = 1; part <= 8; part++) {
      await send('touchMove', from.x + (by.x * part) / 8, from.y + (by.y * part) / 8)
      await page.evaluate(() => new Promise(requestAnimationFrame))
    }
    await send('touchEnd', 0, 0)
  }
  const middle = async (page: Page, place: string) => {
    const box = await page.locator(`[data-place="${place}"]`).boundingBox()
    if (!box) throw new Error(`no place ${place}`)
    return { x: box.x + box.width / 2, y: box.y + box.height / 2, width: box.width }
  }
  const BUILD = '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'

  test('a tone is dragged along its string by a finger', async ({ page }) => {
    await open(page, BUILD)
    const from = await middle(page, '2:8')
    const to = await middle(page, '2:9')
    await swipe(page, from, { x: to.x - from.x, y: 2 })
    await expect(page.getByTestId('shape-text')).toContainText('x6879x')
  })

  test('a measure of the instrument is pulled by a finger', async ({ page }) => {
    await open(page, '/setup')
    const handle = page.getByTestId('handle-scaleLengthMm')
    const told = () => handle.getAttribute('aria-valuetext')
    const before = await told()
    await handle.scrollIntoViewIfNeeded()
    const box = await handle.locator('rect').last().boundingBox()
    if (!box) throw new Error('no handle')
    await swipe(page, { x: box.x + box.width / 2, y: box.y + box.height / 2 }, { x: 30, y: 0 })
    await expect.poll(told).not.toBe(before)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect.poll(told).toBe(before)
  })

  test('what a pointer is told by resting, a finger is told by a tap and the keyboard by coming there', async ({
    page,
  }) => {
    await open(page, BUILD)
    const title = page.getByTestId('title')
    const place = page.getByTestId('shape-row').nth(1)
    const told = (await place.getAttribute('title')) ?? ''
    expect(told).toMatch(/ mm/)
    await place.tap()
    await expect(title).toHaveText(told)
    await page.getByTestId('shape-text').tap()
    await expect(title).toHaveCount(0)
    await place.focus()
    await page.keyboard.press('ArrowRight')
    await expect(title).toHaveText(/ mm/)
    await page.keyboard.press('Escape')
    await expect(title).toHaveCount(0)
  })

  test('a scroll that begins on the neck scrolls, and changes nothing', async ({ page }) => {
    await open(page, BUILD)
    const from = await middle(page, '3:9')
    await swipe(page, from, { x: -90, y: 0 })
    await swipe(page, from, { x: 0, y: -120 })
    await expect(page.getByTestId('shape-text')).toContainText('x6878x')
    await expect(page.getByTestId('egg')).toHaveCount(4)
  })

  test('a tap on an empty place presses it, a tap on a held tone frees it', async ({ page }) => {
    await open(page, BUILD)
    await page.locator('[data-place="1:6"]').tap()
    await expect(page.getByTestId('egg')).toHaveCount(5)
    await page.locator('[data-place="1:6"]').tap()
    await expect(page.getByTestId('egg')).toHaveCount(4)
  })
})
