/** `npm test`: everything that must hold, on a fresh clone too; ends with one line that adds up all tests. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { driver } from './driver.mjs'
import { build, chromium, packages } from './lib.mjs'
import { root, web } from './places.mjs'
import { ended, run, step } from './steps.mjs'

const results = join(root, 'test-results')
await packages()
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
const unitFile = join(results, 'unit.json')
const browserFile = join(results, 'browser.json')
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)

async function lintAndTypes() {
  await run('Checking format and lint', 'npx', ['biome', 'ci', '.'])
  await run('Checking that imports follow the layers', 'npx', [
    ...['depcruise', 'core/src', 'formats/src', 'web/src', 'web/server'],
  ])
  for (const [project, says] of [
    ['core', 'Type-checking core, without DOM and Node.js'],
    ['core/tsconfig.test.json', 'Type-checking core with its tests'],
    ['formats', 'Type-checking the file formats'],
    ['formats/tsconfig.test.json', 'Type-checking the file formats with their tests'],
    ['e2e', 'Type-checking the browser tests'],
    ['scripts/bench', 'Type-checking the benches'],
    ['scripts/ordeal', 'Type-checking the ordeal'],
  ])
    await run(says, 'npx', ['tsc', '-p', project])
  await run('Type-checking web', 'npx', ['astro', 'check', '--minimumFailingSeverity', 'warning'], { cwd: web })
}

/** @returns its exit code: what failed is counted at the end. */
async function unitTests() {
  await driver()
  const words = ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unitFile}`]
  const { code, said } = await step('Unit and property tests', () => ended('npx', words))
  if (code !== 0) console.log(said)
  return code
}

const [unit] = await Promise.all([
  unitTests(),
  (async () => {
    await chromium()
    await build()
    await lintAndTypes()
  })(),
])
// Read at once: the browser tests empty this folder when they start.
const units = read(unitFile)

process.env.PLAYWRIGHT_JSON_OUTPUT_NAME = browserFile
const { code: browser } = await step(
  'Browser tests',
  () => ended('npx', ['playwright', 'test', '--reporter=list,json'], { shown: true }),
  { moves: false },
)

const browsers = read(browserFile)
const stats = browsers?.stats
/** Tests of a suite and of those inside it that passed only at a second try. */
const second = ({ suites = [], specs = [] }) => [
  ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ title }) => title),
  ...suites.flatMap(second),
]
for (const title of browsers ? second(browsers) : []) console.log(`> Passed at the second try only: ${title}`)
const passed = (units?.numPassedTests ?? 0) + (stats?.expected ?? 0) + (stats?.flaky ?? 0)
let failed = (units?.numFailedTests ?? 0) + (stats?.unexpected ?? 0)
// A run that ended badly without a failed test (a file that does not load, a server that does not start) is a failure.
if (failed === 0 && (unit !== 0 || browser !== 0 || !units || !stats)) failed = 1
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
