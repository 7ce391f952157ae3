/** What the commands share: run a step aloud, install once per lock file, find or install Chromium. */
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
export const web = join(root, 'web')
const environmentWith = (more) => ({
  ...process.env,
  ASTRO_TELEMETRY_DISABLED: '1',
  npm_config_update_notifier: 'false',
  ...more,
})

/** Runs one step and says how long it took; its failure ends the command with the same exit code. */
export function run(command, args, { cwd = root, says, environment = {} } = {}) {
  const started = Date.now()
  console.log(`> ${says ?? `${command} ${args.join(' ')}`}`)
  const result = spawnSync(command, args, { cwd, env: environmentWith(environment), stdio: 'inherit' })
  if (result.error) {
    console.error(`${command} could not be started: ${result.error.message}`)
    process.exit(1)
  }
  if (result.status !== 0) process.exit(result.status ?? 1)
  console.log(`  done in ${((Date.now() - started) / 1000).toFixed(1)} s`)
}

/** `npm ci`, but only when the lock file or Node.js changed since the last one. */
export function install() {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .update(process.version)
    .digest('hex')
  const stamp = join(root, 'node_modules', '.lock-hash')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  run('npm', ['ci', '--no-audit', '--no-fund'], {
    says: 'Installing packages (npm ci). The database driver is compiled here: this takes two to four minutes, once.',
  })
  writeFileSync(stamp, hash)
}

const newest = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((file) => file.isFile())
    .reduce((latest, file) => Math.max(latest, statSync(join(file.parentPath, file.name)).mtimeMs), 0)

/** Builds when there is no build or a source is newer than it. */
export function build() {
  // What is built last.
  const built = join(web, 'dist/threads/work.mjs')
  const sources = [join(root, 'core/src'), join(root, 'formats/src'), join(web, 'src'), join(web, 'public')].map(newest)
  const files = [join(root, 'package-lock.json'), ...['astro.config.ts', 'threads.config.ts', 'server/work.ts'].map((file) => join(web, file))] // biome-ignore format: a list
  sources.push(...files.map((file) => statSync(file).mtimeMs))
  if (existsSync(built) && statSync(built).mtimeMs > Math.max(...sources)) return
  run('npm', ['run', 'build', '-w', 'web'], { cwd: root, says: 'Building the application (about a minute).' })
}

export const chromiumPath = () => process.env.CHROMIUM ?? '/usr/bin/chromium'

/** Chromium from Debian's packages, when it is missing. */
export function chromium() {
  if (existsSync(chromiumPath())) return
  run('apt-get', ['update', '-qq'], { says: 'Chromium is missing: looking it up in the Debian packages.' })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
    says: 'Installing Chromium for the browser tests.',
  })
}

/** Becomes the server: signals go through, and its exit code is ours; what was killed did not end well. */
export function become(command, args, { cwd = root, environment = {} } = {}) {
  const child = spawn(command, args, { cwd, env: environmentWith(environment), stdio: 'inherit' })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
  child.on('exit', (code, signal) => process.exit(code ?? (signal === 'SIGINT' || signal === 'SIGTERM' ? 0 : 1)))
}
