/** Rounds of an attack on what is kept: the server is killed while it writes, or its disk runs full. */
import { olderBook } from './olderBook.ts'
import { ended, type Started, spawnServer, startServer } from './server.ts'
import type { SmallDisk } from './smallDisk.ts'
import { ask } from './writes.ts'

export interface Round {
  /** Writes that the server said are kept. */
  readonly acknowledged: number
  /** Writes that it refused. */
  readonly refused: number
  /** Acknowledged and not there afterwards. */
  readonly lost: readonly string[]
  /** Refused and there all the same. */
  readonly kept: readonly string[]
}

const NOTE = 'a page full of words '.repeat(20)
const shape = (name: string) => ({
  name,
  chord: 'Am7',
  frets: '5x555x',
  tuning: 'E2,A2,D3,G3,B3,E4',
  note: NOTE,
})
const AT_ONCE = 6

interface Told {
  readonly yes: Set<string>
  readonly no: Set<string>
}

/**
 * Writes without a pause, several at once, until `until` says so or the server is gone.
 * @param begun Called once, when the first write is acknowledged.
 */
async function writing({ address }: Started, name: string, until: () => boolean, begun: () => void): Promise<Told> {
  const told: Told = { yes: new Set(), no: new Set() }
  const one = async (lane: number) => {
    for (let index = 0; !until(); index++) {
      const own = `${name}-${lane}-${index}`
      try {
        const { status } = await ask(address, 'POST', 'shapes', shape(own))
        ;(status === 201 ? told.yes : told.no).add(own)
        if (status === 201 && told.yes.size === 1) begun()
      } catch {
        // Killed: nothing was said of this one.
        return
      }
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, (_, lane) => one(lane)))
  return told
}

async function namesOf({ address }: Started, find: string): Promise<ReadonlySet<string>> {
  const names = new Set<string>()
  for (let from = 0; ; from += 500) {
    const { json } = await ask(address, 'GET', `shapes?find=${find}&by=newest&from=${from}&limit=500`)
    for (const one of json.shapes as readonly { readonly name: string }[]) names.add(one.name)
    if (!json.truncated) return names
  }
}

/** What the next server finds of what the last one had said. */
async function judged(folder: string, name: string, { yes, no }: Told): Promise<Round> {
  const next = await startServer({ PORT: '0', NESTLING_DATA: folder })
  const there = await namesOf(next, name)
  next.child.kill('SIGKILL')
  await ended(next.child)
  return {
    acknowledged: yes.size,
    refused: no.size,
    lost: [...yes].filter((one) => !there.has(one)),
    kept: [...no].filter((one) => there.has(one)),
  }
}

/** What answers its first question loads all that it needs: a round begins after that. */
async function begun(folder: string): Promise<Started> {
  const server = await startServer({ PORT: '0', NESTLING_DATA: folder })
  await ask(server.address, 'GET', 'shapes?limit=1')
  return server
}

/** Killed at a moment that nobody chose, while it writes. @param afterMs After the first write that it acknowledged. */
export async function killRound(folder: string, name: string, afterMs: number): Promise<Round> {
  const server = await begun(folder)
  const kill = () => server.child.kill('SIGKILL')
  const told = await writing(
    server,
    name,
    () => false,
    () => setTimeout(kill, afterMs),
  )
  await ended(server.child)
  return await judged(folder, name, told)
}

/** An older database is brought up to date, and the server killed on the way: the next one has all that was in it. */
export async function migrationRound(folder: string, known: number, name: string, afterMs: number): Promise<Round> {
  const names = Array.from({ length: 2000 }, (_, index) => `${name}-${index}`)
  olderBook(folder, known, names)
  const child = spawnServer({ PORT: '0', NESTLING_DATA: folder })
  await new Promise((resolve) => setTimeout(resolve, afterMs))
  child.kill('SIGKILL')
  await ended(child)
  return await judged(folder, name, { yes: new Set(names), no: new Set() })
}

/** The disk is full from a moment on, then the server is killed; the next one has room again. */
export async function fullRound(disk: SmallDisk, name: string, afterMs: number): Promise<Round> {
  const server = await begun(disk.folder)
  let isOver = false
  const told = await writing(
    server,
    name,
    () => isOver,
    () => {
      setTimeout(() => disk.fillUp(), afterMs)
      setTimeout(
        () => {
          isOver = true
        },
        2 * afterMs + 100,
      )
    },
  )
  server.child.kill('SIGKILL')
  await ended(server.child)
  disk.free()
  return await judged(disk.folder, name, told)
}
