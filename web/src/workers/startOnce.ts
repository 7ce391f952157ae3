/**
 * The one way to start a worker: at the first call, and never twice at a time. One that fails or hangs is ended and begun once
 * more for the same question; what fails again is told to who asked, and the next question begins another.
 */
import { type Remote, wrap } from 'comlink'

/** Longer than any question on a slow machine: who has not answered by then hangs. */
const MOST_MS = 20_000

/** The worker is at fault, not the question: it can be asked of another one. */
class Stopped extends Error {}
/** A newer question of the same kind has come: nobody waits for this one any more. */
class Overtaken extends Error {}

/** A worker that is at an older question for longer than this is ended for a newer one; to begin another takes half as long. */
const BUSY_MS = 300

export interface StartOptions {
  readonly mostMs?: number
  /** Of these calls only the newest is wanted. */
  readonly newestOf?: readonly string[]
  readonly busyMs?: number
}

interface Running {
  readonly worker: Worker
  readonly client: Remote<Record<string, (...args: readonly unknown[]) => unknown>>
  /** Never but with a failure of the worker itself. */
  readonly failed: Promise<never>
  /** All who wait for it hear of it. */
  readonly fail: (error: Stopped | Overtaken) => void
  /** The calls that wait for it, the oldest first. */
  readonly calls: Set<{ readonly name: string; readonly since: number }>
}

function begun(start: () => Worker): Running {
  const worker = start()
  let fail: Running['fail'] = () => undefined
  const failed = new Promise<never>((_, reject) => {
    fail = reject
    worker.addEventListener('error', ({ message }) => reject(new Stopped(message || 'it could not be loaded')))
    worker.addEventListener('messageerror', () => reject(new Stopped('its answer could not be read')))
  })
  // Those who ask hear of it; nobody asking is no error.
  failed.catch(() => undefined)
  return { worker, client: wrap(worker), failed, fail, calls: new Set() }
}

/**
 * @param start `() => new Worker(new URL('./x.worker.ts', import.meta.url), { type: 'module' })`, spelled out where it
 *              stands: the bundler looks for these very words.
 */
export function startOnce<Api>(
  start: () => Worker,
  { mostMs = MOST_MS, newestOf = [], busyMs = BUSY_MS }: StartOptions = {},
): () => Remote<Api> {
  let running: Running | undefined
  const end = (one: Running, error: Stopped | Overtaken) => {
    one.worker.terminate()
    one.fail(error)
    if (running === one) running = undefined
  }
  const ask = async (name: string, args: readonly unknown[], isSecond = false): Promise<unknown> => {
    const older = newestOf.includes(name) && running && [...running.calls].find((one) => one.name === name)
    if (running && older && performance.now() - older.since > busyMs)
      end(running, new Overtaken('a newer question has come'))
    running ??= begun(start)
    const own = running
    const mine = { name, since: performance.now() }
    own.calls.add(mine)
    let timer: ReturnType<typeof setTimeout> | undefined
    const hangs = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Stopped('it does not answer')), mostMs)
    })
    try {
      const answer = own.client[name] as (...args: readonly unknown[]) => Promise<unknown>
      return await Promise.race([answer(...args), own.failed, hangs])
    } catch (error) {
      if (!(error instanceof Stopped)) throw error
      end(own, error)
      if (isSecond) throw error
      return await ask(name, args, true)
    } finally {
      clearTimeout(timer)
      own.calls.delete(mine)
    }
  }
  const client = new Proxy(
    {},
    {
      // Awaited, it is no promise.
      get: (_, name) =>
        typeof name === 'string' && name !== 'then' ? (...args: readonly unknown[]) => ask(name, args) : undefined,
    },
  ) as Remote<Api>
  return () => client
}
