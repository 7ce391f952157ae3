/** Practice: the ear for chords on voicings and seeds of its own, and a log of ten years opened and drawn. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FIRST_WORD, LAST_WORD } from '@nestling/core/ear'
import { chromium } from '@playwright/test'
import { earRates, type Tally } from './chordEar.ts'
import { filled, fillLog, LOG_SIZE, YEARS } from './largeBook.ts'
import { CHROMIUM, serverOver } from './server.ts'
import { printTable } from './table.ts'

/** None of them, and none of these seeds, was looked at while the ear's numbers were chosen. */
const HELD_OUT = [
  'x6756x',
  '7-x-9-8-7-x',
  'x4234x',
  'xx2323',
  '6x576x',
  'x-7-9-7-8-x',
  'x24342',
  '244322',
  '5x5557',
  '3x2433',
  'x32013',
  'xx0231',
  'x5453x',
  '4x344x',
  'x-8-10-9-x-x',
  'xx6565',
  '8x786x',
  'x2130x',
  '2x123x',
  'x57575',
  '9-x-9-9-8-x',
  'xx4455',
  '355433',
  'x-6-8-7-8-x',
  '5x4555',
  'x21202',
  '6-8-6-7-6-6',
  'xx5667',
  '1x2231',
  'x-3-5-3-5-3',
]
const SEED = 9029

const share = ({ asked, found }: Tally): string => `${found} of ${asked}, ${((100 * found) / asked).toFixed(1)} %`
const rows = [
  { noiseDb: 30, hearing: LAST_WORD, word: 'last word' },
  { noiseDb: 15, hearing: LAST_WORD, word: 'last word' },
  { noiseDb: 30, hearing: FIRST_WORD, word: 'first word, 150 ms' },
].map(({ noiseDb, hearing, word }) => {
  const { missing, off, rings, alarms, untold, slowestMs } = earRates(HELD_OUT, { seed: SEED, noiseDb, hearing })
  return [
    `${noiseDb} dB, ${word}`,
    share(missing),
    share(off),
    share(rings),
    share(alarms),
    String(untold),
    `${slowestMs.toFixed(1)} ms`,
  ]
})
console.log(
  `\nThe ear for chords: ${HELD_OUT.length} voicings that were not used for tuning it, each right and with every single fault\n`,
)
printTable(
  ['noise', 'muted', 'a fret off', 'ringing', 'false alarms on right strings', 'can’t be told', 'slowest'],
  rows,
)

const ROUNDS = 9
const data = mkdtempSync(join(tmpdir(), 'nestling-bench-log-'))
try {
  filled(data, fillLog)
  const { address, stop } = await serverOver(data)
  const browser = await chromium.launch(CHROMIUM)
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const answers: number[] = []
  const opened: number[] = []
  const drawn: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    await page.goto(new URL('/logbook?period=0', address).href)
    await page.waitForSelector('.recharts-surface')
    const times = await page.evaluate(() => {
      const asked = performance
        .getEntriesByType('resource')
        .find(({ name }) => name.includes('/api/log/summary')) as PerformanceResourceTiming
      return { answer: asked.responseEnd - asked.requestStart, at: asked.responseEnd, drawn: performance.now() }
    })
    answers.push(times.answer)
    opened.push(times.drawn)
    drawn.push(await page.evaluate(drawnAfter))
  }
  await browser.close()
  stop()
  const middle = (numbers: readonly number[]) =>
    `${Math.round(numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0)} ms`
  console.log(
    `\nA log of ${LOG_SIZE} attempts over ${YEARS} years, all of it looked at: counted and answered in ${middle(answers)}; one root to the next drawn in ${middle(drawn)} after its answer; from the click on the link to the drawn page ${middle(opened)} (medians of ${ROUNDS})\n`,
  )
} finally {
  rmSync(data, { recursive: true, force: true })
}

/** In the page: another root is chosen; how long after the server's answer it stands there. */
async function drawnAfter(): Promise<number> {
  const cells = [...document.querySelectorAll<HTMLButtonElement>('td button')]
  const other = cells.find((cell) => cell.getAttribute('aria-current') === null)
  const before = performance.getEntriesByType('resource').length
  other?.click()
  for (;;) {
    await new Promise((done) => requestAnimationFrame(done))
    const asked = performance
      .getEntriesByType('resource')
      .slice(before)
      .find(({ name }) => name.includes('/api/log/summary')) as PerformanceResourceTiming | undefined
    if (asked?.responseEnd && document.querySelector('[aria-busy="true"]') === null)
      return performance.now() - asked.responseEnd
  }
}
