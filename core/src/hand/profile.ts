import { type Fret, fingertipMm, type Neck } from '../neck/index.ts'
import { type Frets, highestPressed, lowestPressed } from '../voicing/index.ts'
import type { Finger, HandProfile, ReachVerdict } from './types.ts'

/** Index to little finger comfortable to 100 mm, at a stretch 118 mm; neighbours 50, 38 and 42 mm. */
export const MEDIUM_HAND: HandProfile = { name: 'medium', comfortableMm: 100, stretchMm: 118, pairsMm: [50, 38, 42] }

/** The same hand, larger or smaller: every limit by one factor. */
export const scaledHand = (factor: number, name: string): HandProfile => ({
  name,
  comfortableMm: MEDIUM_HAND.comfortableMm * factor,
  stretchMm: MEDIUM_HAND.stretchMm * factor,
  pairsMm: [MEDIUM_HAND.pairsMm[0] * factor, MEDIUM_HAND.pairsMm[1] * factor, MEDIUM_HAND.pairsMm[2] * factor],
})

/**
 * A profile from the widest spans that a player holds at ease, index to little finger, at two places on the neck.
 * @param widest Lowest and highest fret of each; the mean of both reaches becomes the comfortable one.
 */
export function calibratedHand(
  neck: Neck,
  widest: readonly { readonly low: number; readonly high: number }[],
): HandProfile {
  if (widest.length === 0) return MEDIUM_HAND
  const mean = widest.reduce((sum, { low, high }) => sum + reachBetweenMm(neck, low, high), 0) / widest.length
  // Below half and above one and a half of a medium hand the answer was a slip, not a hand.
  const factor = Math.min(1.5, Math.max(0.5, mean / MEDIUM_HAND.comfortableMm))
  return scaledHand(factor, 'measured')
}

/** Along the neck between two fingertips, in mm; both frets pressed. */
export const reachBetweenMm = (neck: Neck, low: Fret, high: Fret): number =>
  fingertipMm(neck.scaleLengthMm, high) - fingertipMm(neck.scaleLengthMm, low)

/**
 * How far a shape makes the hand reach: along the neck, between its lowest and highest pressed fingertips, in mm.
 * Open and silent strings ask nothing; 0 when at most one fret is pressed. Across the strings the fingers fold
 * rather than spread, so only the way along the neck counts.
 */
export function reachMm(neck: Neck, frets: Frets): number {
  const lowest = lowestPressed(frets)
  return lowest === 0 ? 0 : reachBetweenMm(neck, lowest, highestPressed(frets))
}

export function reachVerdict(profile: HandProfile, mm: number): ReachVerdict {
  if (mm <= profile.comfortableMm) return 'comfortable'
  return mm <= profile.stretchMm ? 'stretch' : 'beyond'
}

/** What lies easily between two fingers, in mm. The thumb counts as index. */
export function pairEaseMm(profile: HandProfile, a: Finger, b: Finger): number {
  const low = Math.min(numberOf(a), numberOf(b))
  const high = Math.max(numberOf(a), numberOf(b))
  let sum = 0
  for (let finger = low; finger < high; finger++) sum += profile.pairsMm[finger - 1] as number
  return sum
}

const numberOf = (finger: Finger): number => (finger === 'T' ? 1 : finger)
