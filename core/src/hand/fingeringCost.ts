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

/*
 * The numbers of this file are fitted to what teachers put on a hundred common grips (`teachers.testkit.ts`); each term
 * says what it stands for.
 */

/** A barre costs by the finger that lies: the index is made for it, the middle hardly. By finger, the thumb as 0. */
const BARRE_COST = [9, 0.6, 3, 1.1, 1.2] as const
/** Each string more under a flat index. */
const BARRE_WIDTH_COST = 0.15
/** A string that must be silent under a flat finger is stopped by it, so nothing damps it. */
const SILENT_UNDER_BARRE_COST = 1.5
/** Over a flat finger another one presses: close in front of it there is less room than a fret further on. */
const CLOSE_OVER_BARRE_COST = 0.45
const OVER_BARRE_COST = 0.2
/** The last joint of a flat finger gives way, so that a thinner string sounds lower or open. */
const COLLAPSED_COST = 2.6
/** A flat index must arch where a thinner string rings beside it. */
const ARCHED_INDEX_COST = 0.3

export function barreCost(frets: Frets, finger: number, from: number, to: number): number {
  if (from === to) return 0
  const fret = frets[from] as number
  let cost = (BARRE_COST[finger] as number) + (finger === 1 ? BARRE_WIDTH_COST * (to - from) : 0)
  for (let string = from + 1; string < to; string++) {
    const other = frets[string]
    if (other === null || other === undefined) cost += SILENT_UNDER_BARRE_COST
    else if (other === fret + 1) cost += CLOSE_OVER_BARRE_COST
    else if (other > fret) cost += OVER_BARRE_COST
  }
  for (let string = to + 1; string < frets.length; string++)
    if (isLower(frets[string], fret)) return cost + (finger === 1 ? ARCHED_INDEX_COST : COLLAPSED_COST)
  return cost
}

/** Whether a string sounds below a fret, pressed lower or open. */
export const isLower = (other: number | null | undefined, fret: number): boolean =>
  other !== null && other !== undefined && other < fret

/** Every finger down is some work, ring and little finger more, the thumb over the neck most. By finger, the thumb as 0. */
const FINGER_COST = [1.2, 0.18, 0.12, 0.35, 0.45] as const
export const fingerCost = (finger: number): number => FINGER_COST[finger] as number
/** No finger is left. */
export const FULL_HAND_COST = 0.15

/** Beside open strings the hand lies at the nut, a finger a fret: what presses above its own fret has to be sent there. */
export const sentUpCost = (besideOpen: boolean, fret: number, finger: number): number =>
  besideOpen && fret <= 4 && finger > 0 && fret > finger ? 0.1 * (fret - finger) : 0

/**
 * In a grip without open strings the index leads and the others are counted from it: only where everything lies in one
 * fret may any finger take it.
 */
export const isClosed = (besideOpen: boolean, lowest: number, highest: number): boolean =>
  !besideOpen && lowest < highest
const IDLE_INDEX_COST = 0.8
export const idleIndexCost = (closed: boolean, firstFinger: number): number =>
  closed && firstFinger > 1 ? IDLE_INDEX_COST : 0

/** Three fingers side by side in one fret stand closely anywhere on the neck. */
export const THREE_IN_A_FRET_COST = 0.2

/** Neighbouring strings in one fret are taken all flat or all with single tips; to do both is the worse of the two. */
const MIXED_COST = 0.2
export const mixedCost = (fretGap: number, neighbours: boolean, flatBefore: boolean, flat: boolean): number =>
  fretGap === 0 && neighbours && flatBefore !== flat ? MIXED_COST : 0

/** The hand tilts so that later fingers fall on thinner strings; a later finger on a thicker string turns it. */
export const TURNED_COST = 0.22

/**
 * Two fingers that follow one another. One finger per fret is rest; reaching over a fret, or fingers packed into one,
 * are work; neighbours side by side in one fret are the easiest of these.
 */
export function spreadCost(fretGap: number, fingerGap: number): number {
  if (fretGap > fingerGap) return 0.82 * (fretGap - fingerGap)
  if (fretGap === 0 && fingerGap === 1) return 0.42
  return 0.67 * (fingerGap - fretGap)
}

/** Two fingers that follow one another, further apart than is easy for them: it rises steeply. */
export function apartCost(mm: number, easeMm: number): number {
  const over = Math.max(0, mm - easeMm) / easeMm
  return 2.2 * over + 6.6 * over * over
}

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
