/** What a fingering costs the hand: the terms, each from one or two fingers, so that they can be added one by one. */
import { fretSpaceMm, type Neck, stringSpacingMm } from '../neck/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Finger } from './types.ts'

/** A fingertip is about this wide. */
export const FINGERTIP_WIDTH_MM = 14
/** Of a fret space, this much can't be used: half a tip behind the wire and before the next. */
const FRET_MARGIN_MM = 8

/** One finger and what it presses: one note, or a row of strings in one fret. */
export interface Press {
  readonly finger: Finger
  readonly fret: number
  /** Outer strings under the finger; the same twice for one note. */
  readonly from: number
  readonly to: number
}

/** A barre costs by the finger that lies: the index is made for it, the middle hardly. By finger, the thumb as 0. */
const BARRE_COST = [9, 0.8, 3, 1.8, 2.4] as const
/** Each string more under a flat finger. */
const BARRE_WIDTH_COST = 0.12

/** A string that must be silent under a flat finger is stopped by it, so nothing damps it. */
const SILENT_UNDER_BARRE_COST = 1.5

export function barreCost(frets: Frets, finger: number, from: number, to: number): number {
  if (from === to) return 0
  let cost = (BARRE_COST[finger] as number) + BARRE_WIDTH_COST * (to - from)
  for (let string = from + 1; string < to; string++) if (frets[string] === null) cost += SILENT_UNDER_BARRE_COST
  return cost
}

/** Every finger down is some work, the little one more, the thumb over the neck most. */
export const fingerCost = (finger: number): number => (finger === 0 ? 1.2 : finger === 4 ? 0.4 : 0.25)

/**
 * Two fingers that follow one another. One finger per fret is rest; reaching over a fret, or fingers packed into one,
 * are work; neighbours side by side in one fret are the easiest of all.
 */
export function spreadCost(fretGap: number, fingerGap: number): number {
  if (fretGap > fingerGap) return 1.1 * (fretGap - fingerGap)
  const packed = 0.45 * (fingerGap - fretGap)
  return fretGap === 0 && fingerGap === 1 ? packed - 0.2 : packed
}
/** The least that one more finger can add to the spread. */
export const LEAST_SPREAD = -0.2

/** Reach within comfort grows with its square; beyond comfort it grows steeply. */
export function stretchCost(reachMm: number, comfortableMm: number): number {
  const over = Math.max(0, reachMm - comfortableMm) / comfortableMm
  return 1.2 * (reachMm / comfortableMm) ** 2 + 12 * over
}

export const CROWDED_FRET_COST = 2.5

/**
 * Whether three or more single fingertips on neighbouring strings have no room in a fret. Tips of 14 mm on strings some
 * 8 mm apart must stand in zigzag, one behind the other; where the fret space is shorter than the zigzag (above about
 * the 12th fret) they no longer fit.
 */
export function isTooNarrow(neck: Neck, fret: number): boolean {
  const spacing = stringSpacingMm(neck, fret)
  const zigzag = Math.sqrt(Math.max(0, FINGERTIP_WIDTH_MM ** 2 - spacing ** 2))
  return zigzag + FRET_MARGIN_MM > fretSpaceMm(neck.scaleLengthMm, fret)
}

/** How many frets hold three or more single fingertips on neighbouring strings. Presses in order of fret and string. */
export function crowdedFrets(presses: readonly Press[], neck: Neck): number {
  let crowded = 0
  let run = 0
  for (const [index, press] of presses.entries()) {
    const before = presses[index - 1]
    const single = press.from === press.to && press.finger !== 'T'
    const goesOn =
      before !== undefined && before.fret === press.fret && before.from === before.to && press.from === before.to + 1
    run = single ? (goesOn && run > 0 ? run + 1 : 1) : 0
    if (run === 3 && isTooNarrow(neck, press.fret)) crowded++
  }
  return crowded
}
