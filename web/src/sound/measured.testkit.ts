/** What a rendered sound is like, measured by its own means: for tests and for the bench. */
import type { Timbre } from '@nestling/core/neck'
import { decibels } from './decibels.ts'
import { HEADROOM_DB } from './headroom.ts'
import { renderPluck } from './pluckedString.ts'

export const RATE = 44_100
export const hzOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12)
export const slice = (samples: Float32Array, fromS: number, seconds: number): Float32Array =>
  samples.subarray(Math.round(fromS * RATE), Math.round((fromS + seconds) * RATE))

/** Amplitude of one frequency, seen through a Hann window. */
export function amplitude(samples: Float32Array, hz: number): number {
  let [re, im] = [0, 0]
  for (let at = 0; at < samples.length; at++) {
    const seen = (samples[at] as number) * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / samples.length))
    re += seen * Math.cos((2 * Math.PI * hz * at) / RATE)
    im += seen * Math.sin((2 * Math.PI * hz * at) / RATE)
  }
  return (4 * Math.hypot(re, im)) / samples.length
}
/** How far the first partial lies from its pitch, in cents: by what its phase gains from one window to the next. */
export function centsOff(samples: Float32Array, hz: number): number {
  const [from, apart, seconds] = [0.05, 0.05, 0.25]
  const turn = phase(slice(samples, from + apart, seconds), hz) - phase(slice(samples, from, seconds), hz)
  const start = Math.round((from + apart) * RATE) - Math.round(from * RATE)
  const gained = turn - (2 * Math.PI * hz * start) / RATE
  const rest = gained - 2 * Math.PI * Math.round(gained / (2 * Math.PI))
  return 1200 * Math.log2(1 + (rest * RATE) / (2 * Math.PI * start * hz))
}
function phase(samples: Float32Array, hz: number): number {
  let [re, im] = [0, 0]
  for (let at = 0; at < samples.length; at++) {
    const seen = (samples[at] as number) * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / samples.length))
    re += seen * Math.cos((2 * Math.PI * hz * at) / RATE)
    im -= seen * Math.sin((2 * Math.PI * hz * at) / RATE)
  }
  return Math.atan2(im, re)
}

export const db = (ratio: number): number => 20 * Math.log10(ratio)

type Biquad = readonly [b0: number, b1: number, b2: number, a1: number, a2: number]
/** The two filters of a loudness meter at this rate, by the bilinear transform. */
function shelfFilter(): Biquad {
  const [w, a] = [(2 * Math.PI * 1681.97) / RATE, 10 ** (3.99984 / 40)]
  const [c, side] = [Math.cos(w), (2 * Math.sqrt(a) * Math.sin(w)) / (2 * 0.70718)]
  const a0 = a + 1 - (a - 1) * c + side
  return [
    (a * (a + 1 + (a - 1) * c + side)) / a0,
    (-2 * a * (a - 1 + (a + 1) * c)) / a0,
    (a * (a + 1 + (a - 1) * c - side)) / a0,
    (2 * (a - 1 - (a + 1) * c)) / a0,
    (a + 1 - (a - 1) * c - side) / a0,
  ]
}
function highPass(): Biquad {
  const w = (2 * Math.PI * 38.135) / RATE
  const [c, alpha] = [Math.cos(w), Math.sin(w) / (2 * 0.50033)]
  const a0 = 1 + alpha
  return [(1 + c) / 2 / a0, -(1 + c) / a0, (1 + c) / 2 / a0, (-2 * c) / a0, (1 - alpha) / a0]
}

/** Loudness by the filters of a loudness meter, run over the samples: not by the way in which the string levels itself. */
export function loudnessDb(samples: Float32Array): number {
  const filters = [shelfFilter(), highPass()]
  let through: Float32Array = samples
  for (const [b0, b1, b2, a1, a2] of filters) {
    const out = new Float32Array(through.length)
    let [x1, x2, y1, y2] = [0, 0, 0, 0]
    for (let at = 0; at < through.length; at++) {
      const x = through[at] as number
      const y = b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2
      out[at] = y
      ;[x2, x1, y2, y1] = [x1, x, y1, y]
    }
    through = out
  }
  return 10 * Math.log10(through.reduce((sum, value) => sum + value * value, 0) / through.length)
}

export const centroid = (samples: Float32Array, f0: number): number => {
  let [sum, weight] = [0, 0]
  for (let n = 1; n * f0 < 8000; n++) {
    const power = amplitude(samples, n * f0) ** 2
    sum += power * n * f0
    weight += power
  }
  return sum / weight
}

export const peakOf = (samples: Float32Array): number =>
  samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)

/** The gain of the whole chain with every slider at 100: the room that is kept, and twice what 100 is above 70. */
const AT_FULL = 10 ** ((HEADROOM_DB + 2 * decibels(100)) / 20)

/** The highest sample before the last curve when these strings are plucked at the same moment, every slider at 100. */
export function peakTogether(midis: readonly number[], timbre: Timbre): number {
  const strings = midis.map((midi) => renderPluck(midi, RATE, timbre))
  const length = Math.min(...strings.map((one) => one.length))
  const together = Float32Array.from({ length }, (_, at) =>
    strings.reduce((sum, one, string) => sum + (string % 2 === 1 ? -1 : 1) * (one[at] as number), 0),
  )
  return AT_FULL * peakOf(together)
}
