/** `npm run demo`: installs, builds, migrates, fills the demo data and starts, on a fresh clone or any other. */
import { dataFolder } from './dataFolder.mjs'
import { driver } from './driver.mjs'
import { become, build, packages } from './lib.mjs'
import { web } from './places.mjs'
import { run } from './steps.mjs'

const environment = { NESTLING_DATA: dataFolder('demo') }
await packages()
// The build needs no database: both cores have something to do.
await Promise.all([driver(), build()])
await run('Filling the demo data (what you made yourself stays)', 'node', ['--import', 'tsx', 'server/seedDemo.ts'], {
  cwd: web,
  environment,
})
// Straight to Node.js, with no npm in between, so that signals arrive.
become('node', ['--import', 'tsx', 'server/start.ts'], { cwd: web, environment })
