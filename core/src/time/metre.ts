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

/** Quarter notes in a bar: 3 in 3/4 and in 6/8. */
export const beatsInBar = ({ count, unit }: Metre): number => (count * 4) / unit

export function readMetre(text: string): Result<Metre, MetreError> {
  const found = /^\s*(\d{1,2})\s*\/\s*([248])\s*$/.exec(text)
  const count = Number(found?.[1])
  if (!found || count < 1 || count > MOST_COUNT) return fail({ code: 'not_a_metre', at: 0, text: piece(text) })
  return ok({ count, unit: Number(found[2]) as Metre['unit'] })
}

export const writeMetre = ({ count, unit }: Metre): string => `${count}/${unit}`
