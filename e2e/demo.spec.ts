/** The README's command, as a player types it: in a fresh copy of the tree, with no variable of ours set. */
import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { copyFileSync, cpSync, mkdirSync, mkdtempSync, readdirSync, realpathSync, rmSync, symlinkSync } from 'node:fs'
import { createConnection } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { expect, test } from './support/test.ts'

const root = join(import.meta.dirname, '..')
const PORT = 4321
const OURS = ['NESTLING_DATA', 'HOST', 'PORT', 'NODE_ENV', 'INIT_CWD']

const git = (folder: string, ...args: string[]) =>
  execFileSync('git', ['-C', folder, ...args], { encoding: 'utf8' })
    .split('\0')
    .filter((line) => line !== '')

/** What a clone would hold, with what was installed and built here, so that neither is done twice. */
function copyOfTheTree(into: string): void {
  for (const file of git(root, 'ls-files', '-z', '-co', '--exclude-standard')) {
    mkdirSync(dirname(join(into, file)), { recursive: true })
    cpSync(join(root, file), join(into, file), { preserveTimestamps: true })
  }
  cpSync(join(root, 'web/dist'), join(into, 'web/dist'), { recursive: true, preserveTimestamps: true })
  const installed = join(root, 'node_modules')
  mkdirSync(join(into, 'node_modules/@nestling'), { recursive: true })
  for (const name of readdirSync(installed)) {
    if (name === '@nestling') continue
    if (name === '.lock-hash') copyFileSync(join(installed, name), join(into, 'node_modules', name))
    else symlinkSync(join(installed, name), join(into, 'node_modules', name))
  }
  for (const workspace of ['core', 'formats', 'web'])
    symlinkSync(join(into, workspace), join(into, 'node_modules/@nestling', workspace))
}

const isTaken = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = createConnection({ port, host: '127.0.0.1' })
    socket.once('connect', () => resolve(true)).once('error', () => resolve(false))
    socket.once('connect', () => socket.end())
  })

function demo(folder: string): { readonly child: ChildProcess; readonly said: () => string } {
  const environment = Object.fromEntries(
    Object.entries(process.env).filter(([name]) => !OURS.includes(name) && !name.startsWith('npm_')),
  )
  const child = spawn('npm', ['run', 'demo'], { cwd: folder, env: environment, detached: true })
  let heard = ''
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (text: Buffer) => {
      heard += text.toString()
    })
  return { child, said: () => heard }
}

let folder: string
test.beforeEach(() => {
  folder = realpathSync(mkdtempSync(join(tmpdir(), 'nestling-demo-')))
})
test.afterEach(() => rmSync(folder, { recursive: true, force: true }))

test('npm run demo shows twelve shapes and three instruments, and leaves no stray file', async ({ page }) => {
  expect(await isTaken(PORT), `port ${PORT} is free`).toBe(false)
  copyOfTheTree(folder)
  git(folder, 'init', '-q')
  git(folder, 'add', '-A')
  const { child, said } = demo(folder)
  try {
    await expect.poll(said, { timeout: 120_000 }).toContain(`http://127.0.0.1:${PORT}`)
    await page.goto(`http://127.0.0.1:${PORT}/book`)
    await expect(page.locator('[data-alive]')).toBeVisible()
    const { shapes } = await (await page.request.get(`http://127.0.0.1:${PORT}/api/shapes`)).json()
    expect(shapes).toHaveLength(12)
    // As far as the window shows them; the others come as the list is scrolled.
    await expect(page.getByTestId('book-list').getByRole('article', { name: 'first bar' })).toBeVisible()
    await expect(page.getByRole('navigation', { name: 'Contents' })).toContainText('all of it12')
    await page.goto(`http://127.0.0.1:${PORT}/setup`)
    // One in hand, the others under it.
    await expect(page.getByTestId('other-instrument')).toHaveCount(2)
    // Nothing changed, nothing new that git does not ignore; and of what it ignores, the data in one place.
    expect(git(folder, 'status', '--porcelain', '-z').filter((line) => !line.startsWith('A '))).toEqual([])
    expect(git(folder, 'ls-files', '-z', '-oi', '--exclude-standard').filter((file) => file.endsWith('.db'))).toEqual([
      'data/demo/nestling.db',
    ])
  } finally {
    if (child.pid !== undefined) process.kill(-child.pid, 'SIGTERM')
    if (child.exitCode === null) await new Promise((resolve) => child.once('exit', resolve))
  }
})
