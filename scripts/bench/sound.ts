/** Notation and sound in the built application: how quickly a line is written, and whether its time holds. */
import { chromium } from '@playwright/test'
import { TIMBRES } from '../../core/src/neck/index.ts'
import { onsetsIn, readWav, unevennessMs } from '../../e2e/support/soundFile.ts'
import { watchSounds } from '../../e2e/support/startedSounds.ts'
import {
  amplitude,
  centroid,
  centsOff,
  db,
  hzOf,
  loudnessDb,
  peakOf,
  peakTogether,
  RATE,
  slice,
} from '../../web/src/sound/measured.testkit.ts'
import { renderPluck, type StringKind } from '../../web/src/sound/pluckedString.ts'
import { watchHost } from './host.ts'
import { CHROMIUM, demoServer } from './server.ts'
import { medianOf, ms, printTable } from './table.ts'

const ROUNDS = 7
/** A minute; `npm run bench sound -- 10` plays ten. */
const PLAYED_S = 60 * Number(process.argv.slice(2).find((word) => /^\d+$/.test(word)) ?? 1)
const TEMPO = 200

/** The string, from the lowest of a baritone to the last fret; the bass over its own range. */
function stringRow(kind: StringKind): readonly string[] {
  const [low, high] = kind === 'bass' ? [23, 55] : [33, 88]
  const began = performance.now()
  const all = Array.from({ length: high - low + 1 }, (_, index) => ({
    midi: low + index,
    samples: renderPluck(low + index, RATE, kind),
  }))
  const each = (performance.now() - began) / all.length
  const firsts = all.map(({ midi, samples }) => db(amplitude(slice(samples, 0.02, 0.35), hzOf(midi))))
  const loud = all.map(({ samples }) => loudnessDb(slice(samples, 0, 0.5)))
  const spread = Math.max(...loud) - Math.min(...loud)
  const steps = firsts.slice(1).map((first, index) => Math.abs(first - (firsts[index] as number)))
  const first = Math.max(...all.map(({ samples }) => Math.abs(samples[0] as number)))
  const peak = Math.max(...all.map(({ samples }) => peakOf(samples)))
  const middle = all[Math.floor(all.length / 3)] as (typeof all)[number]
  const off = Math.max(...all.map(({ midi, samples }) => Math.abs(centsOff(samples, hzOf(midi)))))
  const bright = centroid(slice(middle.samples, 0.3, 0.3), hzOf(middle.midi))
  return [
    kind,
    `${off.toFixed(2)} cents`,
    `${spread.toFixed(2)} dB`,
    `${Math.max(...steps).toFixed(2)} dB`,
    first.toFixed(4),
    peak.toFixed(2),
    `${Math.round(bright)} Hz at MIDI ${middle.midi}`,
    ms(each),
  ]
}
printTable(
  [
    'string',
    'pitch, at most off',
    'loudness, all frets',
    'first partial, neighbours',
    'first sample',
    'highest peak',
    'middle after 0.3 s',
    'rendered in',
  ],
  [...TIMBRES, 'bass' as const].map(stringRow),
)
/** Six strings at the same moment, all at full volume: the curve that keeps everything below full scale begins at 0.7. */
const SIX = [
  [40, 47, 52, 56, 59, 64],
  [41, 48, 53, 56, 60, 65],
  [52, 57, 62, 67, 71, 76],
]
console.log(
  `\nSix strings plucked together, every slider at 100: at most ${Math.max(...TIMBRES.flatMap((timbre) => SIX.map((midis) => peakTogether(midis, timbre)))).toFixed(2)} of full scale; the last curve begins at 0.70`,
)
console.log('')

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
const started = await watchSounds(page)
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
        let drawn = Number.NaN
        // A timer would only come behind the engraving, which goes on before other work.
        const seen = new MutationObserver(() => {
          if (neck.innerHTML !== before && Number.isNaN(drawn)) drawn = performance.now() - start
        })
        seen.observe(neck, { subtree: true, childList: true, attributes: true })
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
        while (notation.querySelector('svg') === svg) await new Promise((resolve) => setTimeout(resolve))
        seen.disconnect()
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

/** Eighths, while another page of the same browser searches without a pause. */
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
const client = await page.context().newCDPSession(page)
await client.send('Performance.enable')
const busyS = async () => {
  const { metrics } = await client.send('Performance.getMetrics')
  return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? Number.NaN
}
/** Audio nodes that are alive after a collection. */
async function nodes(): Promise<number> {
  const { result } = await client.send('Runtime.evaluate', { expression: 'AudioNode.prototype' })
  const { objects } = await client.send('Runtime.queryObjects', { prototypeObjectId: result.objectId as string })
  const counted = await client.send('Runtime.callFunctionOn', {
    objectId: objects.objectId as string,
    functionDeclaration: 'function () { return this.length }',
    returnByValue: true,
  })
  await client.send('Runtime.releaseObject', { objectId: objects.objectId as string })
  return Number(counted.result.value)
}
// Counting them stops the page for a moment: before, and after what is measured.
await page.getByRole('button', { name: 'Play', exact: true }).click()
await page.waitForTimeout(5000)
const nodesEarly = await nodes()
await page.getByRole('button', { name: 'Stop', exact: true }).click()
await page.waitForTimeout(500)
await page.getByRole('button', { name: 'Play', exact: true }).click()
const startedBefore = (await started()).length
const busyBefore = await busyS()
await page.waitForTimeout(PLAYED_S * 1000)
const busyShare = (100 * ((await busyS()) - busyBefore)) / PLAYED_S
const told = page.getByTestId('playing')
const [struck, late] = [await told.getAttribute('data-struck'), await told.getAttribute('data-late')]
const nodesLate = await nodes()
searching = false
await search
/** When each string was told to start, against an even eighth from the first on. */
const times = (await started()).slice(startedBefore)
const step = 30 / TEMPO
const offGrid = times.map((at) => {
  const steps = (at - (times[0] as number)) / step
  return Math.abs(steps - Math.round(steps)) * step * 1000
})
console.log(`Onsets live: ${times.length} strings, at most ${ms(Math.max(...offGrid))} from their eighths`)
console.log(
  `Eighths at ${TEMPO} for ${PLAYED_S} s beside ${searches} searches: ${struck} sounds struck, ${late} of them late; the page's main thread was busy ${busyShare.toFixed(0)} % of the time; ${nodesEarly} audio nodes after five seconds, ${nodesLate} at the end\n`,
)
console.log(taken())
await browser.close()
stop()
