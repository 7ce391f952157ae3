/**
 * Views are drawn on a thread, so that their drawing holds up nobody:
 *   GET /map ─viewsBy→ a thread asks the built application as the request would ─→ response
 */
import type { RequestHandler } from 'express'
import { Piscina } from 'piscina'
import type { ViewAsked, ViewDrawn } from './drawn.ts'
import { busyPage } from './plainPage.ts'

/** What the thread is told as it begins. */
export interface Drawing {
  /** Address of the built application's file. */
  readonly entry: string
  /** Paths of the views. */
  readonly views: readonly string[]
}
export type Draw = (asked: ViewAsked, signal: AbortSignal) => Promise<ViewDrawn>

/** Who waits longer is better told. */
const MOST_MS = 8000

/** @returns What draws, once its thread is ready. @throws What kept that from beginning. */
export async function drawer(threadFile: string, drawing: Drawing): Promise<Draw> {
  let pool: Piscina<ViewAsked, ViewDrawn> | undefined
  const started = () => {
    if (pool) return pool
    const begun = new Piscina<ViewAsked, ViewDrawn>({
      filename: threadFile,
      workerData: drawing,
      // A second one has what is kept to read once more after every change: with two, pages came later on two cores.
      minThreads: 1,
      maxThreads: 1,
      // Else an idle thread stands still, and what it would draw meanwhile with it.
      atomics: 'disabled',
      // The server's own loader of sources is not for threads that were built.
      execArgv: [],
    })
    // A thread that can't even begin would leave those who wait waiting: they are told, and the next view begins anew.
    begun.on('error', () => {
      if (pool === begun) pool = undefined
      void begun.destroy()
    })
    pool = begun
    return begun
  }
  const draw: Draw = (asked, signal) => started().run(asked, { signal })
  const first: ViewAsked = { method: 'HEAD', url: drawing.views[0] ?? '/', headers: {} }
  await draw(first, AbortSignal.timeout(MOST_START_MS))
  return draw
}
const MOST_START_MS = 60_000

/** Answers the views; whatever else is asked, and what the thread failed at, is left to those behind it. */
export function viewsBy(views: readonly string[], draw: Draw, mostMs = MOST_MS): RequestHandler {
  return async ({ method, path, originalUrl, headers }, response, next) => {
    const view = path.replace(/(?<=.)\/+$/, '')
    if ((method !== 'GET' && method !== 'HEAD') || !views.includes(view)) return next()
    const tooLong = AbortSignal.timeout(mostMs)
    try {
      const { status, headers: told, body } = await draw({ method, url: originalUrl, headers }, tooLong)
      response.writeHead(status, told)
      response.end(body)
    } catch {
      if (!tooLong.aborted) return next()
      response.status(503).set('retry-after', '5').type('html').send(busyPage(originalUrl))
    }
  }
}
