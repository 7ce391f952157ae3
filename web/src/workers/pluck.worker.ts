/** Plucked strings, rendered off the main thread. */
import { expose, transfer } from 'comlink'
import { renderPluck } from '../sound/pluckedString.ts'

const api = {
  render(midi: number, sampleRate: number): Float32Array {
    const samples = renderPluck(midi, sampleRate)
    return transfer(samples, [samples.buffer])
  },
}

export type PluckWorker = typeof api
expose(api)
