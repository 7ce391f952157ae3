/** `npm run demo`: installs, builds, migrates, fills the demo data and starts, on a fresh clone or any other. */
import { dataFolder } from './dataFolder.mjs'
import { become, build, install, run, web } from './lib.mjs'

const environment = { NESTLING_DATA: dataFolder('demo') }
install()
build()
run('node', ['--import', 'tsx', 'server/seedDemo.ts'], {
  cwd: web,
  says: 'Filling the demo data (what you made yourself stays).',
  environment,
})
// Straight to Node.js, with no npm in between, so that signals arrive.
become('node', ['--import', 'tsx', 'server/start.ts'], { cwd: web, environment })
