/** `npm run ordeal`, or `npm run ordeal -- 300`: kills, full disks and odd requests, so many rounds; about ten minutes. */
import { build, install, root, run } from './lib.mjs'

install()
build()
run('node', ['--import', 'tsx', 'scripts/ordeal/ordeal.ts', ...process.argv.slice(2)], {
  cwd: root,
  says: 'The ordeal: what is kept, attacked.',
})
