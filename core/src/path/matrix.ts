/**
 * What every step from one chord's candidates to the next one's costs, in one go.
 *   PathShape[] ─compile→ columns ─stepCosts(a, b)→ a row for each shape of a, a column for each of b
 * Read `stepBetween` first; every number here must equal its cost.
 */
import type { PathShape, PathWeights, PathWishes } from './types.ts'
import { BASS_LINE_BROKEN, BROKEN_WISH, TOP_STEP, UNPAIRED } from './weights.ts'

/** Candidates in columns. A layer without shapes is empty: it costs nothing and joins nothing. */
export interface Layer {
  readonly shapes: readonly PathShape[]
  readonly count: number
  readonly own: Float64Array
  readonly strings: number
  /** By shape and string, −1 silent. */
  readonly frets: Int8Array
  /** By shape and string, 0 none, 5 the thumb. */
  readonly fingers: Int8Array
  /** By shape, rising; as many as `voices` says. */
  readonly midis: Int16Array
  readonly voices: Uint8Array
  /** NaN where only open strings sound. */
  readonly index: Float64Array
  readonly sounding: Uint16Array
}

export function compile(shapes: readonly PathShape[], strings: number): Layer {
  const count = shapes.length
  const layer: Layer = {
    shapes, count, strings,
    own: Float64Array.from(shapes, ({ cost }) => cost),
    frets: new Int8Array(count * strings),
    fingers: new Int8Array(count * strings),
    midis: new Int16Array(count * strings),
    voices: new Uint8Array(count),
    index: Float64Array.from(shapes, ({ indexMm }) => indexMm ?? Number.NaN),
    sounding: new Uint16Array(count),
  } // biome-ignore format: a list
  for (const [row, { frets, fingering, midis }] of shapes.entries()) {
    const rising = midis.flatMap((midi) => (midi === null ? [] : [midi])).sort((a, b) => a - b)
    layer.midis.set(rising, row * strings)
    layer.voices[row] = rising.length
    for (let string = 0; string < strings; string++) {
      const finger = fingering.fingers[string] ?? null
      layer.frets[row * strings + string] = frets[string] ?? -1
      layer.fingers[row * strings + string] = finger === null ? 0 : finger === 'T' ? 5 : finger
      if (frets[string] !== null) layer.sounding[row] = (layer.sounding[row] as number) | (1 << string)
    }
  }
  return layer
}

const BITS = Uint8Array.from({ length: 64 }, (_, mask) => mask.toString(2).replaceAll('0', '').length)

export function stepCosts(a: Layer, b: Layer, weights: PathWeights, wishes: PathWishes): Float64Array {
  const costs = new Float64Array(a.count * b.count)
  const { strings } = a
  const { stream, topStepwise, bassLine } = wishes
  const { voices, hand, stays, top, slides } = weights
  const hasWish = stream || topStepwise || bassLine !== undefined
  // In names of their own: the inner loop reads them some hundred thousand times.
  const { midis: midisA, frets: fretsA, fingers: fingersA, voices: countsA, index: placesA } = a
  const { midis: midisB, frets: fretsB, fingers: fingersB, voices: countsB, index: placesB } = b
  const bits = BITS
  const step = TOP_STEP
  const countB = b.count
  let cell = 0
  for (let i = 0; i < a.count; i++) {
    const rowA = i * strings
    const voicesA = countsA[i] as number
    const indexA = placesA[i] as number
    const topA = midisA[rowA + voicesA - 1] as number
    for (let j = 0; j < countB; j++) {
      const rowB = j * strings
      const voicesB = countsB[j] as number
      let sum = 0
      if (voicesA === voicesB)
        for (let voice = 0; voice < voicesA; voice++) {
          const by = (midisA[rowA + voice] as number) - (midisB[rowB + voice] as number)
          sum += by < 0 ? -by : by
        }
      else
        sum =
          voicesA < voicesB
            ? leastPairing(midisA, rowA, voicesA, midisB, rowB, voicesB)
            : leastPairing(midisB, rowB, voicesB, midisA, rowA, voicesA)
      const indexB = placesB[j] as number
      const mm = indexB < indexA ? indexA - indexB : indexB - indexA
      let staying = 0
      let sliding = 0
      for (let string = 0; string < strings; string++) {
        const fret = fretsB[rowB + string] as number
        if (fret >= 0 && fret === fretsA[rowA + string]) staying++
        const finger = fingersB[rowB + string] as number
        if (finger > 0 && finger === fingersA[rowA + string]) sliding |= 1 << finger
      }
      const rise = (midisB[rowB + voicesB - 1] as number) - topA
      const leap = (rise < 0 ? -rise : rise) - step
      let cost = voices * sum + stays * staying + slides * (bits[sliding] as number)
      // NaN is no number of mm: open strings leave the hand where it was.
      if (mm > 0) cost += hand * mm
      if (leap > 0) cost += top * leap
      if (hasWish) {
        if (stream && a.sounding[i] !== b.sounding[j]) cost += BROKEN_WISH
        if (topStepwise && leap > 0) cost += BROKEN_WISH
        if (bassLine !== undefined) {
          const bass = (midisB[rowB] as number) - (midisA[rowA] as number)
          const way = bassLine === 'falling' ? -bass : bass
          if (way < 1 || way > 2) cost += BASS_LINE_BROKEN
        }
      }
      costs[cell++] = cost
    }
  }
  return costs
}

const MOST_VOICES = 17
const least = new Int32Array(MOST_VOICES)

/** As in `pairVoices`, one row at a time. */
function leastPairing(
  few: Int16Array,
  fewAt: number,
  fewCount: number,
  many: Int16Array,
  manyAt: number,
  manyCount: number,
): number {
  const spare = manyCount - fewCount
  for (let s = 0; s <= spare; s++) least[s] = 0
  for (let i = 0; i < fewCount; i++) {
    const midi = few[fewAt + i] as number
    for (let s = 0; s <= spare; s++) {
      const by = midi - (many[manyAt + i + s] as number)
      const paired = (least[s] as number) + (by < 0 ? -by : by)
      least[s] = s > 0 && (least[s - 1] as number) < paired ? (least[s - 1] as number) : paired
    }
  }
  return (least[spare] as number) + UNPAIRED * spare
}
