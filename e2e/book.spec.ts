import { expect, test } from '@playwright/test'

test('a shape is kept, found again, opened, renamed, deleted and brought back', async ({ page }) => {
  await page.goto('/?chord=Gm7&arrangement=drop-2&strings=5432')
  await expect(page.getByTestId('shape-row').first()).toBeVisible()
  await page.keyboard.press('k')
  await expect(page.getByText(/Kept in the Book: Gm7/)).toBeVisible()

  await page.goto('/book')
  await expect(page.locator('[data-alive]')).toBeVisible()
  // Tunes stand above the shapes; only shapes can be renamed here.
  const newest = page
    .getByRole('article')
    .filter({ has: page.getByRole('button', { name: /^Rename/ }) })
    .first()
  await expect(newest).toHaveAccessibleName(/^Gm7 /)
  await newest.getByRole('button', { name: /^Rename/ }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Low Tide Waltz, second ending')
  await page.keyboard.press('Enter')
  await expect(newest).toHaveAccessibleName('Low Tide Waltz, second ending')
  await page.reload()
  await expect(newest).toHaveAccessibleName('Low Tide Waltz, second ending')

  const count = page.getByTestId('book-count')
  const before = await count.textContent()
  await page.getByRole('button', { name: 'Delete Low Tide Waltz, second ending' }).click()
  await expect(page.getByRole('article', { name: 'Low Tide Waltz, second ending' })).toHaveCount(0)
  await page.getByRole('alert').filter({ hasText: 'Deleted' }).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('article', { name: 'Low Tide Waltz, second ending' })).toBeVisible()
  await expect(count).toHaveText(before ?? '')

  await page.getByRole('heading', { name: 'Low Tide Waltz, second ending' }).getByRole('link').click()
  await expect(page.getByRole('button', { name: /^Chord / })).toHaveText('Gm7')
})

test('a rename can be taken back', async ({ page }) => {
  await page.goto('/book')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.getByRole('button', { name: 'Rename Slow Ferry, out' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Slow Ferry, coda')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('article', { name: 'Slow Ferry, coda' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('article', { name: 'Slow Ferry, out' })).toBeVisible()
})

test('a name of blanks is not taken, and Escape leaves the old one', async ({ page }) => {
  await page.goto('/book')
  await expect(page.locator('[data-alive]')).toBeVisible()
  const card = page.getByRole('article', { name: 'Slow Ferry, out' })
  await card.getByRole('button', { name: /^Rename/ }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('   ')
  await expect(page.getByText('A name needs a character or more')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('article', { name: 'Slow Ferry, out' })).toBeVisible()
})

test('find narrows the Book and says when nothing matches', async ({ page }) => {
  await page.goto('/book')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await page.getByLabel('Find').fill('night heron')
  await expect(page.getByRole('article')).toHaveCount(1)
  await page.getByLabel('Find').fill('no such thing')
  await expect(page.getByText('Nothing in the Book matches “no such thing”.')).toBeVisible()
})
