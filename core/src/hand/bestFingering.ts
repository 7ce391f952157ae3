/**
 * The cheapest fingering of many shapes on one neck, for ranking: the same deal as `fingeringsOf`, with the distances
 * looked up, the cost added finger by finger, and a way left as soon as it can't become cheaper than the best so far.
 * Read `fingeringsOf` first; this must equal its first result.
 */
import { fingertipMm, MOST_STRINGS, type Neck } from '../neck/index.ts'
import type { Frets } from '../voicing/index.ts'
import { type FingeringOptions, fingeringFrom, liesFlat, pairReachMm } from './fingering.ts'
import {
  apartCost,
  barreCost,
  CROWDED_FRET_COST,
  crowdedFrets,
  FULL_HAND_COST,
  fingerCost,
  idleIndexCost,
  isClosed,
  mixedCost,
  type Press,
  sentUpCost,
  spreadCost,
  stretchCost,
  THREE_IN_A_FRET_COST,
  TURNED_COST,
} from './fingeringCost.ts'
import { pairEaseMm, reachMm } from './profile.ts'
import type { Finger, Fingering, HandProfile } from './types.ts'

const FINGERS: readonly Finger[] = ['T', 1, 2, 3, 4]
/** No two fingers of any hand stand this many frets apart. */
const GAPS = 16

/** A fingering as a search needs it. */
export interface Hold {
  /** By string from the lowest. */
  readonly fingers: readonly (Finger | null)[]
  /** The total of its cost. */
  readonly effort: number
  /** Fingertips have no room side by side. */
  readonly isCrowded: boolean
}

/** A hand laid on a neck, ready for one shape after another. */
export interface HandOnNeck {
  /** The cheapest fingering; `undefined` when four fingers can't hold the shape. */
  readonly bestFingering: (frets: Frets) => Fingering | undefined
  /** The fingers of the cheapest fingering and what it costs, without its terms and barres. */
  readonly bestHold: (frets: Frets) => Hold | undefined
  /** What the cheapest fingering costs, without telling which it is. */
  readonly leastEffort: (frets: Frets) => number | undefined
  /** Whether there is any fingering at all. */
  readonly canHold: (frets: Frets) => boolean
}

