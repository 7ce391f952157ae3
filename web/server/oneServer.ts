/** One server for a folder: a second would show what the first has changed meanwhile. The running one leaves its address there. */
import { linkSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const FILE = 'server.json'
const ANSWERS_MS = 1500

interface Running {
  readonly pid: number
  readonly address: string
}

function noted(folder: string): Running | undefined {
  try {
    const found = JSON.parse(readFileSync(join(folder, FILE), 'utf8')) as Partial<Running>
    return typeof found.pid === 'number' && typeof found.address === 'string' ? (found as Running) : undefined
  } catch {
    return undefined
  }
}

/** A process of that number may be another program by now: the one that is meant answers at its address, if only to refuse. */
async function answers({ pid, address }: Running): Promise<boolean> {
  try {
    process.kill(pid, 0)
  } catch (error) {
    // Somebody else's process lives as well.
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false
  }
  try {
    await fetch(new URL('healthz', address), { signal: AbortSignal.timeout(ANSWERS_MS) })
    return true
  } catch {
    return false
  }
}

/** @returns The address of the server that runs on the folder already. */
export async function runningOn(folder: string): Promise<string | undefined> {
  const running = noted(folder)
  return running !== undefined && running.pid !== process.pid && (await answers(running)) ? running.address : undefined
}

/**
 * Leaves the address for others until this process ends: of two that began at once, one does. Where the disk is full it goes
 * on without: nothing is lost by that.
 * @returns The address of the other, where that was first.
 */
export async function noteRunning(folder: string, address: string): Promise<string | undefined> {
  const own = join(folder, `${FILE}.${process.pid}`)
  const text = JSON.stringify({ pid: process.pid, address } satisfies Running)
  try {
    const first = await runningOn(folder)
    if (first !== undefined) return first
    // One that was killed has left its own.
    rmSync(join(folder, FILE), { force: true })
    // There at once with all of its text, and only where there is none: nobody reads half of it.
    writeFileSync(own, text)
    try {
      linkSync(own, join(folder, FILE))
    } catch (error) {
      // Not every file system has links.
      if ((error as NodeJS.ErrnoException).code === 'EEXIST') throw error
      writeFileSync(join(folder, FILE), text, { flag: 'wx' })
    }
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException
    if (code === 'EEXIST') return noteRunning(folder, address)
    console.error(`The address could not be left in ${folder} (${message}): start no second server there.`)
    return undefined
  } finally {
    rmSync(own, { force: true })
  }
  process.once('exit', () => {
    if (noted(folder)?.pid === process.pid) rmSync(join(folder, FILE), { force: true })
  })
  return undefined
}
