/** The lines that speed has in the page: key to shapes, a changed key, first paint; and what Build loads. */
import { chromium, type Page } from '@playwright/test'
import { CATALOGUE } from '../../core/src/chord/index.ts'
import { watchHost } from './host.ts'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms, printTable } from './table.ts'

/** A keystroke as a person makes it: what came before has settled. */
const PAUSE_MS = 300
const [KEYS, LOADS] = [60, 10]

const taken = watchHost()
const { address, stop } = await demoServer()
const browser = await chromium.launch(CHROMIUM)

async function opened(path: string): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${address}${path}`)
  await page.locator('[data-alive]').waitFor()
  await page.waitForTimeout(5 * PAUSE_MS)
  return page
}

/** Types one line at once and waits until its shapes, drawn together with its name, are painted. */
const answerMs = (page: Page, line: string): Promise<number> =>
  page.evaluate(async (text) => {
    const input = document.getElementById('build-line-input') as HTMLInputElement
    const chord = document.querySelector('[aria-label^="Chord "]') as HTMLElement
    const before = chord.textContent
    const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const start = performance.now()
    setter?.call(input, text)
    input.dispatchEvent(new Event('input', { bubbles: true }))
    while (chord.textContent === before && performance.now() - start < 3000)
      await new Promise((resolve) => requestAnimationFrame(resolve))
    // In the frame that draws the answer; a message sent now arrives when that frame has been painted.
    await new Promise((resolve) => {
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = resolve
      port2.postMessage(undefined)
    })
    return performance.now() - start
  }, line)

/** From the press until all of the page is of the next key. */
const keyMs = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const next = document.querySelector('[aria-label="A fourth up"]') as HTMLButtonElement
    const parts = ['[data-testid="step-name"]', '[aria-label="May stand in"]', '[aria-label="From here"]'].map(
      (selector) => document.querySelector(selector) as Element,
    )
    const texts = parts.map((part) => part.textContent)
    const start = performance.now()
    next.click()
    while (parts.some((part, of) => part.textContent === texts[of]) && performance.now() - start < 3000)
      await new Promise((resolve) => requestAnimationFrame(resolve))
    return performance.now() - start
  })

const build = await opened('?chord=Dm7&strings=5432')
const answers: number[] = []
for (const { suffix } of CATALOGUE) {
  answers.push(
    await answerMs(build, /^[b#]/.test(suffix) ? `C(${suffix}) any strings any` : `C${suffix} any strings any`),
  )
  await build.waitForTimeout(PAUSE_MS)
}
const scripts = await build.evaluate(() =>
  performance
    .getEntriesByType('resource')
    .filter(({ name }) => name.endsWith('.js'))
    .map((entry) => [entry.name, (entry as PerformanceResourceTiming).encodedBodySize] as const),
)
// The search worker is started twice and loaded once.
const kB = [...new Map(scripts).values()].reduce((sum, size) => sum + size, 0) / 1000
await build.close()

const key = await opened('key?key=C')
const changes: number[] = []
for (let turn = 0; turn < KEYS; turn++) {
  changes.push(await keyMs(key))
  await key.waitForTimeout(PAUSE_MS)
}
await key.close()

/** The neck is in the first paint: when that was. */
async function firstPaints(path: string): Promise<readonly number[]> {
  const times: number[] = []
  for (let load = 0; load < LOADS; load++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${address}${path}`)
    times.push(
      await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN),
    )
    await page.close()
  }
  return times
}

const row = (what: string, times: readonly number[], limit: string) => {
  const sorted = times.toSorted((a, b) => a - b)
  return [what, ms(medianOf(sorted)), ms(sorted[Math.floor(sorted.length * 0.95)] ?? 0), limit]
}
printTable(
  ['', 'median', '95 of 100 within', 'shall be within'],
  [
    row(`key to shapes, the ${CATALOGUE.length} chords on any strings`, answers, '50 ms'),
    row(`a changed key, ${KEYS} times`, changes, '60 ms'),
    row('first paint of Build, with its answer', await firstPaints(''), ''),
    row('first paint of Map, with its answer', await firstPaints('map?chord=Ebmaj7'), ''),
  ],
)
console.log(`JavaScript of Build, gzipped: ${kB.toFixed(1)} kB (300 at most).`)
console.log(taken())
await browser.close()
stop()
