/** Sounds of the band, rendered off the main thread. */
import { expose, transfer } from 'comlink'
import { renderSound } from './renderSound.ts'

const api = {
  render(sound: string, sampleRate: number): Float32Array {
    const samples = renderSound(sound, sampleRate)
    return transfer(samples, [samples.buffer])
  },
}

export type SoundsWorker = typeof api
expose(api)
