/** Chords as the simulated player's strings sound them, mixed in the same way, with the faults of a hand. */
import type { ExpectedString } from '@nestling/core/ear'
import { chanceOf } from '@nestling/core/practice'
import { renderPluck } from '../sound/pluckedString.ts'

export interface RenderedFault {
  readonly index: number
  readonly kind: 'missing' | 'rings' | -1 | 1
}

export interface Rendering {
  readonly sampleRate: number
  readonly seconds: number
  /** Signal over noise, in dB. */
  readonly noiseDb: number
  readonly seed: number
  readonly fault?: RenderedFault | undefined
  /** Seconds from string to string. */
  readonly strumS?: number
}

/** @returns Samples, and when the last string was struck. */
export function renderedChord(expected: readonly ExpectedString[], options: Rendering) {
  const { sampleRate, seconds, noiseDb, seed, fault } = options
  const random = chanceOf(seed)
  const samples = new Float32Array(Math.ceil(seconds * sampleRate))
  const strum = options.strumS ?? 0.012 + 0.024 * random()
  let lastS = 0
  let place = 0
  for (const [index, { midi, openMidi }] of expected.entries()) {
    const loud = 10 ** ((random() * 8 - 4) / 20)
    const cents = random() * 16 - 8
    const mine = fault?.index === index ? fault.kind : undefined
    const sounds = mine === 'missing' ? null : mine === 'rings' ? openMidi : midi === null ? null : midi + (mine ?? 0)
    if (sounds === null) continue
    lastS = 0.02 + strum * place++
    const start = Math.round(lastS * sampleRate)
    const sound = renderPluck(sounds + cents / 100, sampleRate)
    for (let at = 0; at < sound.length && start + at < samples.length; at++)
      samples[start + at] = (samples[start + at] as number) + loud * (sound[at] as number)
  }
  addPink(samples, noiseDb, random)
  return { samples, lastS }
}

/** Pink noise by the Voss method, so many dB below the sound. */
function addPink(samples: Float32Array, db: number, random: () => number): void {
  const rows = Array.from({ length: 12 }, () => random() - 0.5)
  const noise = new Float32Array(samples.length)
  let noisePower = 0
  let power = 0
  for (let at = 0; at < samples.length; at++) {
    const row = Math.min(11, 31 - Math.clz32((at + 1) & -(at + 1)))
    rows[row] = random() - 0.5
    const value = rows.reduce((sum, one) => sum + one, 0) + random() - 0.5
    noise[at] = value
    noisePower += value * value
    power += (samples[at] as number) ** 2
  }
  const factor = Math.sqrt(power / noisePower) * 10 ** (-db / 20)
  for (let at = 0; at < samples.length; at++) samples[at] = (samples[at] as number) + factor * (noise[at] as number)
}
