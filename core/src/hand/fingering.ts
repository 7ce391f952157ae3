/**
 * Fingerings: every workable way to press a shape, best first.
 *
 * Notes are taken fret by fret, and from the lowest string to the highest within a fret; fingers are dealt in
 * order, so that none crosses another. One finger presses one note, or lies flat over neighbouring notes of one
 * fret (a barre), if nothing behind it is lower and no open string rings under it. The thumb may take the lowest
 * string. Any two fingers stay within their own stretch limit.
 * `bestFingering.ts` finds the first of them faster, and is proved against this.
 */
import { fingertipMm, type Neck } from '../neck/index.ts'
import { type Frets, highestPressed, lowestPressed } from '../voicing/index.ts'
import {
  apartCost,
  barreCost,
  CROWDED_FRET_COST,
  crowdedFrets,
  FULL_HAND_COST,
  fingerCost,
  idleIndexCost,
  isClosed,
  isLower,
  mixedCost,
  type Press,
  sentUpCost,
  spreadCost,
  stretchCost,
  THREE_IN_A_FRET_COST,
  TURNED_COST,
} from './fingeringCost.ts'
import { pairEaseMm } from './profile.ts'
import type { Barre, Finger, Fingering, FingeringCost, HandProfile } from './types.ts'

export interface FingeringOptions {
  /** The thumb over the neck on the lowest string: off unless the player wants it. */
  readonly thumb?: boolean
}

export interface Note {
  readonly string: number
  readonly fret: number
}

/** The pressed notes in the order in which fingers are dealt. */
export function pressedNotes(frets: Frets): readonly Note[] {
  const notes: Note[] = []
  for (const [string, fret] of frets.entries()) if (fret !== null && fret > 0) notes.push({ string, fret })
  return notes.sort((a, b) => a.fret - b.fret || a.string - b.string)
}

/**
 * How far two fingers can stand apart at all, in mm: some 1.7 times what is easy for them, and never more than this
 * hand's widest reach, index to little finger. The thumb lies across the neck, so it may sit some way behind or before
 * the index finger.
 */
export function pairReachMm(profile: HandProfile, a: Finger, b: Finger): number {
  const reach = Math.min(FARTHEST * pairEaseMm(profile, a, b), profile.stretchMm)
  return a === 'T' || b === 'T' ? reach + profile.pairsMm[0] * THUMB_FREEDOM : reach
}
/** Beyond this many times their ease no two neighbouring fingers go. */
const FARTHEST = 1.7
/** Of the index–middle distance. */
const THUMB_FREEDOM = 0.6

/**
 * Whether a finger can lie flat over a row of strings in one fret. Nothing under it may be lower or ring open. The index
 * lies from the edge of the hand; another finger reaches over the thinner strings, which it stops: where one of them must
 * sound lower or open, its last joint must give way, and that it does over two strings, not over three.
 */
export function liesFlat(frets: Frets, finger: number, fret: number, from: number, to: number): boolean {
  for (let string = from; string <= to; string++) if (isLower(frets[string], fret)) return false
  if (finger <= 1 || to - from < 2) return true
  for (let string = to + 1; string < frets.length; string++) if (isLower(frets[string], fret)) return false
  return true
}

export function fingeringsOf(
  neck: Neck,
  frets: Frets,
  profile: HandProfile,
  options: FingeringOptions = {},
): readonly Fingering[] {
  const found: Fingering[] = []
  const tip = (fret: number) => fingertipMm(neck.scaleLengthMm, fret)
  const reaches = (press: Press, others: readonly Press[]): boolean =>
    others.every(
      (other) => Math.abs(tip(press.fret) - tip(other.fret)) <= pairReachMm(profile, other.finger, press.finger),
    )

  const deal = (notes: readonly Note[], presses: readonly Press[], lastFinger: number) => {
    const [note] = notes
    if (note === undefined) {
      found.push(fingeringFrom(presses, frets, neck, profile))
      return
    }
    for (let finger = lastFinger + 1; finger <= 4; finger++)
      for (const [index, last] of notes.entries()) {
        if (last.fret !== note.fret) break
        const press: Press = { finger: finger as Finger, fret: note.fret, from: note.string, to: last.string }
        if (index > 0 && !liesFlat(frets, finger, note.fret, press.from, press.to)) break
        if (reaches(press, presses)) deal(notes.slice(index + 1), [...presses, press], finger)
      }
  }

  const notes = pressedNotes(frets)
  deal(notes, [], 0)
  const lowest = options.thumb ? notes.find((note) => note.string === 0) : undefined
  if (lowest) {
    const thumb: Press = { finger: 'T', fret: lowest.fret, from: 0, to: 0 }
    deal(
      notes.filter((note) => note !== lowest),
      [thumb],
      0,
    )
  }
  return found.sort((a, b) => a.total - b.total)
}

/** A fingering as a value, with its cost term by term. */
export function fingeringFrom(presses: readonly Press[], frets: Frets, neck: Neck, profile: HandProfile): Fingering {
  const fingers: (Finger | null)[] = frets.map(() => null)
  const barres: Barre[] = []
  for (const { finger, fret, from, to } of presses) {
    for (let string = from; string <= to; string++) if (frets[string] === fret) fingers[string] = finger
    if (from !== to) barres.push({ finger, fret, from, to })
  }
  const cost = costOf(presses, frets, neck, profile)
  return { fingers, barres, cost, total: Object.values(cost).reduce((sum: number, term: number) => sum + term, 0) }
}

const numberOf = (finger: Finger): number => (finger === 'T' ? 0 : finger)

function costOf(presses: readonly Press[], frets: Frets, neck: Neck, profile: HandProfile): FingeringCost {
  const tip = ({ fret }: Press) => fingertipMm(neck.scaleLengthMm, fret)
  const besideOpen = frets.includes(0)
  const dealt = presses.filter((press) => press.finger !== 'T')
  let spread = 0
  let apart = 0
  let barre = 0
  let fingers = dealt.length === 4 ? FULL_HAND_COST : 0
  const [first] = dealt
  if (first)
    fingers += idleIndexCost(isClosed(besideOpen, lowestPressed(frets), highestPressed(frets)), numberOf(first.finger))
  let turned = 0
  for (const [index, press] of dealt.entries()) {
    const next = dealt[index + 1]
    if (next) {
      spread += spreadCost(next.fret - press.fret, numberOf(next.finger) - numberOf(press.finger))
      fingers += mixedCost(
        next.fret - press.fret,
        press.to === next.from - 1,
        press.from !== press.to,
        next.from !== next.to,
      )
      apart += apartCost(tip(next) - tip(press), pairEaseMm(profile, press.finger, next.finger))
    }
    if (dealt[index + 2]?.fret === press.fret) fingers += THREE_IN_A_FRET_COST
    for (const later of dealt.slice(index + 1)) if (later.from < press.from) turned += TURNED_COST
  }
  for (const press of presses) {
    const finger = numberOf(press.finger)
    fingers += fingerCost(finger) + sentUpCost(besideOpen, press.fret, finger)
    barre += barreCost(frets, finger, press.from, press.to)
  }
  const tips = presses.map(tip)
  const reach = tips.length === 0 ? 0 : Math.max(...tips) - Math.min(...tips)
  return {
    spread,
    stretch: apart + stretchCost(reach, profile.comfortableMm),
    barre,
    fingers,
    turned,
    crowding: CROWDED_FRET_COST * crowdedFrets(dealt, neck),
  }
}
