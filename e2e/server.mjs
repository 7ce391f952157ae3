/** The built application over a fresh data folder filled with the demo data, for the browser tests. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { become, web } from '../scripts/lib.mjs'

const data = mkdtempSync(join(tmpdir(), 'nestling-e2e-'))
process.on('exit', () => rmSync(data, { recursive: true, force: true }))
process.env.NESTLING_DATA = data
spawnSync('node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, stdio: 'inherit', env: process.env })
become('node', ['--import', 'tsx', 'server/start.ts'], { cwd: web, environment: { NESTLING_DATA: data } })
