/** One server for a folder: a second would show what the first has changed meanwhile. The running one leaves its address there. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
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

/** Leaves the address for others until this process ends. Where the disk is full it goes on without: nothing is lost by that. */
export function noteRunning(folder: string, address: string): void {
  try {
    writeFileSync(join(folder, FILE), JSON.stringify({ pid: process.pid, address } satisfies Running))
  } catch (error) {
    console.error(
      `The address could not be left in ${folder} (${(error as Error).message}): start no second server there.`,
    )
    return
  }
  process.once('exit', () => {
    if (noted(folder)?.pid === process.pid) rmSync(join(folder, FILE), { force: true })
  })
}
