/** Sheets and files: a sheet of 32 bars drawn and saved, a Book of ten thousand shapes opened, a large notebook out and in. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeNotebook } from '@nestling/formats/notebook'
import { chromium } from '@playwright/test'
import { CHORDS, FRETS, fillBook, filled, SHAPES, STANDARD, TUNES } from './largeBook.ts'
import { CHROMIUM, serverOver } from './server.ts'
import { medianOf, printTable } from './table.ts'

const BARS = 32

const folder = mkdtempSync(join(tmpdir(), 'nestling-bench-'))
const bars = Array.from({ length: BARS }, (_, bar) => CHORDS[bar % 8] ?? '')
const source = {
  kind: 'own',
  chart: `4/4 bossa =112\n| ${bars.join(' | ')} |`,
  tuning: STANDARD,
  frets: bars.map((_, bar) => FRETS[bar % 8] ?? null),
} as const
const sheet = filled(folder, (book) => {
  fillBook(book)
  return book.sheets.add(
    {
      title: 'Thirty-two bars',
      paper: 'A4',
      lying: false,
      barsALine: 4,
      necks: 'lying',
      labels: 'none',
      ink: 'colour',
      blocks: [
        { id: 'a', kind: 'title', text: '', aside: '' },
        { id: 'b', kind: 'chart', source, under: 'tab', moves: true },
        { id: 'c', kind: 'legend' },
      ],
    },
    new Date(),
  )
})

const { address, stop } = await serverOver(folder)
const timed = async (call: () => Promise<unknown>): Promise<number> => {
  const times: number[] = []
  for (let run = 0; run < 4; run++) {
    const start = performance.now()
    await call()
    if (run > 0) times.push(performance.now() - start)
  }
  return medianOf(times)
}
const get = (path: string) => fetch(`${address}${path}`).then((answer) => answer.text())
const exported = await get('api/notebook')
const out = await timed(() => get('api/notebook'))
const changed = JSON.parse(exported)
for (const shape of changed.shapes) shape.note = `${shape.note} otherwise`
const body = writeNotebook(changed, '')
const preview = await timed(() =>
  fetch(`${address}api/notebook/preview`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  }).then((answer) => answer.text()),
)

const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const opened: number[] = []
let nodes = 0
for (let run = 0; run < 4; run++) {
  const start = performance.now()
  await page.goto(`${address}book?by=newest`)
  await page.locator('[data-testid=book-list] article').first().waitFor()
  await page.locator('[data-alive]').waitFor()
  opened.push(performance.now() - start)
  nodes = await page.evaluate(() => document.querySelectorAll('*').length)
}
await page.goto(`${address}sheet?sheet=${sheet.id}`)
await page.locator('svg[data-page]').first().waitFor()
/** From a change to the page drawn: laid out, drawn, painted. Under the caches of what was drawn before. */
const drawn = await page.evaluate(async () => {
  const times: number[] = []
  for (let run = 0; run < 7; run++) {
    const word = document.querySelector('button[aria-label^="In the eggs"]') as HTMLElement
    word.focus()
    const start = performance.now()
    word.dispatchEvent(new KeyboardEvent('keydown', { key: run % 2 === 0 ? 'ArrowDown' : 'ArrowUp', bubbles: true }))
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
    times.push(performance.now() - start)
  }
  return times
})
const saved: number[] = []
for (let run = 0; run < 4; run++) {
  const start = performance.now()
  await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('group', { name: 'Acts' }).getByRole('button', { name: /^PDF/ }).click(),
  ])
  saved.push(performance.now() - start)
}
await browser.close()
stop()
rmSync(folder, { recursive: true, force: true })
const whole = (ms: number) => `${ms.toFixed(0)} ms`
console.log(`\nA Book of ${SHAPES} shapes and ${TUNES} tunes; a sheet of ${BARS} bars\n`)
printTable(
  ['what', 'median', 'first', 'wanted'],
  [
    ['the Book opened, drawn and alive', whole(medianOf(opened.slice(1))), whole(opened[0] ?? 0), '400 ms'],
    ['its elements', String(nodes), '', '2000'],
    ['the notebook written', whole(out), '', '1000 ms'],
    [`the notebook compared, ${SHAPES} shapes otherwise`, whole(preview), '', '2000 ms'],
    ['a sheet laid out and drawn anew, all of it', whole(medianOf(drawn)), whole(drawn[0] ?? 0), '200 ms'],
    ['its PDF, from the press to the file', whole(medianOf(saved.slice(1))), whole(saved[0] ?? 0), '1500 ms'],
  ],
)
