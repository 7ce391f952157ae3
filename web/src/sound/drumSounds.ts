/** A plain kit and two clicks, made from sine sweeps and noise. Mono samples within ±0.9. */

import type { Drum } from '@nestling/core/time'
import { noise } from './noise.ts'

type Sample = (seconds: number) => number

const SEED = 0x9e3779b9

function render(seconds: number, sampleRate: number, sample: Sample): Float32Array<ArrayBuffer> {
  const samples = Float32Array.from({ length: Math.floor(seconds * sampleRate) }, (_, index) =>
    sample(index / sampleRate),
  )
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
  const fade = Math.floor(0.01 * sampleRate)
  return samples.map((value, index) => ((value * 0.9) / (peak || 1)) * Math.min(1, (samples.length - index) / fade))
}

export function renderDrum(drum: Drum, sampleRate: number): Float32Array<ArrayBuffer> {
  const hiss = noise(SEED)
  switch (drum) {
    case 'kick':
      // A pitch that falls from 140 to 50 Hz; its phase is the integral of that fall.
      return render(
        0.32,
        sampleRate,
        (t) => Math.exp(-t * 14) * Math.sin(2 * Math.PI * (50 * t + (90 / 30) * (1 - Math.exp(-30 * t)))),
      )
    case 'snare':
      return render(
        0.2,
        sampleRate,
        (t) => Math.exp(-t * 26) * hiss() + 0.5 * Math.exp(-t * 30) * Math.sin(2 * Math.PI * 185 * t),
      )
    case 'hat': {
      let before = 0
      return render(0.06, sampleRate, (t) => {
        const now = hiss()
        const bright = now - before
        before = now
        return Math.exp(-t * 80) * bright
      })
    }
  }
}

/** A short wooden tick; the accent a fourth higher. It is loudest at its first samples, so that it is exact. */
export const renderClick = (accent: boolean, sampleRate: number): Float32Array<ArrayBuffer> =>
  render(0.05, sampleRate, (t) => Math.exp(-t * 110) * Math.cos(2 * Math.PI * (accent ? 2000 : 1500) * t))
