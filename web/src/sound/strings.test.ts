/** The string measured: what a player hears from fret to fret and from string to string. */
import { TIMBRES } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { clean } from './headroom.ts'
import { renderPluck, type StringKind } from './pluckedString.ts'

const RATE = 44_100
const hzOf = (midi: number) => 440 * 2 ** ((midi - 69) / 12)
const slice = (samples: Float32Array, fromS: number, seconds: number) =>
  samples.subarray(Math.round(fromS * RATE), Math.round((fromS + seconds) * RATE))

/** Amplitude of one frequency, seen through a Hann window. */
function amplitude(samples: Float32Array, hz: number): number {
  let [re, im] = [0, 0]
  for (let at = 0; at < samples.length; at++) {
    const seen = (samples[at] as number) * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / samples.length))
    re += seen * Math.cos((2 * Math.PI * hz * at) / RATE)
    im += seen * Math.sin((2 * Math.PI * hz * at) / RATE)
  }
  return (4 * Math.hypot(re, im)) / samples.length
}
const db = (ratio: number) => 20 * Math.log10(ratio)

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
function loudnessDb(samples: Float32Array): number {
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

const centroid = (samples: Float32Array, f0: number): number => {
  let [sum, weight] = [0, 0]
  for (let n = 1; n * f0 < 8000; n++) {
    const power = amplitude(samples, n * f0) ** 2
    sum += power * n * f0
    weight += power
  }
  return sum / weight
}

/** Every pitch from the lowest string of a baritone to the last fret. */
const PITCHES = Array.from({ length: 88 - 33 + 1 }, (_, index) => 33 + index)

describe.each(TIMBRES)('%s', (timbre: StringKind) => {
  const rendered = new Map(PITCHES.map((midi) => [midi, renderPluck(midi, RATE, timbre)]))
  const of = (midi: number) => rendered.get(midi) as Float32Array

  test('neighbouring frets differ by less than 1.5 dB in their first partial', () => {
    const firsts = PITCHES.map((midi) => db(amplitude(slice(of(midi), 0.02, 0.35), hzOf(midi))))
    for (const [index, first] of firsts.slice(1).entries())
      expect(Math.abs(first - (firsts[index] as number))).toBeLessThan(1.5)
  })
  test('every fret of every string is as loud as every other, within half a decibel', () => {
    const loud = PITCHES.map((midi) => loudnessDb(slice(of(midi), 0, 0.5)))
    expect(Math.max(...loud) - Math.min(...loud)).toBeLessThan(0.5)
  })
  test('it begins from nothing, without a click, and never passes 0.9', () => {
    for (const midi of PITCHES) {
      const samples = of(midi)
      expect(Math.abs(samples[0] as number)).toBeLessThan(0.02)
      expect(samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)).toBeLessThanOrEqual(0.9)
      // A click would be a step: none is larger than what its own highest partials make.
      const steps = (part: Float32Array) =>
        part.reduce((most, value, at) => (at === 0 ? 0 : Math.max(most, Math.abs(value - (part[at - 1] as number)))), 0)
      expect(steps(slice(samples, 0, 0.002))).toBeLessThanOrEqual(1.2 * steps(slice(samples, 0.002, 0.03)))
    }
  })
  test('high partials die before low ones', () => {
    const f0 = hzOf(45)
    const falls = (n: number) =>
      db(amplitude(slice(of(45), 0.05, 0.2), n * f0) / amplitude(slice(of(45), 1.05, 0.2), n * f0))
    expect(falls(8)).toBeGreaterThan(falls(1) + 4)
  })
})

test('the sixth string of an archtop falls by 60 dB in about six seconds, the first in half that', () => {
  const seconds = (midi: number) => {
    const samples = renderPluck(midi, RATE)
    const [early, late] = [0.2, 1.7].map((from) => amplitude(slice(samples, from, 0.3), hzOf(midi))) as [number, number]
    return (60 * 1.5) / db(early / late)
  }
  expect(seconds(40)).toBeGreaterThan(5.5)
  expect(seconds(40)).toBeLessThan(6.5)
  expect(seconds(64)).toBeGreaterThan(2.5)
  expect(seconds(64)).toBeLessThan(3.8)
})

test('nylon is the darkest, steel the brightest', () => {
  const bright = (timbre: StringKind) => centroid(slice(renderPluck(52, RATE, timbre), 0.02, 0.2), hzOf(52))
  expect(bright('nylon')).toBeLessThan(bright('archtop'))
  expect(bright('archtop')).toBeLessThan(bright('steel'))
})

test.each([28, 31, 35, 40, 45, 50, 55])('bass %d is round: its middle lies below 700 Hz after 0.3 s', (midi) =>
  expect(centroid(slice(renderPluck(midi, RATE, 'bass'), 0.3, 0.3), hzOf(midi))).toBeLessThan(700),
)

test('what is soft enough leaves as it came, and nothing leaves at full scale', () => {
  for (const sample of [0, 0.1, -0.5, 0.7, -0.7]) expect(clean(sample)).toBe(sample)
  for (const sample of [0.8, 1, 3, 8, -8]) {
    expect(Math.abs(clean(sample))).toBeLessThanOrEqual(0.98)
    expect(Math.sign(clean(sample))).toBe(Math.sign(sample))
  }
  // The knee is soft: its slope begins at one.
  expect((clean(0.701) - clean(0.7)) / 0.001).toBeCloseTo(1, 1)
})
