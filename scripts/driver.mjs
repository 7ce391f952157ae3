/**
 * The database driver is compiled on this machine. What was compiled is kept outside `node_modules`, by version, ABI and
 * platform, so that newly installed packages do not cost it again; it is trusted once it has been loaded.
 */
import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { root } from './places.mjs'
import { ended, run, step } from './steps.mjs'

const folder = join(root, 'node_modules', 'better-sqlite3')
const placed = join(folder, 'build', 'Release', 'better_sqlite3.node')

const keptFile = () => {
  const { version } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))
  const { versions, platform, arch } = process
  return join(root, '.cache', 'driver', `${version}-abi${versions.modules}-${platform}-${arch}.node`)
}

/** In a process of its own: a file of another machine may end the one that loads it. */
const loads = async () => {
  if (!existsSync(placed)) return false
  const { code } = await ended(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:').close()"])
  return code === 0
}

/** Copied beside its place first: nobody finds half a file. */
function copyTo(from, to) {
  mkdirSync(dirname(to), { recursive: true })
  copyFileSync(from, `${to}.${process.pid}`)
  renameSync(`${to}.${process.pid}`, to)
}

export async function driver() {
  if (await loads()) return
  const kept = keptFile()
  if (existsSync(kept)) {
    await step('Taking the compiled database driver from the cache', () => copyTo(kept, placed))
    if (await loads()) return
  }
  await run('Compiling the database driver (two minutes, once)', 'npm', ['run', 'install'], { cwd: folder })
  if (!(await loads())) {
    console.error('The database driver was compiled but does not load. It needs a C++ compiler, make and Python 3.')
    process.exit(1)
  }
  copyTo(placed, kept)
}
