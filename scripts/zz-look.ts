import { chromium } from '@playwright/test'
import { CHROMIUM, demoServer } from './bench/server.ts'
const [out = '', path = '/', size = '1280x800', scheme = 'light', ...acts] = process.argv.slice(2)
const [width = 1280, height = 800] = size.split('x').map(Number)
const { address, stop } = await demoServer()
const browser = await chromium.launch({ ...CHROMIUM, args: [...(CHROMIUM.args ?? []), '--autoplay-policy=no-user-gesture-required'] })
const page = await browser.newPage({ viewport: { width, height }, colorScheme: scheme as 'light', hasTouch: acts.includes('touch') })
page.on('console', (m) => { if (m.type() === 'error') console.log('CONSOLE', m.text()) })
page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
await page.goto(new URL(path, address).href)
await page.waitForTimeout(1200)
for (const act of acts) {
  const [kind, ...rest] = act.split('='); const arg = rest.join('=')
  if (kind === 'key') await page.keyboard.press(arg)
  if (kind === 'type') await page.keyboard.type(arg)
  if (kind === 'click') await page.locator(arg).first().click()
  if (kind === 'hover') await page.locator(arg).first().hover()
  if (kind === 'fill') { const [s = '', t = ''] = arg.split('::'); await page.locator(s).first().fill(t) }
  if (kind === 'wait') await page.waitForTimeout(Number(arg))
  if (kind === 'until') await page.waitForFunction((js) => eval(js), arg)
  if (kind === 'go') { await page.goto(new URL(arg, address).href); await page.waitForTimeout(1000) }
  if (kind === 'eval') console.log(JSON.stringify(await page.evaluate(arg)))
  if (kind === 'shot') await page.screenshot({ path: arg })
}
await page.screenshot({ path: out })
console.log('overflow', await page.evaluate('[document.documentElement.scrollWidth, innerWidth, document.documentElement.scrollHeight, innerHeight]'))
await browser.close(); stop(); process.exit(0)
