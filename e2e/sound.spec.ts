/** What is heard is what the file holds: who ends a note, and when; the room. */

import { open, play, settings, usualSound } from './support/arpeggio.ts'
import { type StruckString, watchGains } from './support/gains.ts'
import { readWav } from './support/soundFile.ts'
import { expect, type Page, test } from './support/test.ts'

test.afterEach(({ request }) => usualSound(request))

async function file(page: Page) {
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Sound file' }).click()
  return readWav(await (await download).path())
}

/** When a string has its full gain, when that begins to fall, and when it is gone. */
function momentOf({ gain, at }: StruckString, moment: 'loud' | 'fades' | 'silent'): number {
  const sounding = gain.filter(([value, time]) => value !== 0 && time > at - 0.001)
  if (moment === 'silent') return gain.find(([value, time]) => value === 0 && time > at + 0.001)?.[1] ?? Number.NaN
  return (moment === 'loud' ? sounding[0] : sounding.at(-1))?.[1] ?? Number.NaN
}

test('every string has live the gain that it has in the file: it starts and fades at the same moments', async ({
  page,
  request,
}) => {
  await settings(request, { tempo: 180, metronome: false, countInBars: 0, swing: 0 })
  const struck = await watchGains(page)
  // A pattern in which strings come back within a quarter of a second.
  await open(page, '?chord=Cmaj7&position=7&from=lowest&pattern=fours')
  await page.getByRole('button', { name: 'loop', exact: true }).click()
  await play(page).click()
  await expect(page.getByTestId('playing')).toHaveAttribute('data-status', 'playing')
  await expect(page.getByTestId('playing')).toHaveAttribute('data-status', 'stopped')
  const live = await struck('live')
  await file(page)
  const rendered = await struck('file')
  expect(live.length).toBeGreaterThan(30)
  expect(rendered).toHaveLength(live.length)
  const gained = live.filter(({ gain }) => gain.length > 1)
  expect(gained.length).toBe(live.length)
  for (const [index, one] of live.entries()) {
    const other = rendered[index]
    expect(Math.abs(one.at - (other?.at ?? 99)), `note ${index + 1} starts`).toBeLessThan(0.002)
    for (const moment of ['loud', 'fades', 'silent'] as const)
      expect(
        Math.abs(momentOf(one, moment) - momentOf(other as StruckString, moment)),
        `note ${index + 1}: ${moment}`,
      ).toBeLessThan(0.003)
  }
})

test('the room is heard behind a damped note, and is gone when it is switched off', async ({ page, request }) => {
  const behind: number[] = []
  for (const room of [true, false]) {
    await settings(request, { tempo: 60, metronome: false, countInBars: 0, room })
    await open(page, '?chord=Cmaj7&position=7&octaves=1&direction=up')
    const { samples, sampleRate } = await file(page)
    // Five eighths, each damped as the next begins; behind the last nothing but the room sounds.
    const power = (from: number, to: number) =>
      samples.slice(from * sampleRate, to * sampleRate).reduce((sum, sample) => sum + sample * sample, 0)
    behind.push(power(2.52, 2.7))
    expect(power(2, 2.4)).toBeGreaterThan(0.01)
  }
  await settings(request, { room: true })
  expect(behind[0]).toBeGreaterThan(1e-5)
  expect(behind[1]).toBeLessThan((behind[0] as number) / 100)
})
