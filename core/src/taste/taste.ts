/** One score for a shape, lower is better: what a player would take first. Its parts add up to it, and each has its words. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
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

/** Of the best fingering: what it costs, and whether fingertips have no room side by side. */
export interface Held {
  readonly effort: number
  readonly isCrowded: boolean
}

export interface TasteReader {
  /**
   * What a shape costs whatever its fingering: the hand comes on top, and never takes off.
   * @param frets A string each from `from` on, −1 where it is silent.
   */
  readonly withoutHand: (frets: Int8Array, from: number) => number
  /** What the hand adds to it. */
  readonly ofHand: (held: Held) => number
  readonly tasteOf: (frets: Frets, held: Held) => Taste
}

/** Gives the taste of one shape after another of the same chord on the same neck, for the same player. */
export function tasteReader(chord: Chord, neck: Neck, hand: HandProfile, context: TasteContext): TasteReader {
  const weights = TASTE_TERMS.map((term) => weightOf(term, context.manner, context.ensemble))
  const read = featureReader(chord, neck, hand, context)
  const [easy, stretch] = [
    weightOf('easy', context.manner, context.ensemble),
    weightOf('stretch', context.manner, context.ensemble),
  ]
  return {
    withoutHand(frets, from) {
      const features = read(frets, from)
      let total = 0
      for (let term = 0; term < weights.length; term++) total += (weights[term] as number) * (features[term] as number)
      return total
    },
    ofHand: ({ effort, isCrowded }) => easy * effort + (isCrowded ? stretch : 0),
    tasteOf(frets, { effort, isCrowded }) {
      const features = read(compactFrets(frets), 0)
      const values = TASTE_TERMS.map((term, index): TastePart => {
        const hand = term === 'easy' ? effort : term === 'stretch' && isCrowded ? 1 : 0
        return { term, value: (weights[index] as number) * ((features[index] as number) + hand) }
      })
      return {
        total: values.reduce((total, { value }) => total + value, 0),
        parts: values.filter(({ value }) => value !== 0),
      }
    },
  }
}

/** As a search has it. */
export const compactFrets = (frets: Frets): Int8Array => Int8Array.from(frets, (fret) => fret ?? -1)
