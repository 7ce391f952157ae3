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
  /** By string and shape, `SILENT` where it does not sound. */
  readonly frets: Uint8Array
  /** By string and shape, 0 none, 5 the thumb. */
  readonly fingers: Int8Array
  /** By voice, the lowest first, and shape; each has as many as `voices` says. */
  readonly midis: Int16Array
  readonly voices: Uint8Array
  /** NaN where only open strings sound. */
  readonly index: Float64Array
  readonly sounding: Uint16Array
}

const SILENT = 255

export function compile(shapes: readonly PathShape[], strings: number): Layer {
  const count = shapes.length
  const own = new Float64Array(count)
  const frets = new Uint8Array(count * strings).fill(SILENT)
  const fingers = new Int8Array(count * strings)
  const midis = new Int16Array(count * strings)
  const voices = new Uint8Array(count)
  const index = new Float64Array(count)
  const sounding = new Uint16Array(count)
  for (let row = 0; row < count; row++) {
    const shape = shapes[row] as PathShape
    own[row] = shape.cost
    index[row] = shape.indexMm ?? Number.NaN
    for (let string = 0; string < strings; string++) {
      const fret = shape.frets[string] ?? null
      if (fret === null) continue
      frets[string * count + row] = fret
      sounding[row] = (sounding[row] as number) | (1 << string)
      const finger = shape.fingering.fingers[string] ?? null
      fingers[string * count + row] = finger === null ? 0 : finger === 'T' ? 5 : finger
      const midi = shape.midis[string] as number
      let voice = voices[row] as number
      for (; voice > 0 && (midis[(voice - 1) * count + row] as number) > midi; voice--)
        midis[voice * count + row] = midis[(voice - 1) * count + row] as number
      midis[voice * count + row] = midi
      voices[row] = (voices[row] as number) + 1
    }
  }
  return { shapes, count, strings, own, frets, fingers, midis, voices, index, sounding }
}

const BITS = Uint8Array.from({ length: 64 }, (_, mask) => mask.toString(2).replaceAll('0', '').length)

/** 1 where two small numbers are the same, else 0, without a branch that the processor would guess wrong. */
const equal = (a: number, b: number): number => ((a ^ b) - 1) >>> 31

/** Short loops, each over one column of b: a row of a is compared with one voice or one string at a time. */
export function stepCosts(a: Layer, b: Layer, weights: PathWeights, wishes: PathWishes): Float64Array {
  const costs = new Float64Array(a.count * b.count)
  const { strings } = a
  const { frets, fingers } = b
  const countA = a.count
  const countB = b.count
  const sums = new Int32Array(countB)
  const staying = new Uint8Array(countB)
  const sliding = new Uint8Array(countB)
  const topB = new Int16Array(countB)
  for (let j = 0; j < countB; j++) topB[j] = b.midis[((b.voices[j] as number) - 1) * countB + j] as number
  for (let i = 0; i < countA; i++) {
    voiceSums(a, i, b, sums)
    staying.fill(0)
    sliding.fill(0)
    for (let string = 0; string < strings; string++) {
      const fret = a.frets[string * countA + i] as number
      if (fret === SILENT) continue
      const finger = a.fingers[string * countA + i] as number
      const column = string * countB
      for (let j = 0; j < countB; j++) staying[j] = (staying[j] as number) + equal(frets[column + j] as number, fret)
      if (finger > 0)
        for (let j = 0; j < countB; j++)
          sliding[j] = (sliding[j] as number) | (equal(fingers[column + j] as number, finger) << finger)
    }
    addUp(a, i, b, weights, sums, staying, sliding, topB, costs)
    if (wishes.stream || wishes.topStepwise || wishes.bassLine !== undefined) addWishes(a, i, b, wishes, topB, costs)
  }
  return costs
}

/** How far the voices go from shape `i` of `a` to each shape of `b`, in semitones. */
function voiceSums(a: Layer, i: number, b: Layer, sums: Int32Array) {
  const countA = a.count
  const countB = b.count
  const count = a.voices[i] as number
  const { midis, voices } = b
  sums.fill(0)
  for (let voice = 0; voice < count && voice < b.strings; voice++) {
    const midi = a.midis[voice * countA + i] as number
    const column = voice * countB
    for (let j = 0; j < countB; j++) {
      sums[j] = (sums[j] as number) + Math.abs(midi - (midis[column + j] as number))
    }
  }
  for (let j = 0; j < countB; j++) {
    const other = voices[j] as number
    if (other !== count)
      sums[j] = count < other ? leastPairing(a, i, count, b, j, other) : leastPairing(b, j, other, a, i, count)
  }
}

function addUp(
  a: Layer,
  i: number,
  b: Layer,
  { voices, stays, slides, hand, top }: PathWeights,
  sums: Int32Array,
  staying: Uint8Array,
  sliding: Uint8Array,
  topB: Int16Array,
  costs: Float64Array,
) {
  const countB = b.count
  const places = b.index
  const indexA = a.index[i] as number
  const topA = a.midis[((a.voices[i] as number) - 1) * a.count + i] as number
  const step = TOP_STEP
  const bits = BITS
  let cell = i * countB
  for (let j = 0; j < countB; j++) {
    const rise = (topB[j] as number) - topA
    const leap = Math.max(0, Math.abs(rise) - step)
    const mm = Math.abs((places[j] as number) - indexA)
    let cost =
      voices * (sums[j] as number) + stays * (staying[j] as number) + slides * (bits[sliding[j] as number] as number)
    // NaN is no number of mm: open strings leave the hand where it was.
    if (mm > 0) cost += hand * mm
    cost += top * leap
    costs[cell++] = cost
  }
}

function addWishes(
  a: Layer,
  i: number,
  b: Layer,
  { stream, topStepwise, bassLine }: PathWishes,
  topB: Int16Array,
  costs: Float64Array,
) {
  const topA = a.midis[((a.voices[i] as number) - 1) * a.count + i] as number
  const bassA = a.midis[i] as number
  for (let j = 0; j < b.count; j++) {
    let cost = 0
    if (stream && a.sounding[i] !== b.sounding[j]) cost += BROKEN_WISH
    if (topStepwise && Math.abs((topB[j] as number) - topA) > TOP_STEP) cost += BROKEN_WISH
    if (bassLine !== undefined) {
      const bass = (b.midis[j] as number) - bassA
      const way = bassLine === 'falling' ? -bass : bass
      if (way < 1 || way > 2) cost += BASS_LINE_BROKEN
    }
    costs[i * b.count + j] = (costs[i * b.count + j] as number) + cost
  }
}

const MOST_VOICES = 17
const least = new Int32Array(MOST_VOICES)

/** As in `pairVoices`, one row at a time. */
function leastPairing(
  few: Layer,
  fewAt: number,
  fewCount: number,
  many: Layer,
  manyAt: number,
  manyCount: number,
): number {
  const spare = manyCount - fewCount
  for (let s = 0; s <= spare; s++) least[s] = 0
  for (let i = 0; i < fewCount; i++) {
    const midi = few.midis[i * few.count + fewAt] as number
    for (let s = 0; s <= spare; s++) {
      const by = midi - (many.midis[(i + s) * many.count + manyAt] as number)
      const paired = (least[s] as number) + (by < 0 ? -by : by)
      least[s] = s > 0 && (least[s - 1] as number) < paired ? (least[s - 1] as number) : paired
    }
  }
  return (least[spare] as number) + UNPAIRED * spare
}
