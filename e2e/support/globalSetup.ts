/** Fills a folder with the demo data, which every test file copies. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_FOLDER } from './test.ts'

export default function fillDemo(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-e2e-demo-'))
  process.env[DEMO_FOLDER] = folder
  const { status, stderr } = spawnSync('node', ['--import', 'tsx', 'server/seedDemo.ts'], {
    cwd: join(import.meta.dirname, '..', '..', 'web'),
    env: { ...process.env, NESTLING_DATA: folder },
    encoding: 'utf8',
  })
  if (status !== 0) throw new Error(`The demo data could not be filled: ${stderr}`)
  return () => rmSync(folder, { recursive: true, force: true })
}
