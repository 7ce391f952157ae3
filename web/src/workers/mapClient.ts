import { type Remote, wrap } from 'comlink'
import type { MapWorker } from './map.worker.ts'

let client: Remote<MapWorker> | undefined

/** Lays out maps; started on first use. */
export function mapClient(): Remote<MapWorker> {
  client ??= wrap<MapWorker>(new Worker(new URL('./map.worker.ts', import.meta.url), { type: 'module' }))
  return client
}
