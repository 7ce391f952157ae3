/**
 * Work that may take long is done on threads of a pool, so that it holds up nobody:
 *   request ─onThread→ a thread imports the same endpoint and asks its `work` ─→ response
 * It ends when the client goes or when it has taken too long; the thread that did it is given up for a new one.
 */
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import type { APIRoute } from 'astro'
import { Piscina } from 'piscina'
import { problem } from './_respond.ts'

/** What an endpoint works out from the request alone. */
export type Work = (asked: { readonly url: URL; readonly request: Request }) => Response | Promise<Response>

/** The endpoints whose work is done on threads, by their files. */
export type WorkName =
  | 'arpeggio'
  | 'between'
  | 'check'
  | 'key'
  | 'lane'
  | 'names'
  | 'neighbours'
  | 'path'
  | 'run'
  | 'voicings'

export interface WorkAsked {
  readonly name: WorkName
  readonly url: string
  readonly method: 'GET' | 'POST'
  readonly body: string
}
export interface WorkDone {
  readonly status: number
  readonly body: string
}

/** Longer than any question that is within the limits; who waits that long is better told. */
const MOST_MS = 8000
/** More than these wait for nobody. */
const MOST_WAITING = 64
const MOST_THREADS = 4
/** Bodies of more are refused by the endpoint itself. */
const MOST_BODY = 1_000_000

/** Where the server's own files lie; told by the server, beside which the built pages can't find it themselves. */
const threadFile = (): string => process.env['NESTLING_WORK_THREAD'] ?? join(process.cwd(), 'server', 'work.mjs')

let pool: Piscina<WorkAsked, WorkDone> | undefined

function started(): Piscina<WorkAsked, WorkDone> {
  if (pool) return pool
  const begun = new Piscina<WorkAsked, WorkDone>({
    filename: threadFile(),
    minThreads: 1,
    maxThreads: Math.min(MOST_THREADS, Math.max(2, availableParallelism() - 1)),
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
  })
  // A thread that can't even begin would leave those who wait waiting: they are told, and the next question begins anew.
  begun.on('error', () => {
    if (pool === begun) pool = undefined
    void begun.destroy()
  })
  pool = begun
  return begun
}

/** Ends all threads; the next question starts others. */
export async function endThreads(): Promise<void> {
  const ending = pool
  pool = undefined
  await ending?.destroy()
}

export function onThread(name: WorkName): APIRoute {
  return async ({ url, request }) => {
    const method = request.method === 'POST' ? 'POST' : 'GET'
    const body = method === 'GET' ? '' : (await request.text()).slice(0, MOST_BODY)
    const tooLong = AbortSignal.timeout(MOST_MS)
    try {
      const asked = { name, url: url.href, method, body } as const
      const done = await started().run(asked, { signal: AbortSignal.any([request.signal, tooLong]) })
      return new Response(done.body, { status: done.status, headers: { 'content-type': 'application/json' } })
    } catch (error) {
      return notDone(error, tooLong.aborted)
    }
  }
}

function notDone(error: unknown, tookTooLong: boolean): Response {
  const message = error instanceof Error ? error.message : String(error)
  if (tookTooLong)
    return problem(503, {
      error: `this takes longer than ${MOST_MS / 1000} seconds; expected a narrower question`,
      field: 'question',
      expected: 'fewer strings, frets or chords',
    })
  if (/queue/i.test(message))
    return problem(503, { error: 'the server is busy', field: 'question', expected: 'the same again in a moment' })
  // Nobody hears this when the client has gone.
  return problem(500, { error: `no answer: ${message}`, field: 'question', expected: 'the same again' })
}
