/**
 * Steps of a command, each told with its seconds: beside one another where they are started together, with a sign that
 * moves while they run. What a step prints is kept back and shown when it fails.
 */
import { spawn } from 'node:child_process'
import { environmentWith, root } from './places.mjs'

const SIGNS = ['|', '/', '-', '\\']
/** Where nothing can move (a log), a line says now and then what goes on. */
const STILL_MS = 20_000
const running = new Map()
let turn = 0
let clock

const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(0)} s`
const goingOn = () => [...running].map(([says, since]) => `${says} ${seconds(since)}`).join(' · ')

function startClock() {
  if (clock) return
  const isTerminal = process.stdout.isTTY === true
  clock = setInterval(
    () => {
      const line = `${SIGNS[turn++ % SIGNS.length]} ${goingOn()}`
      if (isTerminal) process.stdout.write(`\r\x1b[K${line.slice(0, (process.stdout.columns ?? 80) - 1)}`)
      else console.log(`  … ${goingOn()}`)
    },
    isTerminal ? 200 : STILL_MS,
  )
  clock.unref()
}

function tell(line) {
  if (process.stdout.isTTY) process.stdout.write('\r\x1b[K')
  console.log(line)
}

/** Does something and tells its seconds. @param moves False for what prints for itself. @returns what `work` gives. */
export async function step(says, work, { moves = true } = {}) {
  const since = Date.now()
  tell(`> ${says}`)
  if (moves) {
    running.set(says, since)
    startClock()
  }
  try {
    const result = await work()
    tell(`  ${says}: done in ${((Date.now() - since) / 1000).toFixed(1)} s`)
    return result
  } finally {
    running.delete(says)
    if (running.size === 0) {
      clearInterval(clock)
      clock = undefined
    }
  }
}

const children = new Set()
/** Ends what still runs: a failure beside it has decided the command. */
function endOthers() {
  for (const child of children) child.kill('SIGTERM')
}

/**
 * Runs one command as a step. A failure prints what it said and ends the whole command with the same exit code.
 * @param shown What it prints is shown as it comes, for what tells its own progress.
 */
export function run(says, command, args, { cwd = root, environment = {}, shown = false } = {}) {
  const work = async () => {
    const { code, said } = await ended(command, args, { cwd, environment, shown })
    if (code === 0) return
    tell(said)
    tell(`${says}: failed (${command} ${args.join(' ')})`)
    endOthers()
    process.exit(code)
  }
  return step(says, work, { moves: !shown })
}

/** Runs a command to its end, whatever that is. */
export function ended(command, args, { cwd = root, environment = {}, shown = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: environmentWith(environment),
      stdio: shown ? 'inherit' : ['ignore', 'pipe', 'pipe'],
    })
    children.add(child)
    let said = ''
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (text) => {
        said += text
      })
    child.once('error', (error) => resolve({ code: 1, said: `${command} could not be started: ${error.message}` }))
    child.once('close', (code) => {
      children.delete(child)
      resolve({ code: code ?? 1, said })
    })
  })
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    if (children.size === 0 && process.listenerCount(signal) > 1) return
    endOthers()
    process.exit(1)
  })
