import { type Remote, wrap } from 'comlink'
import type { SearchWorker } from './search.worker.ts'

let client: Remote<SearchWorker> | undefined

/** The one search worker of the page, started on first use. */
export function searchClient(): Remote<SearchWorker> {
  client ??= wrap<SearchWorker>(new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }))
  return client
}
