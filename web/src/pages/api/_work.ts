/**
 * Work that may take long is done on threads, so that it holds up nobody:
 *   request ─onThread→ a thread imports the same endpoint and asks its `work` ─→ response
 * There are three pools: one only reckons; one looks up what is kept, quickly; one goes through all of it or changes much of
 * it. The latter two have connections of their own, and who looks something up does not stand behind who goes through all. A
 * question ends when its client goes or when it has taken too long; the thread that did it is given up for a new one. Clients
 * take turns: whoever asks one thing does not stand behind all that another has asked.
 */
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { MOST_NOTEBOOK_BYTES } from '@nestling/formats/file'
import type { APIContext, APIRoute } from 'astro'
import { Piscina } from 'piscina'
import { type Fairly, fairly, TooMany } from '../../data/fairly.ts'
import { inTurn } from '../../data/turns.ts'
import { problem, readBytes } from './_respond.ts'

/** What an endpoint works out: of the request alone, or of what is kept (opened when `locals` is first asked for). */
export type Work = (asked: {
  readonly url: URL
  readonly request: Request
  readonly params: Readonly<Record<string, string | undefined>>
  readonly locals: App.Locals
}) => Response | Promise<Response>

/** The endpoints that only reckon, by their files. */
export type Reckoning =
  | 'arpeggio'
  | 'between'
  | 'check'
  | 'key'
  | 'key-of'
  | 'lane'
  | 'names'
  | 'neighbours'
  | 'numbers'
  | 'path'
  | 'run'
  | 'transpose'
  | 'voicings'
/** Those that pages ask for what they show. */
export type Looking = 'book' | 'log/summary' | 'shapes/index'
/** Those that go through all that is kept, and those that change much of it. */
export type Reading =
  | 'data/nestling.db'
  | 'log/index'
  | 'notebook/index'
  | 'notebook/preview'
  | 'shapes.csv'
  | 'tunes/[id].[format]'
export type Writing =
  | 'changes/[id]/undo'
  | 'copies/index'
  | 'copies/[id]/restore'
  | 'data/index'
  | 'notebook/apply'
  | 'shapes/many'
export type WorkName = Reckoning | Looking | Reading | Writing

export interface WorkAsked {
  readonly name: WorkName
  readonly url: string
  readonly method: string
  readonly params: Readonly<Record<string, string | undefined>>
  readonly body: Uint8Array | null
  /** Whether who asks reads answers in gzip. */
  readonly zipped: boolean
}
export interface WorkDone {
  readonly status: number
  readonly headers: Readonly<Record<string, string>>
  readonly body: Uint8Array | null
}

/** Longer than any question that is within the limits; who waits that long is better told. */
const MOST_MS = { reckoning: 8000, looking: 8000, keeping: 60_000 } as const
/** `NESTLING_PATIENCE_MS` lets slower machines take longer. */
const mostMs = (pool: PoolName): number => Number(process.env['NESTLING_PATIENCE_MS'] ?? MOST_MS[pool])
const NARROWER = {
  reckoning: 'fewer strings, frets or chords',
  looking: 'less at once',
  keeping: 'less at once',
} as const
/** More than these of one client wait for nobody. */
const MOST_WAITING = 64
/** One client takes all but one: with three, two questions of one go on beside another's. */
const [FEWEST_THREADS, MOST_THREADS] = [3, 4]
/** A page asks for two things at once; what is seldom asked begins when it is. */
const LEAST_THREADS = { reckoning: 1, looking: 2, keeping: 0 } as const

type PoolName = keyof typeof MOST_MS
const POOLS: readonly PoolName[] = ['reckoning', 'looking', 'keeping']
interface Pool {
  readonly threads: Piscina<WorkAsked, WorkDone>
  readonly clients: Fairly
}

/** Told by the server where it was built; from its sources while Nestling is worked on. */
const threadFile = (): string => process.env['NESTLING_WORK_THREAD'] ?? join(process.cwd(), 'server', 'work.mjs')

const pools = new Map<PoolName, Pool>()

