/**
 * Where frets, strings and fingertips lie, in mm.
 * Source: equal temperament halves a string every 12 frets, so fret n lies L·(1 − 2^(−n/12)) from the nut.
 */
import type { Neck } from './types.ts'

/** How far behind its wire a fingertip sits, as a share of the fret space. */
export const FINGERTIP_BEHIND_WIRE = 0.3

const shareAt = (fret: number): number => 1 - 2 ** (-fret / 12)
/** Of the scale length, by whole fret: ranking asks for it some hundred thousand times. */
const SHARES = Float64Array.from({ length: 64 }, (_, fret) => shareAt(fret))

/** Distance of a fret from the nut. `fret` may be 0 (the nut itself). */
export const fretDistanceMm = (scaleLengthMm: number, fret: number): number =>
  scaleLengthMm * (SHARES[fret] ?? shareAt(fret))

/** Length of the space behind a fret wire. */
export const fretSpaceMm = (scaleLengthMm: number, fret: number): number =>
  fretDistanceMm(scaleLengthMm, fret) - fretDistanceMm(scaleLengthMm, fret - 1)

/** Distance of the fingertip that stops a fret from the nut: 0.3 of the space behind the wire. Fret 0 is the nut. */
export const fingertipMm = (scaleLengthMm: number, fret: number): number =>
  fret === 0 ? 0 : fretDistanceMm(scaleLengthMm, fret) - FINGERTIP_BEHIND_WIRE * fretSpaceMm(scaleLengthMm, fret)

/** Distance between neighbouring strings at a fingertip. Strings spread evenly from nut to bridge. */
export const stringSpacingMm = (neck: Neck, fret: number): number =>
  neck.spacingNutMm +
  ((neck.spacingBridgeMm - neck.spacingNutMm) * fingertipMm(neck.scaleLengthMm, fret)) / neck.scaleLengthMm
