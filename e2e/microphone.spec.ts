/** The ear with a microphone: the browser's own stand-in for one, which plays a file for ever. */
import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import toWav from 'audiobuffer-to-wav'
import config from '../playwright.config.ts'
import { renderSound } from '../web/src/sound/renderSound.ts'
import { choose } from './support/sentence.ts'
import { expect, test } from './support/test.ts'

const RATE = 44_100
/** The low C again and again, closer than the beats, so that each of them has one near, whenever the file began. */
const APART_S = 0.25
const RECORDING = join(tmpdir(), 'nestling-microphone.wav')

function record(): void {
  const note = renderSound('pluck 48 archtop', RATE).subarray(0, APART_S * RATE)
  const samples = new Float32Array(16 * note.length)
  for (let at = 0; at < samples.length; at += note.length) samples.set(note, at)
  const buffer = { numberOfChannels: 1, sampleRate: RATE, length: samples.length, getChannelData: () => samples }
  writeFileSync(RECORDING, Buffer.from(toWav(buffer as unknown as AudioBuffer)))
}
record()

const launch = config.use?.launchOptions
test.use({
  launchOptions: {
    ...launch,
    args: [
      ...(launch?.args ?? []),
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${RECORDING}`,
    ],
  },
})

test('a player at the microphone who stays on the root has the root marked right, the others wrong', async ({
  page,
  request,
}) => {
  await request.patch('/api/settings', { data: { tempo: 150, latencyMs: 0 } })
  await page.goto('/arpeggio?chord=Cmaj7&position=7&octaves=1&direction=up&value=quarter')
  await expect(page.locator('[data-alive]')).toBeVisible()
  await choose(page, 'Listen to', 'the microphone')
  const says = page.getByTestId('ear-says')
  // A machine that stalls in real time loses a note: then the player plays it again.
  await expect(async () => {
    await page.getByRole('button', { name: 'let the ear follow' }).click()
    await expect(says).toContainText(/of 5 came right/)
    await expect(page.getByRole('button', { name: 'let the ear follow' })).toBeVisible()
    const once = { timeout: 1000 }
    await expect(says).toContainText('Note 3, the 5: C was heard, G expected', once)
    await expect(says).toContainText('1 of 5 came right', once)
    await expect(says).toContainText('Note 5, the R: C came in another octave', once)
    await expect(page.getByTestId('ear-mark')).toHaveText(['✓', '✕', '✕', '✕', '8'], once)
  }).toPass({ timeout: 120_000 })
  await request.patch('/api/settings', { data: { tempo: 80 } })
})