function started(name: PoolName): Pool {
  const going = pools.get(name)
  if (going) return going
  const most = name !== 'reckoning' ? 2 : Math.min(MOST_THREADS, Math.max(FEWEST_THREADS, availableParallelism() - 1))
  const threads: Pool['threads'] = new Piscina({
    filename: threadFile(),
    minThreads: LEAST_THREADS[name],
    maxThreads: most,
    idleTimeout: 60_000,
    // The server's own loader of sources is not for threads that were built.
    execArgv: [],
  })
  // A thread that can't even begin would leave those who wait waiting: they are told, and the next question begins anew.
  threads.on('error', () => {
    if (pools.get(name) === begun) pools.delete(name)
    void threads.destroy()
  })
  // Long searches of one client leave a thread to the others; what is looked up quickly goes as a page asks for it.
  const eachAtOnce = name === 'reckoning' ? most - 1 : most
  const begun: Pool = { threads, clients: fairly({ atOnce: most, eachAtOnce, eachWaiting: MOST_WAITING }) }
  pools.set(name, begun)
  return begun
}

/** A thread takes a second to begin: the first page that is asked for lets one of each kind begin, soon after it. */
export function startThreadsSoon(): void {
  if (isBegun) return
  isBegun = true
  setTimeout(() => POOLS.forEach(started), AFTER_THE_FIRST_PAGE_MS).unref()
}
let isBegun = false
const AFTER_THE_FIRST_PAGE_MS = 1000

/** Ends all threads; the next question starts others. */
export async function endThreads(): Promise<void> {
  const ending = [...pools.values()]
  pools.clear()
  await Promise.all(ending.map(({ threads }) => threads.destroy()))
}

export const onThread = (name: Reckoning): APIRoute => routeTo('reckoning', name)
export const lookingOnThread = (name: Looking) => routeTo('looking', name)
export const readingOnThread = (name: Reading) => routeTo('keeping', name)
/** One writes at a time, to its end even when its client has gone: who goes did not say that nothing should be kept. */
export const writingOnThread = (name: Writing): APIRoute => routeTo('keeping', name, inTurn)

/** A page that asks for what it shows has no address. */
type Asked = Pick<APIContext, 'url' | 'request' | 'params'> & Partial<Pick<APIContext, 'clientAddress'>>

/** Who asks: an address, and of those at one address a browser or a script. */
const clientOf = (request: Request, address = ''): string =>
  [
    address,
    request.headers.get('cookie')?.match(/(?:^|; )nestling=([^;]+)/)?.[1],
    request.headers.get('user-agent'),
  ].join()

function routeTo(pool: PoolName, name: WorkName, turn?: typeof inTurn): (asked: Asked) => Promise<Response> {
  return async (context) => {
    const { url, request, params } = context
    const { method } = request
    const body = await readBytes(request, MOST_NOTEBOOK_BYTES)
    if (!body.ok) return body.response
    const sent = body.value.length === 0 ? null : body.value
    const zipped = /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '')
    const asked: WorkAsked = { name, url: url.href, method, params, body: sent, zipped }
    // What is large goes from thread to thread without being copied.
    const transferList = sent === null ? [] : [sent.buffer as ArrayBuffer]
    let tooLong: AbortSignal | undefined
    // Whoever waits for a turn is not told that the question is too long.
    const answered = () => {
      tooLong = AbortSignal.timeout(mostMs(pool))
      const signal = turn ? tooLong : AbortSignal.any([request.signal, tooLong])
      return started(pool).threads.run(asked, { signal, transferList })
    }
    const inItsTurn = () =>
      started(pool).clients.run(clientOf(request, context.clientAddress), answered, request.signal)
    try {
      const done = await (turn ? turn(answered) : inItsTurn())
      // The types of a body know no view that could be shared between threads; this one is not.
      const bytes = done.body as Uint8Array<ArrayBuffer> | null
      return new Response(bytes, { status: done.status, headers: done.headers })
    } catch (error) {
      return notDone(error, tooLong?.aborted ?? false, pool)
    }
  }
}

function notDone(error: unknown, tookTooLong: boolean, pool: PoolName): Response {
  const message = error instanceof Error ? error.message : String(error)
  if (tookTooLong)
    return problem(503, {
      error: `this takes longer than ${mostMs(pool) / 1000} seconds; expected ${NARROWER[pool]}`,
      field: 'question',
      expected: NARROWER[pool],
    })
  if (error instanceof TooMany)
    return problem(503, { error: 'the server is busy', field: 'question', expected: 'the same again in a moment' })
  // Nobody hears this when the client has gone.
  return problem(500, { error: `no answer: ${message}`, field: 'question', expected: 'the same again' })
}
