/**
 * Which catalogue chords a set of tones can be, looked up instead of searched: for every set of pitch classes above a
 * root (12 bits) the formulas that it completes, or completes but for tones that may be left out.
 */
import { CATALOGUE, type CatalogueEntry, type Formula, omittableDegrees } from '../chord/index.ts'
import { degreePitchClass } from '../pitch/index.ts'

export interface Reading {
  readonly entry: CatalogueEntry
  readonly omitted: Formula
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

function buildTable(): readonly (readonly Reading[])[] {
  const readings: Reading[][] = Array.from({ length: 4096 }, () => [])
  for (const entry of CATALOGUE) {
    const omittable = omittableDegrees(entry.formula)
    for (let chosen = 0; chosen < 1 << omittable.length; chosen++) {
      const omitted = omittable.filter((_, index) => (chosen >> index) & 1)
      const left = entry.formula.length - omitted.length
      if (left < (omitted.includes('R') ? LEAST_ROOTLESS : LEAST)) continue
      const mask = omitted.reduce((rest, degree) => rest & ~(1 << degreePitchClass(degree)), entry.mask)
      readings[mask]?.push({ entry, omitted })
    }
  }
  return readings
}
