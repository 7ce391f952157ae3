/** One score for a shape, lower is better: what a player would take first. Its parts add up to it, and each has its words. */
import type { Chord } from '../chord/index.ts'
import type { Fingering, HandProfile } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import type { Frets } from '../voicing/index.ts'
import { featureReader } from './features.ts'
import { TASTE_TERMS, type TasteContext, type TastePart } from './types.ts'
import { weightOf } from './weights.ts'

export interface Taste {
  readonly total: number
  /** Those that are not nought; they add up to the total. */
  readonly parts: readonly TastePart[]
}

export interface TasteReader {
  readonly tasteOf: (frets: Frets, fingering: Fingering) => Taste
}

/** Gives the taste of one shape after another of the same chord on the same neck, for the same player. */
export function tasteReader(chord: Chord, neck: Neck, hand: HandProfile, context: TasteContext): TasteReader {
  const weights = TASTE_TERMS.map((term) => weightOf(term, context.manner, context.ensemble))
  const read = featureReader(chord, neck, hand, context)
  const valuesOf = (frets: Frets, { total, cost }: Fingering) => {
    const features = read(frets, total, cost.crowding > 0)
    return weights.map((weight, index) => weight * (features[index] ?? 0))
  }
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)
  return {
    tasteOf(frets, fingering) {
      const values = valuesOf(frets, fingering)
      const parts = TASTE_TERMS.map((term, index) => ({ term, value: values[index] ?? 0 }))
      return { total: sum(values), parts: parts.filter(({ value }) => value !== 0) }
    },
  }
}
