/** Which sign says how long something lasts from a place in its bar on: for notes, and for rests. */
import { beatsInBar, type Metre, pulses } from './metre.ts'

export type WrittenValue = 'whole' | 'half' | 'quarter' | 'eighth' | 'sixteenth'

/** A quarter note is cut into twelve ticks, so that sixteenths (3) and triplets (4) both fall on whole ones. */
export const TICKS = 12
export const tick = (beats: number): number => Math.round(beats * TICKS)

export interface Sign {
  readonly ticks: number
  readonly value: WrittenValue
  readonly dotted: boolean
  readonly triplet: boolean
}

const sign = (ticks: number, value: WrittenValue, dotted = false, triplet = false): Sign => ({
  ticks,
  value,
  dotted,
  triplet,
})
/** Longest first. */
const PLAIN: readonly Sign[] = [
  sign(72, 'whole', true),
  sign(48, 'whole'),
  sign(36, 'half', true),
  sign(24, 'half'),
  sign(18, 'quarter', true),
  sign(12, 'quarter'),
  sign(9, 'eighth', true),
  sign(6, 'eighth'),
  sign(3, 'sixteenth'),
]
const TRIPLET: readonly Sign[] = [sign(8, 'quarter', false, true), sign(4, 'eighth', false, true)]

/** A bar in ticks. */
export interface BarGrid {
  readonly metre: Metre
  /** From the start of the music, and how long it is. */
  readonly start: number
  readonly length: number
  /** Where its beats begin, from the bar's start, and where it ends. */
  readonly beats: readonly number[]
  /** Quarter notes, from the bar's start, in which something falls on a third. */
  readonly triplets: ReadonlySet<number>
}

export const barGrid = (metre: Metre, start: number, triplets: ReadonlySet<number>): BarGrid => {
  const length = tick(beatsInBar(metre))
  return { metre, start, length, beats: [...pulses(metre).map(tick), length], triplets }
}

/** Where the beat ends in which a place lies, and whether it begins there. Where halves are the beat, quarters are felt inside. */
function beatAround(place: number, { metre, beats }: BarGrid): { readonly begins: boolean; readonly end: number } {
  const at = beats.findLastIndex((beat) => beat <= place)
  const end = beats[at + 1] ?? place
  if (metre.unit !== 2) return { begins: beats[at] === place, end }
  const begins = place % TICKS === 0
  return { begins, end: begins ? end : Math.min(end, (Math.floor(place / TICKS) + 1) * TICKS) }
}

/** The triplet sign for a place in a quarter note that is cut in three; or how far a plain sign may reach before the next such one. */
function tripletOr(place: number, most: number, { triplets }: BarGrid): Sign | number {
  const quarter = Math.floor(place / TICKS)
  if (triplets.has(quarter) && (place % TICKS !== 0 || most < TICKS)) {
    const room = Math.min(most, (quarter + 1) * TICKS - place)
    return TRIPLET.find(({ ticks }) => ticks <= room) ?? 0
  }
  for (let next = quarter + 1; next * TICKS < place + most; next++) if (triplets.has(next)) return next * TICKS - place
  return most
}

/**
 * The longest sign that may begin a note at a place of its bar: within the bar; within the beat when it begins off the beat;
 * and of beats of several eighths, whole ones.
 * @param room Ticks until the note ends.
 */
export function noteSign(place: number, room: number, bar: BarGrid): Sign | undefined {
  const most = tripletOr(place, Math.min(room, bar.length - place), bar)
  if (typeof most !== 'number') return most
  const { begins, end } = beatAround(place, bar)
  const reach = begins ? most : Math.min(most, end - place)
  const isWhole = ({ ticks }: Sign) => bar.metre.unit !== 8 || place + ticks <= end || bar.beats.includes(place + ticks)
  return PLAIN.find((one) => one.ticks <= reach && isWhole(one))
}

/**
 * The same for a rest. A bar of nothing is one sign, whatever its metre; else no rest hides a beat that is felt: half rests
 * stand on the halves of an even bar, dotted ones only where the beat is dotted.
 */
export function restSign(place: number, room: number, bar: BarGrid): Sign | undefined {
  if (place === 0 && room >= bar.length) return sign(bar.length, 'whole')
  const most = tripletOr(place, Math.min(room, bar.length - place), bar)
  if (typeof most !== 'number') return most
  const { end, begins } = beatAround(place, bar)
  const isEven = bar.metre.unit !== 8 && bar.length % 24 === 0
  return PLAIN.find(({ ticks, dotted }) => {
    if (ticks > most) return false
    if (place + ticks <= end) return !dotted || bar.metre.unit === 8 || ticks < TICKS
    if (!begins) return false
    // Over more than a beat: half of a bar that has such halves.
    if (bar.metre.unit === 8) return bar.length === 72 && place % 36 === 0 && ticks === 36
    return isEven && ticks === 24 && place % 24 === 0
  })
}
