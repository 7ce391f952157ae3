/** `npm run dev`: the development server with live reload, over its own data folder. */
import { join } from 'node:path'
import { become, install, root, run, web } from './lib.mjs'

process.env.NESTLING_DATA ??= join(root, 'data', 'dev')
install()
run('node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, says: 'Filling the development data.' })
become('npx', ['astro', 'dev'], { cwd: web })
