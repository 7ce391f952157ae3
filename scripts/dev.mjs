/** `npm run dev`: the development server with live reload, over its own data folder. */
import { join } from 'node:path'
import { dataFolder } from './dataFolder.mjs'
import { become, install, run, web } from './lib.mjs'

const environment = { NESTLING_DATA: dataFolder('dev'), NESTLING_MIGRATIONS: join(web, 'drizzle') }
install()
run('node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, says: 'Filling the development data.', environment })
become('npx', ['astro', 'dev'], { cwd: web, environment })
