import { type Remote, wrap } from 'comlink'
import type { SearchWorker } from './search.worker.ts'

const start = (): Remote<SearchWorker> =>
  wrap<SearchWorker>(new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }))

let search: Remote<SearchWorker> | undefined
let counting: Remote<SearchWorker> | undefined

/** Answers the page; started on first use. */
export function searchClient(): Remote<SearchWorker> {
  search ??= start()
  return search
}

/** Counts what choices would give, on a thread of its own, so that an answer never waits for a count. */
export function countingClient(): Remote<SearchWorker> {
  counting ??= start()
  return counting
}
