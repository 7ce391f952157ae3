import { chromium } from '@playwright/test'
import { CHROMIUM, demoServer } from './bench/server.ts'
// args: URLPATH WxH light|dark then acts: key=.. click=.. fill=sel::text wait=ms eval=js go=path shot=out.png pdf=out.pdf
const [path = '/', size = '1280x800', scheme = 'light', ...acts] = process.argv.slice(2)
const [width, height] = size.split('x').map(Number)
const server = await demoServer()
const browser = await chromium.launch(CHROMIUM)
try {
  const page = await browser.newPage({ viewport: { width: width!, height: height! }, colorScheme: scheme as 'light', acceptDownloads: true })
  page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text().slice(0, 300)))
  page.on('pageerror', (e) => console.log('pageerror:', e.message.slice(0, 400)))
  await page.goto(server.address + path.replace(/^\//, ''))
  await page.locator('[data-alive]').waitFor()
  await page.waitForTimeout(700)
  for (const act of acts) {
    const at = act.indexOf('='); const [name, value] = [act.slice(0, at), act.slice(at + 1)]
    if (name === 'key') await page.keyboard.press(value)
    else if (name === 'click') await page.locator(value).first().click()
    else if (name === 'fill') { const [sel, text] = value.split('::'); await page.locator(sel!).first().fill(text!) }
    else if (name === 'file') { const [sel, f] = value.split('::'); await page.locator(sel!).first().setInputFiles(f!) }
    else if (name === 'down') { const [sel, f] = value.split('::'); const [d] = await Promise.all([page.waitForEvent('download'), page.locator(sel!).first().click()]); await d.saveAs(f!) }
    else if (name === 'wait') await page.waitForTimeout(Number(value))
    else if (name === 'eval') console.log(JSON.stringify(await page.evaluate(value)))
    else if (name === 'go') { await page.goto(server.address + value.replace(/^\//, '')); await page.locator('[data-alive]').waitFor(); await page.waitForTimeout(600) }
    else if (name === 'size') { const [w, h] = value.split('x').map(Number); await page.setViewportSize({ width: w!, height: h! }); await page.waitForTimeout(400) }
    else if (name === 'shot') await page.screenshot({ path: value })
    else if (name === 'print') { await page.pdf({ path: value, preferCSSPageSize: true, printBackground: true }) }
  }
} finally { await browser.close(); server.stop() }
