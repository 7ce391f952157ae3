/**
 * Which catalogue chords a set of tones can be, looked up instead of searched: for every set of pitch classes above a
 * root (12 bits) the formulas that it completes, or completes but for tones that may be left out.
 */
import { CATALOGUE, type CatalogueEntry, type Formula, omittableDegrees } from '../chord/index.ts'
import { degreePitchClass } from '../pitch/index.ts'

export interface Reading {
  readonly entry: CatalogueEntry
  readonly omitted: Formula
  /** Nothing is missing that tells the chord: with its root in the bass it is as good as complete. */
  readonly told: boolean
}

/** Fewer tones than these tell no harmony when the root is missing too. */
const LEAST_ROOTLESS = 3
const LEAST = 2

let table: readonly (readonly Reading[])[] | undefined

/** Readings of a set of pitch classes, bit n being n semitones above the supposed root. Simplest formulas first. */
export function readingsOf(mask: number): readonly Reading[] {
  table ??= buildTable()
  return table[mask] as readonly Reading[]
}

/** What players leave out without a word: the perfect fifth; below a thirteenth, and in a minor eleventh, the 9th and 11th too. */
const isTold = (formula: Formula, omitted: Formula): boolean =>
  omitted.every((degree) => degree === '5' || degree === '9' || (degree === '11' && formula.includes('13')))

/** Minor sevenths and sixths whose fifth alone makes them half-diminished or diminished. */
const isDiminished = (formula: Formula): boolean =>
  formula.length === 4 &&
  formula.includes('b3') &&
  formula.includes('b5') &&
  (formula.includes('b7') || formula.includes('bb7'))

function buildTable(): readonly (readonly Reading[])[] {
  const readings: Reading[][] = Array.from({ length: 4096 }, () => [])
  for (const entry of CATALOGUE) {
    const omittable = omittableDegrees(entry.formula)
    for (let chosen = 0; chosen < 1 << omittable.length; chosen++) {
      const omitted = omittable.filter((_, index) => (chosen >> index) & 1)
      const left = entry.formula.length - omitted.length
      if (left < (omitted.includes('R') ? LEAST_ROOTLESS : LEAST)) continue
      const mask = omitted.reduce((rest, degree) => rest & ~(1 << degreePitchClass(degree)), entry.mask)
      readings[mask]?.push({ entry, omitted, told: isTold(entry.formula, omitted) })
    }
    // The tone that tells it from the minor chord isn't sounded: it may be either.
    if (isDiminished(entry.formula))
      readings[entry.mask & ~(1 << degreePitchClass('b5'))]?.push({ entry, omitted: ['b5'], told: false })
  }
  return readings
}
