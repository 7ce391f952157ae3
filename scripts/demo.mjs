/** `npm run demo`: installs, builds, migrates, fills the demo data and starts, on a fresh clone or any other. */
import { join } from 'node:path'
import { become, build, install, root, run, web } from './lib.mjs'

const data = process.env.NESTLING_DATA ?? join(root, 'data', 'demo')
process.env.NESTLING_DATA = data
install()
build()
run('node', ['--import', 'tsx', 'server/seedDemo.ts'], {
  cwd: web,
  says: 'Filling the demo data (what you made yourself stays).',
})
// Straight to Node.js, with no npm in between, so that signals arrive.
become('node', ['--import', 'tsx', 'server/start.ts'], { cwd: web, environment: { NESTLING_DATA: data } })
