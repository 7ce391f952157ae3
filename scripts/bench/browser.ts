/** From a keystroke to new shapes on screen, in the built application. */
import { chromium } from '@playwright/test'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms, printTable } from './table.ts'

const SYMBOLS = [
  'Ebmaj7 5432',
  'F#m7b5',
  'C7',
  'Bbm7',
  'Ab6',
  'Gm9',
  'D13',
  'C13#11',
  'Ebmaj13',
  'Fm11',
  'B7b9b13',
] as const
const ROUNDS = 7

const { address, stop } = await demoServer()
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(`${address}?chord=A`)
await page.getByTestId('shape-row').first().waitFor()

/** Types one line at once and waits until its shapes are painted. */
const answerMs = (line: string): Promise<number> =>
  page.evaluate(async (text) => {
    const input = document.getElementById('build-line-input') as HTMLInputElement
    const section = document.querySelector('[aria-label="Shapes found"]') as HTMLElement
    const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const start = performance.now()
    setter?.call(input, text)
    input.dispatchEvent(new Event('input', { bubbles: true }))
    do await new Promise((resolve) => requestAnimationFrame(resolve))
    while (section.getAttribute('aria-busy') !== 'false')
    return performance.now() - start
  }, line)

const rows: string[][] = []
for (const line of SYMBOLS) {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    await answerMs('A')
    times.push(await answerMs(line))
  }
  const count = (await page.getByTestId('count').textContent()) ?? ''
  rows.push([line, count.replace(/ ·.*/, ''), ms(medianOf(times)), ms(Math.max(...times))])
}
printTable(['typed line', 'shapes', 'median to screen', 'slowest'], rows)
await browser.close()
stop()
