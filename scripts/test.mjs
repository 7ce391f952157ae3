/** `npm test`: everything that must hold, on a fresh clone too; ends with one line that adds up all tests. */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, chromium, install, root, run, web } from './lib.mjs'

const results = join(root, 'test-results')
install()
run('npx', ['biome', 'ci', '.'], { says: 'Checking format and lint (biome).' })
run('npx', ['depcruise', 'core/src', 'formats/src', 'web/src', 'web/server'], {
  says: 'Checking that imports follow the layers (dependency-cruiser).',
})
run('npx', ['tsc', '-p', 'core'], { says: 'Type-checking core, without DOM and Node.js.' })
run('npx', ['tsc', '-p', 'core/tsconfig.test.json'], { says: 'Type-checking core with its tests.' })
run('npx', ['tsc', '-p', 'formats'], { says: 'Type-checking the file formats.' })
run('npx', ['tsc', '-p', 'formats/tsconfig.test.json'], { says: 'Type-checking the file formats with their tests.' })
run('npx', ['tsc', '-p', 'e2e'], { says: 'Type-checking the browser tests.' })
run('npx', ['tsc', '-p', 'scripts/bench'], { says: 'Type-checking the benches.' })
run('npx', ['astro', 'check', '--minimumFailingSeverity', 'warning'], {
  cwd: web,
  says: 'Type-checking web (about 20 seconds).',
})
chromium()

rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
const step = (says, command, args) => {
  console.log(`> ${says}`)
  return (
    spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' } })
      .status ?? 1
  )
}
const unitFile = join(results, 'unit.json')
const browserFile = join(results, 'browser.json')
const unit = step('Unit and property tests.', 'npx', [
  'vitest',
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${unitFile}`,
])
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)
// Read at once: the browser tests empty this folder when they start.
const units = read(unitFile)
build()
process.env.PLAYWRIGHT_JSON_OUTPUT_NAME = browserFile
const browser = step('Browser tests.', 'npx', ['playwright', 'test', '--reporter=list,json'])

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
