/** Renders the sounds of the band; starts on first use. */
import { startOnce } from '../workers/startOnce.ts'
import type { SoundsWorker } from './sounds.worker.ts'

export const soundsClient = startOnce<SoundsWorker>(
  () => new Worker(new URL('./sounds.worker.ts', import.meta.url), { type: 'module' }),
)
