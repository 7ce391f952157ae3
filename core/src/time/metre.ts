/** Metres, and how long their bars are. Everywhere a beat is a quarter note; the metre says how bars are made of them. */
import { fail, ok, piece, type Result, type TextErrorOf } from '../result/index.ts'

export interface Metre {
  /** As it is written above: how many. */
  readonly count: number
  /** As it is written below: of what. */
  readonly unit: 2 | 4 | 8
}

export type MetreError = TextErrorOf<{ not_a_metre: object }>

const MOST_COUNT = 16

export const FOUR_FOUR: Metre = { count: 4, unit: 4 }
export const THREE_FOUR: Metre = { count: 3, unit: 4 }

/** The metres that are offered by name; any other that can be read is played by the same rules. */
export const METRES: readonly Metre[] = [
  { count: 2, unit: 4 },
  THREE_FOUR,
  FOUR_FOUR,
  { count: 5, unit: 4 },
  { count: 6, unit: 8 },
  { count: 7, unit: 8 },
  { count: 12, unit: 8 },
]

/**
 * How a bar is felt: lengths of its beats, in its own unit. Eighths go in threes where they can (6/8, 9/8, 12/8); otherwise in
 * twos with a three at the end (5/8, 7/8), as they are counted most.
 */
export function beatLengths({ count, unit }: Metre): readonly number[] {
  if (unit !== 8) return Array.from({ length: count }, () => 1)
  if (count % 3 === 0) return Array.from({ length: count / 3 }, () => 3)
  if (count < 4) return [count]
  const twos = count % 2 === 0 ? count / 2 : (count - 3) / 2
  return [...Array.from({ length: twos }, () => 2), ...(count % 2 === 0 ? [] : [3])]
}

/** Quarter notes from the bar's start to each of its beats: 0 and 1.5 in 6/8. */
export function pulses(metre: Metre): readonly number[] {
  let at = 0
  return beatLengths(metre).map((length) => {
    const now = at
    at += (length * 4) / metre.unit
    return now
  })
}

/** Quarter notes in a bar: 3 in 3/4 and in 6/8. */
export const beatsInBar = ({ count, unit }: Metre): number => (count * 4) / unit

export function readMetre(text: string): Result<Metre, MetreError> {
  const found = /^\s*(\d{1,2})\s*\/\s*([248])\s*$/.exec(text)
  const count = Number(found?.[1])
  if (!found || count < 1 || count > MOST_COUNT) return fail({ code: 'not_a_metre', at: 0, text: piece(text) })
  return ok({ count, unit: Number(found[2]) as Metre['unit'] })
}

export const writeMetre = ({ count, unit }: Metre): string => `${count}/${unit}`
