/**
 * `npm run ordeal`, or `npm run ordeal -- 300 20`: kills, full disks, pages and odd requests, so many rounds, and so many minutes
 * of mixed use; about a quarter of an hour.
 */
import { build, install } from './lib.mjs'
import { run } from './steps.mjs'

await install()
await build()
const words = ['--import', 'tsx', 'scripts/ordeal/ordeal.ts', ...process.argv.slice(2)]
await run('The ordeal: what is kept, attacked', 'node', words, { shown: true })
