/** `npm run bench`, or `npm run bench -- browser`: speed, measured on this machine and printed as tables. */
import { build, chromium, install } from './lib.mjs'
import { run } from './steps.mjs'

const [only, ...more] = process.argv.slice(2)
const BENCHES = {
  engine: 'The engine',
  browser: 'The page in Chromium',
  practice: 'The ear for chords; a log of ten years',
  sound: 'Notation and sound; a minute of playing',
  load: 'The server under load; minutes of memory',
  files: 'Sheets, files and a large Book',
}
if (only !== undefined && !(only in BENCHES)) {
  console.error(`There is no bench ${only}; expected ${Object.keys(BENCHES).join(', ')}, or none for all.`)
  process.exit(1)
}
await install()
if (only !== 'engine') {
  await build()
  await chromium()
}
for (const [name, says] of Object.entries(BENCHES)) {
  if (only !== undefined && name !== only) continue
  const flags = name === 'engine' ? ['--expose-gc'] : []
  await run(says, 'node', [...flags, '--import', 'tsx', `scripts/bench/${name}.ts`, ...more], { shown: true })
}
