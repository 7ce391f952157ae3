/** `npm run ordeal`, or `npm run ordeal -- 300`: kills, full disks and odd requests, so many rounds; about ten minutes. */
import { build, install } from './lib.mjs'
import { run } from './steps.mjs'

await install()
await build()
const words = ['--import', 'tsx', 'scripts/ordeal/ordeal.ts', ...process.argv.slice(2)]
await run('The ordeal: what is kept, attacked', 'node', words, { shown: true })
