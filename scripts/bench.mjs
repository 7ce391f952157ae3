/** `npm run bench`: speed, measured on this machine and printed as tables. First the engine, then the page. */
import { build, chromium, install, root, run } from './lib.mjs'

install()
const only = process.argv[2]
if (only === undefined || only === 'engine')
  run('node', ['--expose-gc', '--import', 'tsx', 'scripts/bench/engine.ts'], { cwd: root, says: 'The engine.' })
if (only !== 'engine') {
  build()
  chromium()
  if (only === undefined || only === 'browser')
    run('node', ['--import', 'tsx', 'scripts/bench/browser.ts'], { cwd: root, says: 'The page in Chromium.' })
  if (only === undefined || only === 'drawing')
    run('node', ['--import', 'tsx', 'scripts/bench/drawing.ts'], {
      cwd: root,
      says: 'The Map and Set-up, drawn to scale.',
    })
  if (only === undefined || only === 'practice')
    run('node', ['--import', 'tsx', 'scripts/bench/practice.ts'], {
      cwd: root,
      says: 'The ear for chords; a log of ten years.',
    })
  if (only === undefined || only === 'sound')
    run('node', ['--import', 'tsx', 'scripts/bench/sound.ts', ...process.argv.slice(3)], {
      cwd: root,
      says: 'Notation and sound; a minute of playing.',
    })
  if (only === undefined || only === 'load')
    run('node', ['--import', 'tsx', 'scripts/bench/load.ts', ...process.argv.slice(3)], {
      cwd: root,
      says: 'The server under load; minutes of memory.',
    })
  if (only === undefined || only === 'files')
    run('node', ['--import', 'tsx', 'scripts/bench/files.ts'], { cwd: root, says: 'Sheets, files and a large Book.' })
}
