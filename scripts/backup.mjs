/** `npm run backup` and `npm run restore -- …`: copies of all that is kept, and the way back. */
import { become, install } from './lib.mjs'
import { web } from './places.mjs'

const [command, ...words] = process.argv.slice(2)
await install()
become('node', ['--import', 'tsx', `server/${command}.ts`, ...words], { cwd: web })
