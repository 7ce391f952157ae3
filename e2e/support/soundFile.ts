/** Reads what the application rendered: a WAV of 16-bit samples, and when sounds begin in it. */
import { readFileSync } from 'node:fs'

export interface Sound {
  readonly samples: Float32Array
  readonly sampleRate: number
}

/** @throws Error when the file is no mono WAV of 16-bit whole or 32-bit floating samples. */
export function readWav(path: string): Sound {
  const bytes = readFileSync(path)
  const text = (at: number) => bytes.toString('latin1', at, at + 4)
  if (text(0) !== 'RIFF' || text(8) !== 'WAVE' || text(12) !== 'fmt ') throw new Error('no WAV file')
  const [format, channels, sampleRate, bits] = [
    bytes.readUInt16LE(20),
    bytes.readUInt16LE(22),
    bytes.readUInt32LE(24),
    bytes.readUInt16LE(34),
  ]
  if (channels !== 1) throw new Error(`${channels} channels`)
  const start = 28 + bytes.readUInt32LE(16)
  const count = Math.floor(bytes.readUInt32LE(start - 4) / (bits / 8))
  const samples = Float32Array.from({ length: count }, (_, index) =>
    format === 3 ? bytes.readFloatLE(start + 4 * index) : bytes.readInt16LE(start + 2 * index) / 32_768,
  )
  return { samples, sampleRate }
}

/** Seconds at which short sounds begin: the first sample above a tenth of the loudest, after silence. */
export function onsetsIn({ samples, sampleRate }: Sound, silenceS = 0.04): readonly number[] {
  const loudest = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
  const onsets: number[] = []
  let quietSince = Number.NEGATIVE_INFINITY
  for (const [index, sample] of samples.entries()) {
    if (Math.abs(sample) < 0.1 * loudest) continue
    if (index - quietSince > silenceS * sampleRate) onsets.push(index / sampleRate)
    quietSince = index
  }
  return onsets
}

/** How far each onset lies from an even beat through all of them, in ms: the mean offset is the delay of the whole chain. */
export function unevennessMs(onsets: readonly number[], beatS: number): readonly number[] {
  const off = onsets.map((at, index) => at - index * beatS)
  const mean = off.reduce((sum, one) => sum + one, 0) / off.length
  return off.map((one) => (one - mean) * 1000)
}
