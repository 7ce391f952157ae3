/** The ear follows a line: a simulated player, a refused microphone, a microphone that comes late. */

import { open, play, settings, usualSound } from './support/arpeggio.ts'
import { menuItem, word } from './support/sentence.ts'
import { expect, type Page, test } from './support/test.ts'

test.afterEach(({ request }) => usualSound(request))

test.describe('the ear', () => {
  const PLAYED: Readonly<Record<string, string>> = {
    right: 'plays it right',
    'wrong note': 'one note wrong',
    'leaves out': 'leaves one',
    silent: 'doesn’t play',
    noise: 'drowned by noise',
  }
  async function listenTo(page: Page, who: string) {
    await word(page, 'Listen to').click()
    await menuItem(page, new RegExp(PLAYED[who] ?? who)).click()
    await page.getByRole('button', { name: 'let the ear follow' }).click()
  }
  /** The ear listens in real time: where the machine stalls over a note, the player plays it once more. */
  async function hears(page: Page, who: string, words: string | RegExp) {
    test.slow()
    await expect(async () => {
      await listenTo(page, who)
      await expect(page.getByTestId('ear-says')).toContainText(words, { timeout: 45_000 })
    }).toPass({ timeout: 240_000 })
  }
  const LINE = '?chord=Cmaj7&position=7&octaves=1&direction=up&value=quarter'

  test.beforeEach(({ request }) => settings(request, { tempo: 150 }))

  test('a simulated player who plays it right has every note marked', async ({ page }) => {
    await open(page, LINE)
    await hears(page, 'right', '5 of 5 came right')
    await expect(page.getByTestId('ear-mark')).toHaveText(['✓', '✓', '✓', '✓', '✓'])
    await expect(page.getByTestId('notation').locator('.vf-tabnote[data-heard=right]')).toHaveCount(5)
  })

  test('a wrong note is told: what was heard and what was expected', async ({ page }) => {
    await open(page, LINE)
    await hears(page, 'wrong note', /4 of 5 came right.*Note 3, the 5: A♭ was heard, G expected/)
  })

  test('a note left out, silence, and noise are each told plainly', async ({ page }) => {
    await open(page, LINE)
    await hears(page, 'leaves out', 'Note 3, the 5: G did not come')
    await listenTo(page, 'silent')
    await expect(page.getByTestId('ear-says')).toContainText('Nothing was heard: it was silent')
    await listenTo(page, 'noise')
    await expect(page.getByTestId('ear-says')).toContainText('Only noise was heard')
  })

  test('a microphone that is refused is told, with the way out', async ({ page }) => {
    await open(page, LINE)
    await listenTo(page, 'microphone')
    await expect(page.getByTestId('ear-says')).toContainText(/microphone was refused|No microphone was found/)
    await expect(page.getByRole('button', { name: 'let the ear follow' })).toBeEnabled()
  })

  test('stopped while the browser still asks for the microphone, it does not begin, and lets the microphone go', async ({
    page,
  }) => {
    await page.addInitScript(() => {
      navigator.mediaDevices.getUserMedia = async () => {
        await new Promise((resolve) => setTimeout(resolve, 1500))
        const { stream } = new AudioContext().createMediaStreamDestination()
        Object.assign(window, { given: stream.getTracks()[0] })
        return stream
      }
    })
    await open(page, LINE)
    await listenTo(page, 'microphone')
    await page.getByRole('button', { name: 'stop listening' }).click()
    const given = () => page.evaluate(() => (window as unknown as { given?: MediaStreamTrack }).given?.readyState)
    await expect.poll(given).toBe('ended')
    await expect(page.getByRole('button', { name: 'let the ear follow' })).toBeVisible()
    await expect(play(page)).toBeVisible()
  })
})
