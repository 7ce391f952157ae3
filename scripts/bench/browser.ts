/** From a keystroke to new shapes on screen, in the built application. */
import { chromium } from '@playwright/test'
import { CATALOGUE } from '../../core/src/chord/index.ts'
import { steadyNow, watchHost, watchTaken } from './host.ts'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms, printTable } from './table.ts'
import { longestAfterEach, longTasksWord, type Task, tasksOf } from './trace.ts'

const SYMBOLS = [
  'Ebmaj7 drop2 5432',
  'F#m7b5 drop2 5432',
  'C7 5432',
  'Bbm7 any strings any',
  'Ab6 any strings any',
  'Gm9 any strings any',
  'D13 any strings any',
  'C13#11 any strings any',
  'Ebmaj13 any strings any',
  'Fm11 any strings any',
] as const
const ROUNDS = 7
/** A keystroke as a person makes it: what came before has settled. */
const PAUSE_MS = 600
/** So many of each kind are pointed at. */
const POINTED = 40

const taken = watchHost()
const { tookIn, stop: stopWatching } = watchTaken()
const { address, stop } = await demoServer()
const browser = await chromium.launch(CHROMIUM)
/** Each in a process of its own: one that was left for another is cleared away by the browser some seconds later, in one go. */
const opened = async (path: string, awaited: string) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${address}${path}`)
  await page.getByTestId(awaited).first().waitFor()
  await page.waitForTimeout(3 * PAUSE_MS)
  return page
}
let page = await opened('?chord=Dm7&strings=5432', 'shape-row')

/** Types one line at once and waits until its shapes, drawn together with its name, are painted. */
const answerMs = (line: string): Promise<number> =>
  page.evaluate(async (text) => {
    const input = document.getElementById('build-line-input') as HTMLInputElement
    const chord = document.querySelector('[aria-label^="Chord "]') as HTMLElement
    const before = chord.textContent
    const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const start = performance.now()
    setter?.call(input, text)
    input.dispatchEvent(new Event('input', { bubbles: true }))
    // A line without shapes of its own leaves the last answer standing.
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

/** Begins to watch what the main thread does. */
const watchTasks = async (): Promise<void> => {
  // The driver's own scripts come into a page with the first call, which would be counted.
  await page.evaluate(() => undefined)
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing', 'v8'] })
  await page.evaluate(() => performance.mark('asked'))
}

/** What it did since. */
const tasksSince = async (): Promise<readonly Task[]> => tasksOf(await browser.stopTracing(), tookIn)

const rows: string[][] = []
for (const line of SYMBOLS) {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    await answerMs('Am7 5432')
    await page.waitForTimeout(PAUSE_MS)
    times.push(await answerMs(line))
  }
  const count = (await page.getByTestId('count').textContent()) ?? ''
  rows.push([line, count.replace(/ ·.*/, ''), ms(medianOf(times)), ms(Math.max(...times))])
}
printTable(['typed line', 'shapes', 'median to screen', 'slowest'], rows)

/** Every chord of the catalogue, each typed once after another, three times over; and what the main thread did meanwhile. */
const TIMES_OVER = 3
const answers: { readonly took: number; readonly from: number; readonly until: number }[] = []
const tasksTyping: Task[] = []
const longest: (readonly number[])[] = []
for (let time = 0; time < TIMES_OVER; time++) {
  await watchTasks()
  for (const { suffix } of CATALOGUE) {
    await page.evaluate(() => performance.mark('asked'))
    const from = steadyNow()
    const took = await answerMs(/^[b#]/.test(suffix) ? `C(${suffix}) any strings any` : `C${suffix} any strings any`)
    answers.push({ took, from, until: steadyNow() })
    await page.waitForTimeout(PAUSE_MS / 2)
  }
  const tasks = await tasksSince()
  tasksTyping.push(...tasks)
  // The first mark only begins the trace.
  longest.push(longestAfterEach(tasks).slice(1))
}
/** Of times in ms: the middle, and what most of them keep to. */
const timesWord = (times: readonly number[]): string => {
  const sorted = times.toSorted((a, b) => a - b)
  return `median ${ms(medianOf(sorted))}, 95 of 100 within ${ms(sorted[Math.floor(sorted.length * 0.95)] ?? 0)}, slowest ${ms(sorted.at(-1) ?? 0)}`
}
const calm = answers.filter(({ from, until }) => !tookIn(from, until))
// What holds once in three is the machine's; what the page does for a chord, it does each time.
const usual = CATALOGUE.map((_, chord) => medianOf(longest.map((time) => time[chord] ?? 0)))
console.log(
  `\nThe ${CATALOGUE.length} chords of the catalogue on any strings, ${TIMES_OVER} times: ${timesWord(answers.map(({ took }) => took))}; of the ${calm.length} answered while no other machine took processor time: ${timesWord(calm.map(({ took }) => took))}; ${longTasksWord(tasksTyping)}; chords whose longest task is over 16 ms in the middle of ${TIMES_OVER}: ${usual.filter((task) => task > 16).length} (the longest ${ms(Math.max(...usual))})`,
)

/** A tone dragged up and down its string: how long each frame takes while the name follows. */
await page.close()
page = await opened('?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x', 'candidate')
const egg = await page.locator('[data-place="3:7"]').boundingBox()
if (!egg) throw new Error('no tone to drag')
const y = egg.y + egg.height / 2
await page.mouse.move(egg.x + egg.width / 2, y)
await page.mouse.down()
await watchTasks()
await page.evaluate(() => {
  const frames: number[] = []
  Object.assign(window, { frames })
  // A loop without a named function: the bench's own compiler would mark one with a helper that the page lacks.
  void (async () => {
    let last = performance.now()
    for (;;) {
      const now = (await new Promise((resolve) => requestAnimationFrame(resolve))) as number
      frames.push(now - last)
      last = now
    }
  })()
})
for (let step = 0; step < 120; step++) {
  await page.mouse.move(egg.x + egg.width / 2 + 320 * Math.sin(step / 12), y)
  await page.waitForTimeout(16)
}
const frames = await page.evaluate(() => (window as unknown as { frames: number[] }).frames)
const tasksDragging = await tasksSince()
await page.mouse.up()
console.log(
  `\nDragging a tone: ${frames.length} frames, median ${ms(medianOf(frames))} (${Math.round(1000 / medianOf(frames))} a second), 95 of 100 within ${ms(frames.toSorted((a, b) => a - b)[Math.floor(frames.length * 0.95)] ?? 0)}; ${longTasksWord(tasksDragging)}`,
)

/** The mouse over the places one fret away and the bars of what was found: each draws a ghost. */
await page.close()
page = await opened('?chord=Gm9&arrangement=any&strings=any', 'candidate')
const pointed = (
  await Promise.all(
    ['candidate', 'shape-row'].map(async (name) =>
      Promise.all((await page.getByTestId(name).all()).slice(0, POINTED).map((place) => place.boundingBox())),
    ),
  )
)
  .flat()
  .filter((box) => box !== null && box.y + box.height < 800)
await watchTasks()
for (const box of pointed) {
  if (!box) continue
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 6 })
  await page.waitForTimeout(PAUSE_MS / 6)
}
console.log(`Pointing at ${pointed.length} places and bars: ${longTasksWord(await tasksSince())}`)

/** What the view loads before sound is asked for. */
const scripts = await page.evaluate(() => [
  ...new Map(
    performance
      .getEntriesByType('resource')
      .filter((entry) => entry.name.endsWith('.js'))
      // The search worker is started twice and loaded once.
      .map((entry) => [entry.name, (entry as PerformanceResourceTiming).encodedBodySize]),
  ).values(),
])
console.log(
  `JavaScript of the Build view, gzipped: ${(scripts.reduce((sum, size) => sum + size, 0) / 1000).toFixed(1)} kB`,
)
/** One key after another, ten times round the circle, the first ones too: from the press until all of the page is of it. */
const KEYS = 120
await page.close()
page = await opened('key?key=C', 'lane-step')
const keyTimes: number[] = []
for (let key = 0; key < KEYS; key++) {
  await page.waitForTimeout(PAUSE_MS / 3)
  keyTimes.push(
    await page.evaluate(async () => {
      const next = document.querySelector('[aria-label="A fourth up"]') as HTMLButtonElement
      // The last step of the second lane, the chosen step, what may stand in, where it leads.
      const last = document.querySelectorAll('[data-testid="lane-step"]')[13] as Element
      const beside = ['[data-testid="step-name"]', '[aria-label="May stand in"]', '[aria-label="From here"]'].map(
        (selector) => document.querySelector(selector) as Element,
      )
      const lane = last.getAttribute('data-frets')
      const texts = beside.map((part) => part.textContent)
      const start = performance.now()
      next.click()
      while (
        (last.getAttribute('data-frets') === lane || beside.some((part, of) => part.textContent === texts[of])) &&
        performance.now() - start < 3000
      )
        await new Promise((resolve) => requestAnimationFrame(resolve))
      await new Promise((resolve) => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = resolve
        port2.postMessage(undefined)
      })
      return performance.now() - start
    }),
  )
}
keyTimes.sort((a, b) => a - b)
console.log(
  `${KEYS} changes of key, two lanes and all that stands beside them: median ${ms(medianOf(keyTimes))}, 95 of 100 within ${ms(keyTimes[Math.floor(keyTimes.length * 0.95)] ?? 0)}`,
)
console.log(taken())
stopWatching()
await browser.close()
stop()
