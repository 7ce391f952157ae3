/** `npm run screenshots`: one current picture of each main view, from the demo data, into docs/screenshots; and the demo's first sheet as a PDF. */
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { CHROMIUM, demoServer } from './bench/server.ts'

interface Shot {
  readonly name: string
  readonly path: string
  readonly dusk?: boolean
  readonly narrow?: boolean
  readonly before?: (page: Page) => Promise<unknown>
}

const BUILD = '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'
const collect = async (page: Page) => {
  for (const line of ['Fm9', 'Bb13', 'Ebmaj9']) {
    await page.locator('#build-line-input').fill(`${line} any 5432`)
    await page.waitForTimeout(500)
    await page.locator('#build-line-input').blur()
    await page.keyboard.press('t')
    await page.waitForTimeout(300)
  }
  await page.goto(new URL(BUILD, page.url()).href)
  await page.waitForTimeout(1200)
}

const SHOTS: readonly Shot[] = [
  { name: 'build', path: BUILD, before: collect },
  { name: 'build-dusk', path: '/?chord=Cmaj9&shape=x7978x', dusk: true },
  { name: 'build-narrow', path: BUILD, narrow: true },
  { name: 'map', path: '/map?chord=Ebmaj7&arrangement=drop-2&add=9&way=root-moves&place=x8878x' },
  { name: 'map-dusk', path: '/map?chord=C&arrangement=close&morph=m', dusk: true },
  { name: 'arpeggio', path: '/arpeggio?chord=Ebmaj7&shape=x6878x&scale=Lydian&from=lowest' },
  { name: 'arpeggio-dusk', path: '/arpeggio?chord=Am7&way=two-a-string&position=5&value=triplet', dusk: true },
  { name: 'key', path: '/key?key=Bb&step=2&lane=2&numbers=2_5_1_6' },
  {
    name: 'key-dusk',
    path: '/key?key=G&depth=triads&tuning=D2,G2,D3,G3,B3,D4&tones=R:5,5:4,3:2&ring=3,1&step=4',
    dusk: true,
  },
  { name: 'path', path: '/path?tune=3&at=5' },
  { name: 'path-dusk', path: '/path?tune=4&at=3', dusk: true },
  // Before the run: what it leaves in the log is not the demo's.
  { name: 'logbook', path: '/logbook?row=m7+x0201x&root=8' },
  {
    name: 'practice',
    path: '/practice?material=m7&tempo=60',
    before: async (page) => {
      await page.keyboard.press('e')
      await page.keyboard.press('Space')
      // The fourth root, with what the ear said of it.
      await page.getByText('D♭m7').or(page.getByText('Cm7')).first().waitFor()
      await page.waitForTimeout(16_500)
    },
  },
  {
    name: 'cards',
    path: '/cards',
    before: async (page) => {
      for (let card = 0; card < 30 && !(await page.locator('section[aria-label=Card] svg').isVisible()); card++) {
        await page.keyboard.press('Escape')
        await page.keyboard.press('s')
        await page.keyboard.press('Enter')
        await page.waitForTimeout(250)
      }
    },
  },
  { name: 'setup', path: '/setup' },
  { name: 'book', path: '/book' },
  { name: 'book-dusk', path: '/book', dusk: true },
  {
    name: 'sheet',
    path: '/sheet?sheet=3',
    before: async (page) => {
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('group', { name: 'Acts' }).getByRole('button', { name: /^PDF/ }).click(),
      ])
      await file.saveAs(join(import.meta.dirname, '..', 'docs', 'slow-ferry.pdf'))
      await page.getByRole('button', { name: /^Slow Ferry, bars 6/ }).click()
      await page.waitForTimeout(600)
    },
  },
]

const { address, stop } = await demoServer()
const browser = await chromium.launch(CHROMIUM)
for (const { name, path, dusk, narrow, before } of SHOTS) {
  const page = await browser.newPage({
    viewport: narrow ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: dusk ? 'dark' : 'light',
  })
  await page.goto(new URL(path, address).href)
  await page.waitForTimeout(1500)
  await before?.(page)
  await page.waitForFunction(() => document.querySelector('[aria-busy="true"]') === null)
  await page.screenshot({ path: join(import.meta.dirname, '..', 'docs', 'screenshots', `${name}.png`) })
  await page.close()
}
await browser.close()
stop()
