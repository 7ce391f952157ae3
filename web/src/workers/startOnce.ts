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

/** One that waits for its answer. Each is told by itself: a promise that all of them raced would keep every answer. */
interface Call {
  readonly name: string
  readonly since: number
  readonly failed: Promise<never>
  readonly fail: (error: Stopped | Overtaken) => void
}

interface Running {
  readonly worker: Worker
  readonly client: Remote<Record<string, Answering>>
  /** What it can be asked, once it has been. */
  readonly asked: Record<string, Answering>
  /** The oldest first. */
  readonly calls: Set<Call>
}
type Answering = (...args: readonly unknown[]) => Promise<unknown>

function callOf(name: string): Call {
  let fail: Call['fail'] = () => undefined
  const failed = new Promise<never>((_, reject) => {
    fail = reject
  })
  return { name, since: performance.now(), failed, fail }
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
  const begun = (): Running => {
    const worker = start()
    const one: Running = { worker, client: wrap(worker), asked: {}, calls: new Set() }
    worker.addEventListener('error', ({ message }) => end(one, new Stopped(message || 'it could not be loaded')))
    worker.addEventListener('messageerror', () => end(one, new Stopped('its answer could not be read')))
    return one
  }
  const end = (one: Running, error: Stopped | Overtaken) => {
    one.worker.terminate()
    if (running === one) running = undefined
    for (const { fail } of one.calls) fail(error)
  }
  const ask = async (name: string, args: readonly unknown[], isSecond = false): Promise<unknown> => {
    const older = newestOf.includes(name) && running && [...running.calls].find((one) => one.name === name)
    if (running && older && performance.now() - older.since > busyMs)
      end(running, new Overtaken('a newer question has come'))
    running ??= begun()
    const own = running
    const mine = callOf(name)
    own.calls.add(mine)
    const timer = setTimeout(() => mine.fail(new Stopped('it does not answer')), mostMs)
    try {
      own.asked[name] ??= own.client[name] as Answering
      return await Promise.race([own.asked[name](...args), mine.failed])
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
