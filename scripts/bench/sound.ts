/** Notation and sound in the built application: how quickly a line is written, and whether its time holds. */
import { chromium } from '@playwright/test'
import { onsetsIn, readWav, unevennessMs } from '../../e2e/support/soundFile.ts'
import { watchHost } from './host.ts'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms } from './table.ts'

const ROUNDS = 7
const PLAYED_S = 60
const TEMPO = 200

const taken = watchHost()
const { address, stop } = await demoServer()
const settings = (changes: object) =>
  fetch(`${address}api/settings`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(changes),
  })
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const written = () => page.locator('[data-testid=notation][data-notes]').waitFor()

/** From another position to its whole view: neck, panels, staff and TAB. */
await page.goto(`${address}arpeggio?chord=C9&position=7&from=lowest&pattern=fours&direction=up-down&octaves=2`)
await written()
await page.waitForTimeout(1500)
const views: { neck: number; notation: number; engraved: number; notes: number }[] = []
for (let round = 0; round < ROUNDS; round++) {
  views.push(
    await page.evaluate(
      async (key) => {
        const neck = document.querySelector('[data-testid="arpeggio-neck"]') as Element
        const notation = document.querySelector('[data-testid="notation"]') as Element
        const before = neck.innerHTML
        const svg = notation.querySelector('svg')
        const start = performance.now()
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
        while (neck.innerHTML === before) await new Promise((resolve) => setTimeout(resolve))
        const drawn = performance.now() - start
        while (notation.querySelector('svg') === svg) await new Promise((resolve) => setTimeout(resolve))
        const engraved = performance.getEntriesByName('notation').at(-1)
        return {
          neck: drawn,
          notation: performance.now() - start,
          engraved: engraved?.duration ?? Number.NaN,
          notes: Number(notation.getAttribute('data-notes')),
        }
      },
      round % 2 === 0 ? 'ArrowRight' : 'ArrowLeft',
    ),
  )
  await page.waitForTimeout(600)
}
const notes = Math.max(...views.map((view) => view.notes))
console.log(
  `Another position of C9: on the neck ${ms(medianOf(views.map(({ neck }) => neck)))}; ${notes} notes engraved as staff and TAB in ${ms(medianOf(views.map(({ engraved }) => engraved)))}; all of it, from the choice, ${ms(medianOf(views.map(({ notation }) => notation)))} (medians)`,
)

/** Clicks rendered offline against their beats. */
await settings({ tempo: TEMPO, metronome: true, stringsVolume: 0 })
await page.reload()
await written()
const download = page.waitForEvent('download')
await page.getByRole('button', { name: 'Sound file' }).click()
const onsets = onsetsIn(readWav(await (await download).path()))
console.log(
  `${onsets.length} clicks at ${TEMPO} a minute, rendered offline: at most ${ms(Math.max(...unevennessMs(onsets, 60 / TEMPO).map(Math.abs)))} from their beats`,
)

/** A minute of eighths, while another page of the same browser searches without a pause. */
await settings({ tempo: TEMPO, metronome: true, stringsVolume: 80, countInBars: 0 })
await page.reload()
await written()
const busy = await browser.newPage()
await busy.goto(`${address}?chord=C13`)
await busy.getByTestId('shape-row').first().waitFor()
let searching = true
let searches = 0
const search = (async () => {
  const lines = ['Ebmaj13 any strings any', 'D13 any strings any', 'Am13 any strings any']
  for (; searching; searches++) {
    await busy.locator('#build-line-input').fill(lines[searches % lines.length] as string)
    await busy.waitForTimeout(120)
  }
})()
await page.getByRole('button', { name: 'Play', exact: true }).click()
await page.waitForTimeout(PLAYED_S * 1000)
const told = page.getByTestId('playing')
const [struck, late] = [await told.getAttribute('data-struck'), await told.getAttribute('data-late')]
searching = false
await search
console.log(
  `Eighths at ${TEMPO} for ${PLAYED_S} s beside ${searches} searches: ${struck} sounds struck, ${late} of them late\n`,
)
console.log(taken())
await browser.close()
stop()
