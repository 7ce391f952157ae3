/** `npm run dev`: the development server with live reload, over its own data folder. */
import { join } from 'node:path'
import { dataFolder } from './dataFolder.mjs'
import { become, install } from './lib.mjs'
import { web } from './places.mjs'
import { run } from './steps.mjs'

const environment = { NESTLING_DATA: dataFolder('dev'), NESTLING_MIGRATIONS: join(web, 'drizzle') }
await install()
await run('Filling the development data', 'node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, environment })
become('npx', ['astro', 'dev'], { cwd: web, environment })
