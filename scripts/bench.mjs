/** `npm run bench`: speed, measured on this machine and printed as tables. First the engine, then the page. */
import { build, chromium, install, root, run } from './lib.mjs'

install()
const only = process.argv[2]
if (only !== 'browser')
  run('node', ['--expose-gc', '--import', 'tsx', 'scripts/bench/engine.ts'], { cwd: root, says: 'The engine.' })
if (only !== 'engine') {
  build()
  chromium()
  run('node', ['--import', 'tsx', 'scripts/bench/browser.ts'], { cwd: root, says: 'The page in Chromium.' })
}
