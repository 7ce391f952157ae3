/** The built application over a fresh folder with the demo data, for benches and screenshots. */
import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const web = join(import.meta.dirname, '..', '..', 'web')

/** How long the server's main thread was held up at the longest, and how long it worked at the longest. */
export interface Turn {
  readonly held: number
  readonly worked: number
}

export interface Served {
  readonly address: string
  readonly stop: () => void
  readonly pid: number
  /** Since this was asked last, in ms. */
  readonly longestTurn: () => Promise<Turn>
}

export async function demoServer(): Promise<Served> {
  const data = mkdtempSync(join(tmpdir(), 'nestling-shown-'))
  spawnSync('node', ['--import', 'tsx', 'server/seedDemo.ts'], { cwd: web, env: envFor(data), stdio: 'inherit' })
  const served = await serverOver(data)
  return {
    ...served,
    stop: () => {
      served.stop()
      rmSync(data, { recursive: true, force: true })
    },
  }
}

const envFor = (data: string) => ({ ...process.env, NESTLING_DATA: data, PORT: '0' })

/** Over a data folder that is there. */
export async function serverOver(data: string): Promise<Served> {
  const env = envFor(data)
  const watch = join(import.meta.dirname, 'longestTurn.mjs')
  const child = spawn('node', ['--import', watch, '--import', 'tsx', 'server/start.ts'], {
    cwd: web,
    env,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  })
  const line = await new Promise<string>((resolve) => {
    child.stdout?.once('data', (text: Buffer) => resolve(text.toString()))
    child.stderr?.once('data', (text: Buffer) => resolve(text.toString()))
  })
  const address = /http:\S+\//.exec(line)?.[0]
  if (address === undefined) throw new Error(line)
  // The caution that is shown once would lie over what is measured or pictured.
  await fetch(`${address}api/settings`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ cautionSeen: true }),
  })
  const longestTurn = (): Promise<Turn> =>
    new Promise((resolve) => {
      child.once('message', (told) => resolve(told as Turn))
      child.send('longest turn')
    })
  return { address, stop: () => child.kill('SIGTERM'), pid: child.pid ?? 0, longestTurn }
}

export const CHROMIUM = {
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu'],
}
