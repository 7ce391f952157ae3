/**
 * The cheapest fingering of many shapes on one neck, for ranking: the same deal as `fingeringsOf`, with the distances
 * looked up, the cost added finger by finger, and a way left as soon as it can't become cheaper than the best so far.
 * Read `fingeringsOf` first; this must equal its first result.
 */
import { fingertipMm, type Neck } from '../neck/index.ts'
import type { Frets } from '../voicing/index.ts'
import { type FingeringOptions, fingeringFrom, liesFlat, pairReachMm, pressedNotes } from './fingering.ts'
import {
  apartCost,
  barreCost,
  CROWDED_FRET_COST,
  crowdedFrets,
  FULL_HAND_COST,
  fingerCost,
  type Press,
  sentUpCost,
  spreadCost,
  stretchCost,
  TURNED_COST,
} from './fingeringCost.ts'
import { pairEaseMm, reachMm } from './profile.ts'
import type { Finger, Fingering, HandProfile } from './types.ts'

const FINGERS: readonly Finger[] = ['T', 1, 2, 3, 4]
/** No two fingers of any hand stand this many frets apart. */
const GAPS = 16

interface Cheapest {
  readonly presses: readonly Press[]
  /** All terms but the stretch, which is the same for every fingering of a shape. */
  readonly cost: number
}

/** A hand laid on a neck, ready for one shape after another. */
export interface HandOnNeck {
  /** The cheapest fingering; `undefined` when four fingers can't hold the shape. */
  readonly bestFingering: (frets: Frets) => Fingering | undefined
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
  // The presses dealt so far, one column each.
  const fingerAt = new Int8Array(12)
  const fretAt = new Int8Array(12)
  const fromAt = new Int8Array(12)
  const toAt = new Int8Array(12)
  const noteString = new Int8Array(12)
  const noteFret = new Int8Array(12)

  /** Tries fingerings, cheaper and cheaper ones; with `anyWill` the first is enough. */
  const cheapest = (frets: Frets, anyWill: boolean): Cheapest | undefined => {
    const notes = pressedNotes(frets)
    const besideOpen = frets.includes(0)
    let count = 0
    let least = Number.POSITIVE_INFINITY
    let best: readonly Press[] | undefined

    const presses = (dealt: number): readonly Press[] =>
      Array.from({ length: dealt }, (_, index) => ({
        finger: FINGERS[fingerAt[index] as number] as Finger,
        fret: fretAt[index] as number,
        from: fromAt[index] as number,
        to: toAt[index] as number,
      }))

    const deal = (at: number, dealt: number, firstFinger: number, cost: number) => {
      if (anyWill && best !== undefined) return
      if (cost >= least) return
      if (at === count) {
        const found = presses(dealt)
        const fingersOnly = found[0]?.finger === 'T' ? found.slice(1) : found
        const full = fingersOnly.length === 4 ? FULL_HAND_COST : 0
        const total = cost + full + CROWDED_FRET_COST * crowdedFrets(fingersOnly, neck)
        if (total < least) {
          least = total
          best = found
        }
        return
      }
      const fret = noteFret[at] as number
      const from = noteString[at] as number
      const before = dealt - 1
      for (let finger = firstFinger; finger <= 4; finger++) {
        let fits = true
        for (let other = 0; other < dealt && fits; other++)
          fits =
            Math.abs((tips[fret] as number) - (tips[fretAt[other] as number] as number)) <=
            (limits[(fingerAt[other] as number) * 5 + finger] as number)
        if (!fits) continue
        let press = fingerCost(finger) + sentUpCost(besideOpen, fret, finger)
        if (dealt > 0 && fingerAt[before] !== 0) {
          const last = fingerAt[before] as number
          const lastFret = fretAt[before] as number
          press += pairCosts[
            ((last * 5 + finger) * places + lastFret) * GAPS + Math.min(fret - lastFret, GAPS - 1)
          ] as number
        }
        for (let other = 0; other < dealt; other++)
          if (fingerAt[other] !== 0 && from < (fromAt[other] as number)) press += TURNED_COST
        if (cost + press >= least) continue
        for (let end = at; end < count && noteFret[end] === fret; end++) {
          const to = noteString[end] as number
          if (end > at && !liesFlat(frets, finger, fret, from, to)) break
          fingerAt[dealt] = finger
          fretAt[dealt] = fret
          fromAt[dealt] = from
          toAt[dealt] = to
          deal(end + 1, dealt + 1, finger + 1, cost + press + barreCost(frets, finger, from, to))
        }
      }
    }

    for (const note of notes) {
      noteString[count] = note.string
      noteFret[count++] = note.fret
    }
    deal(0, 0, 1, 0)
    const lowest = thumb ? notes.find((note) => note.string === 0) : undefined
    if (lowest) {
      count = 0
      for (const note of notes)
        if (note !== lowest) {
          noteString[count] = note.string
          noteFret[count++] = note.fret
        }
      fingerAt[0] = 0
      fretAt[0] = lowest.fret
      fromAt[0] = 0
      toAt[0] = 0
      deal(0, 1, 1, fingerCost(0))
    }
    return best && { presses: best, cost: least }
  }

  return {
    bestFingering: (frets) => {
      const best = cheapest(frets, false)
      return best && fingeringFrom(best.presses, frets, neck, profile)
    },
    leastEffort: (frets) => {
      const best = cheapest(frets, false)
      return best && best.cost + stretchCost(reachMm(neck, frets), profile.comfortableMm)
    },
    canHold: (frets) => cheapest(frets, true) !== undefined,
  }
}
