/**
 * What every step from one chord's candidates to the next one's costs, in one go.
 *   PathShape[] ─compile→ columns ─stepCosts(a, b)→ a row for each shape of a, a column for each of b
 * Read `stepBetween` first; every number here must equal its cost.
 */
import type { Finger } from '../hand/index.ts'
import type { PathWeights } from '../tune/index.ts'
import { wantsMoves } from './stepCost.ts'
import type { PathShape, PathWishes } from './types.ts'
import {
  BASS_LEAP,
  BASS_LINE_BROKEN,
  BROKEN_WISH,
  FAR_EACH_MM,
  FAR_MM,
  TOP_LEAP,
  TOP_STEP,
  UNPAIRED,
} from './weights.ts'

/** Candidates in columns. A layer without shapes is empty: it costs nothing and joins nothing. */
export interface Layer {
  readonly chord: string
  readonly shapes: readonly PathShape[]
  readonly count: number
  readonly own: Float64Array
  readonly strings: number
  /** The shapes that sound a fret on a string. */
  readonly withFret: Rows
  /** The shapes that have a finger on a string. */
  readonly withFinger: Rows
  /** By voice, the lowest first, and shape; each has as many as `voices` says. */
  readonly midis: Int16Array
  readonly voices: Uint8Array
  /** NaN where only open strings sound. */
  readonly index: Float64Array
  readonly sounding: Uint16Array
}

/** Rows by string and number. */
type Rows = ReadonlyMap<number, readonly number[]>
const MOST_NUMBERS = 64
const rowName = (string: number, number: number): number => string * MOST_NUMBERS + number
const NO_ROWS: readonly number[] = []

function addRow(rows: Map<number, number[]>, name: number, row: number) {
  const before = rows.get(name)
  if (before) before.push(row)
  else rows.set(name, [row])
}
const fingerNumber = (finger: Finger): number => (finger === 'T' ? 0 : finger)

/** @param chord Its name: steps between shapes of one chord are told from it. */
export function compile(shapes: readonly PathShape[], strings: number, chord: string): Layer {
  const count = shapes.length
  const own = new Float64Array(count)
  const withFret = new Map<number, number[]>()
  const withFinger = new Map<number, number[]>()
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
      addRow(withFret, rowName(string, fret), row)
      sounding[row] = (sounding[row] as number) | (1 << string)
      const finger = shape.fingers[string] ?? null
      if (finger !== null) addRow(withFinger, rowName(string, fingerNumber(finger)), row)
      const midi = shape.midis[string] as number
      let voice = voices[row] as number
      for (; voice > 0 && (midis[(voice - 1) * count + row] as number) > midi; voice--)
        midis[voice * count + row] = midis[(voice - 1) * count + row] as number
      midis[voice * count + row] = midi
      voices[row] = (voices[row] as number) + 1
    }
  }
  return { chord, shapes, count, strings, own, withFret, withFinger, midis, voices, index, sounding }
}

const BITS = Uint8Array.from({ length: 64 }, (_, mask) => mask.toString(2).replaceAll('0', '').length)

/**
 * A row of `a` is compared with one voice of all of `b` at a time; where it has a fret or finger on a string, `b` knows
 * which of its shapes have that too.
 */
export function stepCosts(a: Layer, b: Layer, weights: PathWeights, wishes: PathWishes, isSame: boolean): Float64Array {
  const costs = new Float64Array(a.count * b.count)
  const countB = b.count
  const sums = new Int32Array(countB)
  const staying = new Uint8Array(countB)
  const sliding = new Uint8Array(countB)
  const topB = new Int16Array(countB)
  const same = isSame && !wantsMoves(wishes) ? weights.same : 0
  for (let j = 0; j < countB; j++) topB[j] = b.midis[((b.voices[j] as number) - 1) * countB + j] as number
  for (let i = 0; i < a.count; i++) {
    const { frets, fingers } = a.shapes[i] as PathShape
    voiceSums(a, i, b, sums)
    staying.fill(0)
    sliding.fill(0)
    for (let string = 0; string < a.strings; string++) {
      const fret = frets[string] ?? null
      if (fret === null) continue
      for (const j of b.withFret.get(rowName(string, fret)) ?? NO_ROWS) staying[j] = (staying[j] as number) + 1
      const finger = fingers[string] ?? null
      if (finger === null) continue
      const bit = 1 << fingerNumber(finger)
      for (const j of b.withFinger.get(rowName(string, fingerNumber(finger))) ?? NO_ROWS)
        sliding[j] = (sliding[j] as number) | bit
    }
    addUp(a, i, b, { ...weights, same }, sums, staying, sliding, topB, costs)
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
  { voices, stays, slides, hand, far, top, bass, same }: PathWeights,
  sums: Int32Array,
  staying: Uint8Array,
  sliding: Uint8Array,
  topB: Int16Array,
  costs: Float64Array,
) {
  const countB = b.count
  const places = b.index
  const indexA = a.index[i] as number
  const countA = a.voices[i] as number
  const topA = a.midis[(countA - 1) * a.count + i] as number
  const bassA = a.midis[i] as number
  const bits = BITS
  let cell = i * countB
  for (let j = 0; j < countB; j++, cell++) {
    // A shape that stays costs nothing.
    if (staying[j] === countA && b.voices[j] === countA) continue
    const rise = Math.abs((topB[j] as number) - topA)
    const fall = Math.abs((b.midis[j] as number) - bassA)
    const mm = Math.abs((places[j] as number) - indexA)
    let cost =
      voices * (sums[j] as number) +
      stays * (staying[j] as number) +
      slides * (bits[sliding[j] as number] as number) +
      same
    // NaN is no number of mm: open strings leave the hand where it was.
    if (mm > 0) cost += hand * mm
    if (mm > FAR_MM) cost += (far * (mm - FAR_MM)) / FAR_EACH_MM
    cost += top * Math.max(0, rise - TOP_LEAP) + bass * Math.max(0, fall - BASS_LEAP)
    costs[cell] = cost
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
