/** The two views that are drawings to scale: the Map asked anew, a handle of Set-up pulled. */
import { chromium } from '@playwright/test'
import { watchHost } from './host.ts'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms } from './table.ts'
import { tasksOf } from './trace.ts'

const ROUNDS = 9
/** A change as a person makes it: what came before has settled. */
const PAUSE_MS = 600

const taken = watchHost()
const { address, stop } = await demoServer()
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

/** The map of the largest chord on seven strings: from the question to the sheet, and the longest task of the main thread. */
const MAP = `${address}map?chord=C13%2311&tuning=B1,E2,A2,D3,G3,B3,E4`
await page.goto(MAP)
await page.getByTestId('map-cell').first().waitFor()
const mapTimes: number[] = []
const mapTasks: number[] = []
for (let round = 0; round < ROUNDS; round++) {
  await page.waitForTimeout(2 * PAUSE_MS)
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing'] })
  mapTimes.push(
    await page.evaluate(async () => {
      performance.mark('asked')
      const frets = document.getElementById('word-Frets') as HTMLElement
      const key = frets.textContent === 'frets 1 to 15' ? 'ArrowDown' : 'ArrowUp'
      const start = performance.now()
      frets.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
      const sheet = document.querySelector('[aria-label="Sheet"]') as HTMLElement
      const before = sheet.textContent
      while (sheet.textContent === before) await new Promise((resolve) => requestAnimationFrame(resolve))
      while (sheet.ariaBusy === 'true') await new Promise((resolve) => requestAnimationFrame(resolve))
      return performance.now() - start
    }),
  )
  await page.waitForTimeout(PAUSE_MS)
  mapTasks.push(Math.max(...tasksOf(await browser.stopTracing()).map(({ heldMs }) => heldMs)))
}
console.log(
  `The map of C13#11 on seven strings, asked anew: median ${ms(medianOf(mapTimes))}; longest task of the main thread: median ${ms(medianOf(mapTasks))}, slowest ${ms(Math.max(...mapTasks))}`,
)

/** A handle that is pulled: how long each frame's work takes, from the first move to the last. */
await page.goto(`${address}setup`)
await page.getByTestId('handle-scaleLengthMm').waitFor()
await page.waitForTimeout(3 * PAUSE_MS)
const pulls: number[] = []
for (const handle of ['scaleLengthMm', 'lastReachableFret', 'ease-5']) {
  const box = await page.getByTestId(`handle-${handle}`).locator('rect').last().boundingBox()
  if (!box) throw new Error(`no handle ${handle}`)
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing'] })
  await page.evaluate(() => performance.mark('asked'))
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let step = 1; step <= 40; step++) await page.mouse.move(x - step * 2, y)
  const trace = await browser.stopTracing()
  await page.keyboard.press('Escape')
  await page.mouse.up()
  pulls.push(...tasksOf(trace).map(({ heldMs }) => heldMs))
  await page.waitForTimeout(PAUSE_MS)
}
pulls.sort((a, b) => a - b)
console.log(
  `A handle of Set-up pulled, tasks of the main thread: 99 of 100 within ${ms(pulls[Math.floor(pulls.length * 0.99)] ?? 0)}, the longest ${ms(pulls.at(-1) ?? 0)}, over 16 ms ${pulls.filter((task) => task > 16).length} of ${pulls.length}`,
)
console.log(taken())
await browser.close()
stop()
