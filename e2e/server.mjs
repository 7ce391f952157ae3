/** The built application over a fresh data folder filled with the demo data, for the browser tests. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { become, run, web } from '../scripts/lib.mjs'

const data = mkdtempSync(join(tmpdir(), 'nestling-e2e-'))
process.on('exit', () => rmSync(data, { recursive: true, force: true }))
const environment = { NESTLING_DATA: data }
run('node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, says: 'Filling the demo data.', environment })
become('node', ['--import', 'tsx', 'server/start.ts'], { cwd: web, environment })
