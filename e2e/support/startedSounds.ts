/** Watches the audio system: when did strings and bass, which ring longer than a second, start to sound? */
import type { Page } from '@playwright/test'

/** Call before the page is opened. @returns The times in the audio context, in order of their start, in seconds. */
export async function watchSounds(page: Page): Promise<() => Promise<readonly number[]>> {
  await page.addInitScript(() => {
    const started: number[] = []
    Object.assign(window, { started })
    const { start } = AudioBufferSourceNode.prototype
    AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
      if ((this.buffer?.duration ?? 0) > 1) started.push(when)
      return start.call(this, when, ...rest)
    }
  })
  return () => page.evaluate(() => (window as unknown as { started: number[] }).started)
}
