/** Two browsers at one notebook: whoever is second is told what differs, and nobody’s change goes in silence. */
import { typeOver } from './support/hands.ts'
import { expect, type Page, test } from './support/test.ts'

const alive = (page: Page) => expect(page.locator('[data-alive]')).toBeVisible()
const asked = (page: Page) => page.getByRole('alert').filter({ hasText: 'was changed elsewhere since' })

test('a shape: a name given here and a note written there are joined; two names are chosen', async ({ page }) => {
  const draft = { name: 'verse', chord: 'Am7', frets: '5x555x', tuning: 'E2,A2,D3,G3,B3,E4', fingers: '', note: '' }
  const { id } = await (await page.request.post('/api/shapes', { data: draft })).json()
  const there = async () => (await page.request.get(`/api/shapes/${id}`)).json()
  const elsewhere = async (change: object) => {
    const { version } = await there()
    expect((await page.request.patch(`/api/shapes/${id}`, { data: { ...change, version } })).status()).toBe(200)
  }
  const rename = async (to: string) => {
    await page
      .getByTestId('open-shape')
      .getByRole('button', { name: /^Rename/ })
      .click()
    await typeOver(page.getByRole('textbox', { name: 'Name' }), to)
    await page.keyboard.press('Enter')
  }
  await page.goto(`/book?shape=${id}`)
  await alive(page)
  await expect(page.getByTestId('open-shape')).toContainText('verse')
  await elsewhere({ note: 'softly' })
  await rename('bridge')
  await expect.poll(there).toMatchObject({ name: 'bridge', note: 'softly' })
  await expect(page.getByTestId('open-shape')).toContainText('softly')
  await elsewhere({ name: 'coda' })
  await rename('turnaround')
  await expect(asked(page)).toContainText('name: turnaround here, coda there')
  expect((await there()).name).toBe('coda')
  await asked(page).getByRole('button', { name: 'Keep mine' }).click()
  await expect.poll(there).toMatchObject({ name: 'turnaround', note: 'softly' })
  await page.request.delete(`/api/shapes/${id}`, { headers: { 'content-type': 'application/json' } })
})
