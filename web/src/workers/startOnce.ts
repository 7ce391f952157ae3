/** The one way to start a worker: at the first call, and never twice. */
import { type Remote, wrap } from 'comlink'

/**
 * @param start `() => new Worker(new URL('./x.worker.ts', import.meta.url), { type: 'module' })`, spelled out where it
 *              stands: the bundler looks for these very words.
 */
export function startOnce<Api>(start: () => Worker): () => Remote<Api> {
  let client: Remote<Api> | undefined
  return () => {
    client ??= wrap<Api>(start())
    return client
  }
}
