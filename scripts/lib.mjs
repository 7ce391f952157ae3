/** What the commands share: install once per lock file, build once per source, find or install Chromium. */
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { driver } from './driver.mjs'
import { environmentWith, root, web } from './places.mjs'
import { run } from './steps.mjs'

/** `npm ci`, but only when the lock file or Node.js changed since the last one; the driver is another step. */
export async function packages() {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.version)
    .digest('hex')
  const stamp = join(root, 'node_modules', '.lock-hash')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  await run('Installing packages', 'npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'])
  writeFileSync(stamp, hash)
}

export async function install() {
  await packages()
  await driver()
}

const newest = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((file) => file.isFile())
    .reduce((latest, file) => Math.max(latest, statSync(join(file.parentPath, file.name)).mtimeMs), 0)

/** Builds when there is no build or a source is newer than it. */
export async function build() {
  // What is built last.
  const built = join(web, 'dist/threads/work.mjs')
  const sources = [join(root, 'core/src'), join(root, 'formats/src'), join(web, 'src'), join(web, 'public')].map(newest)
  const files = ['astro.config.ts', 'threads.config.ts', 'server/work.ts', 'server/draw.ts', 'server/drawn.ts']
  const single = [join(root, 'package-lock.json'), ...files.map((file) => join(web, file))]
  sources.push(...single.map((file) => statSync(file).mtimeMs))
  if (existsSync(built) && statSync(built).mtimeMs > Math.max(...sources)) return
  await run('Building the application', 'npm', ['run', 'build', '-w', 'web'])
}

export const chromiumPath = () => process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell'

/** Chromium, and what reads the PDFs that it is asked for, from Debian's packages, where they are missing. */
export async function chromium() {
  const missing = [
    ...(existsSync(chromiumPath()) ? [] : ['chromium-headless-shell']),
    ...(existsSync('/usr/bin/pdfinfo') ? [] : ['poppler-utils']),
  ]
  if (missing.length === 0) return
  await run('Looking up Debian packages', 'apt-get', ['update', '-qq'])
  const words = ['install', '-y', '-qq', '--no-install-recommends', ...missing]
  await run(`Installing ${missing.join(' and ')} for the browser tests`, 'apt-get', words)
}

/** Becomes the server: signals go through, and its exit code is ours; what was killed did not end well. */
export function become(command, args, { cwd = root, environment = {} } = {}) {
  const child = spawn(command, args, { cwd, env: environmentWith(environment), stdio: 'inherit' })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
  child.on('exit', (code, signal) => process.exit(code ?? (signal === 'SIGINT' || signal === 'SIGTERM' ? 0 : 1)))
}