export function handOn(neck: Neck, profile: HandProfile, { thumb = false }: FingeringOptions = {}): HandOnNeck {
  const tips = Float64Array.from({ length: neck.lastFret + 1 }, (_, fret) => fingertipMm(neck.scaleLengthMm, fret))
  // By two finger numbers, the thumb as 0.
  const limits = Float64Array.from({ length: 25 }, (_, pair) =>
    pairReachMm(profile, FINGERS[Math.floor(pair / 5)] as Finger, FINGERS[pair % 5] as Finger),
  )
  // What two fingers that follow one another cost, by the two fingers, the lower fret and how far above it the next one is.
  const places = neck.lastFret + 1
  const pairCosts = new Float64Array(25 * places * GAPS)
  for (let last = 1; last <= 4; last++)
    for (let finger = last + 1; finger <= 4; finger++) {
      const ease = pairEaseMm(profile, FINGERS[last] as Finger, FINGERS[finger] as Finger)
      for (let low = 0; low < places; low++)
        for (let gap = 0; gap < GAPS && low + gap < places; gap++)
          pairCosts[((last * 5 + finger) * places + low) * GAPS + gap] =
            spreadCost(gap, finger - last) + apartCost((tips[low + gap] as number) - (tips[low] as number), ease)
    }
  // The presses dealt so far, and the cheapest ones, one column each.
  const dealtPresses = columns()
  const { finger: fingerAt, fret: fretAt, from: fromAt, to: toAt } = dealtPresses
  const best = columns()
  const noteString = new Int8Array(MOST_STRINGS)
  const noteFret = new Int8Array(MOST_STRINGS)
  /** How many different frets lie above a note's. */
  const fretsAbove = new Int8Array(MOST_STRINGS)

  /** The notes of a shape in the order of `pressedNotes`, but for those of string `without`; how many they are. */
  const takeNotes = (frets: Frets, without: number): number => {
    let count = 0
    for (let string = 0; string < frets.length; string++) {
      const fret = frets[string]
      if (fret === null || fret === undefined || fret === 0 || string === without) continue
      let at = count++
      for (; at > 0 && (noteFret[at - 1] as number) > fret; at--) {
        noteFret[at] = noteFret[at - 1] as number
        noteString[at] = noteString[at - 1] as number
      }
      noteFret[at] = fret
      noteString[at] = string
    }
    for (let at = count - 1, above = 0; at >= 0; at--) {
      if (at < count - 1 && noteFret[at] !== noteFret[at + 1]) above++
      fretsAbove[at] = above
    }
    return count
  }

  const crowded = (presses: Columns, dealt: number): number => {
    const { finger, fret } = presses
    const first = finger[0] === 0 ? 1 : 0
    for (let index = first + 2; index < dealt; index++)
      if (fret[index] === fret[index - 2])
        return CROWDED_FRET_COST * crowdedFrets(pressesIn(presses, first, dealt), neck)
    return 0
  }

  /**
   * Tries fingerings, cheaper and cheaper ones, and leaves the cheapest in `best`; with `anyWill` the first is enough.
   * Gives how many presses it has, and all terms of its cost but the stretch, which is the same for every fingering of
   * a shape; no presses and `Infinity` where there is none.
   */
  const cheapest = (frets: Frets, anyWill: boolean): { dealt: number; cost: number } => {
    const besideOpen = frets.includes(0)
    let count = takeNotes(frets, -1)
    const closed = isClosed(besideOpen, noteFret[0] as number, noteFret[count - 1] as number)
    let bestDealt = 0
    let least = Number.POSITIVE_INFINITY

    const deal = (at: number, dealt: number, firstFinger: number, cost: number) => {
      if (anyWill && least < Number.POSITIVE_INFINITY) return
      if (cost >= least) return
      if (at === count) {
        const full = dealt - (fingerAt[0] === 0 ? 1 : 0) === 4 ? FULL_HAND_COST : 0
        const total = cost + full + crowded(dealtPresses, dealt)
        if (total < least) {
          least = total
          bestDealt = dealt
          copyColumns(dealtPresses, best)
        }
        return
      }
      const fret = noteFret[at] as number
      const from = noteString[at] as number
      const before = dealt - 1
      const isFirst = dealt === 0 || fingerAt[before] === 0
      // Each fret above this one still needs a finger.
      const lastFinger = 4 - (fretsAbove[at] as number)
      for (let finger = firstFinger; finger <= lastFinger; finger++) {
        let fits = true
        for (let other = 0; other < dealt && fits; other++)
          fits =
            Math.abs((tips[fret] as number) - (tips[fretAt[other] as number] as number)) <=
            (limits[(fingerAt[other] as number) * 5 + finger] as number)
        if (!fits) continue
        let press = fingerCost(finger) + sentUpCost(besideOpen, fret, finger)
        if (isFirst) press += idleIndexCost(closed, finger)
        else {
          const last = fingerAt[before] as number
          const lastFret = fretAt[before] as number
          press += pairCosts[
            ((last * 5 + finger) * places + lastFret) * GAPS + Math.min(fret - lastFret, GAPS - 1)
          ] as number
        }
        if (dealt > 1 && fingerAt[dealt - 2] !== 0 && fretAt[dealt - 2] === fret) press += THREE_IN_A_FRET_COST
        for (let other = 0; other < dealt; other++)
          if (fingerAt[other] !== 0 && from < (fromAt[other] as number)) press += TURNED_COST
        if (cost + press >= least) continue
        for (let end = at; end < count && noteFret[end] === fret; end++) {
          const to = noteString[end] as number
          if (end > at && !liesFlat(frets, finger, fret, from, to)) break
          const mixed = isFirst
            ? 0
            : mixedCost(
                fret - (fretAt[before] as number),
                toAt[before] === from - 1,
                fromAt[before] !== toAt[before],
                from !== to,
              )
          fingerAt[dealt] = finger
          fretAt[dealt] = fret
          fromAt[dealt] = from
          toAt[dealt] = to
          deal(end + 1, dealt + 1, finger + 1, cost + press + mixed + barreCost(frets, finger, from, to))
        }
      }
    }

    fingerAt[0] = 1
    deal(0, 0, 1, 0)
    const lowest = frets[0]
    if (thumb && lowest) {
      count = takeNotes(frets, 0)
      fingerAt[0] = 0
      fretAt[0] = lowest
      fromAt[0] = 0
      toAt[0] = 0
      deal(0, 1, 1, fingerCost(0))
    }
    return { dealt: bestDealt, cost: least }
  }

  const stretch = (frets: Frets): number => stretchCost(reachMm(neck, frets), profile.comfortableMm)

  return {
    bestFingering: (frets) => {
      const { dealt, cost } = cheapest(frets, false)
      return cost === Number.POSITIVE_INFINITY
        ? undefined
        : fingeringFrom(pressesIn(best, 0, dealt), frets, neck, profile)
    },
    bestHold: (frets) => {
      const { dealt, cost } = cheapest(frets, false)
      if (cost === Number.POSITIVE_INFINITY) return undefined
      const fingers: (Finger | null)[] = []
      for (let string = 0; string < frets.length; string++) fingers.push(fingerOn(best, dealt, string, frets[string]))
      return { fingers, effort: cost + stretch(frets), isCrowded: crowded(best, dealt) > 0 }
    },
    leastEffort: (frets) => {
      const { cost } = cheapest(frets, false)
      return cost === Number.POSITIVE_INFINITY ? undefined : cost + stretch(frets)
    },
    canHold: (frets) => cheapest(frets, true).cost < Number.POSITIVE_INFINITY,
  }
}

/** Presses, a column for each of their numbers; the thumb as finger 0. No hand has more than five. */
interface Columns {
  readonly finger: Int8Array
  readonly fret: Int8Array
  readonly from: Int8Array
  readonly to: Int8Array
}
const column = () => new Int8Array(5)
const columns = (): Columns => ({ finger: column(), fret: column(), from: column(), to: column() })

function copyColumns(a: Columns, b: Columns) {
  for (let index = 0; index < 5; index++) {
    b.finger[index] = a.finger[index] as number
    b.fret[index] = a.fret[index] as number
    b.from[index] = a.from[index] as number
    b.to[index] = a.to[index] as number
  }
}

/** The finger that presses a string at its fret, among so many presses. */
function fingerOn(
  { finger, fret, from, to }: Columns,
  dealt: number,
  string: number,
  pressed: number | null | undefined,
): Finger | null {
  for (let index = 0; index < dealt; index++)
    if (fret[index] === pressed && (from[index] as number) <= string && (to[index] as number) >= string)
      return FINGERS[finger[index] as number] as Finger
  return null
}

const pressesIn = ({ finger, fret, from, to }: Columns, first: number, end: number): readonly Press[] =>
  Array.from({ length: end - first }, (_, index) => ({
    finger: FINGERS[finger[first + index] as number] as Finger,
    fret: fret[first + index] as number,
    from: from[first + index] as number,
    to: to[first + index] as number,
  }))
