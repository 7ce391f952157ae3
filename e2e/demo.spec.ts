/** The README's command, as a player types it: in a fresh copy of the tree, with no variable of ours set. */
import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { copyFileSync, cpSync, mkdirSync, mkdtempSync, readdirSync, realpathSync, rmSync, symlinkSync } from 'node:fs'
import { type AddressInfo, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { expect, test } from './support/test.ts'

const root = join(import.meta.dirname, '..')
/** The README's; another one where that is taken, as by a demo that runs beside the tests. */
const USUAL_PORT = 4321
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
  for (const made of ['web/dist', '.cache/driver'])
    cpSync(join(root, made), join(into, made), { recursive: true, preserveTimestamps: true })
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

/** @returns the port, or one that is free in its place. */
const freePort = (port: number) =>
  new Promise<number>((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(freePort(0)))
    server.listen(port, '127.0.0.1', () => {
      const { port: taken } = server.address() as AddressInfo
      server.close(() => resolve(taken))
    })
  })

function demo(folder: string, port: number): { readonly child: ChildProcess; readonly said: () => string } {
  const environment = Object.fromEntries(
    Object.entries(process.env).filter(([name]) => !OURS.includes(name) && !name.startsWith('npm_')),
  )
  if (port !== USUAL_PORT) environment['PORT'] = String(port)
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
  const port = await freePort(USUAL_PORT)
  copyOfTheTree(folder)
  git(folder, 'init', '-q')
  git(folder, 'add', '-A')
  const { child, said } = demo(folder, port)
  try {
    await expect.poll(said, { timeout: 120_000 }).toContain(`http://127.0.0.1:${port}`)
    await page.goto(`http://127.0.0.1:${port}/book`)
    await expect(page.locator('[data-alive]')).toBeVisible()
    const { shapes } = await (await page.request.get(`http://127.0.0.1:${port}/api/shapes`)).json()
    expect(shapes).toHaveLength(12)
    // As far as the window shows them; the others come as the list is scrolled.
    await expect(page.getByTestId('book-list').getByRole('article', { name: 'first bar' })).toBeVisible()
    await expect(page.getByRole('navigation', { name: 'Contents' })).toContainText('all of it12')
    await page.goto(`http://127.0.0.1:${port}/setup`)
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
