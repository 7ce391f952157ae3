/** Every worker of the page; each starts on first use. */
import type { KeyWorker } from './key.worker.ts'
import type { MapWorker } from './map.worker.ts'
import type { PathWorker } from './path.worker.ts'
import type { SearchWorker } from './search.worker.ts'
import { startOnce } from './startOnce.ts'

/** Answers the page. */
export const searchClient = startOnce<SearchWorker>(
  () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }),
  { newestOf: ['answerGivingWay'] },
)

/** Counts what choices would give, on a thread of its own, so that an answer never waits for a count. */
export const countingClient = startOnce<SearchWorker>(
  () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }),
)

/** Lays out maps. */
export const mapClient = startOnce<MapWorker>(
  () => new Worker(new URL('./map.worker.ts', import.meta.url), { type: 'module' }),
  { newestOf: ['mapOf'] },
)

/** Lays out lanes. */
export const keyClient = startOnce<KeyWorker>(
  () => new Worker(new URL('./key.worker.ts', import.meta.url), { type: 'module' }),
)

/** Finds paths. */
export const pathClient = startOnce<PathWorker>(
  () => new Worker(new URL('./path.worker.ts', import.meta.url), { type: 'module' }),
  { newestOf: ['find'] },
)
