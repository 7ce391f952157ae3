/** One score for a shape, lower is better: what a player would take first. Its parts add up to it, and each has its words. */
import type { Chord } from '../chord/index.ts'
import type { HandProfile } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import type { Frets } from '../voicing/index.ts'
import { featureReader } from './features.ts'
import { TASTE_TERMS, type TasteContext, type TastePart, type TasteTerm } from './types.ts'
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
  /** Both; what no hand holds comes after everything that one does. */
  readonly total: (frets: Int8Array, from: number, held: Held | undefined) => number
  /** What each fret up the neck weighs: without that shapes are compared as grips. */
  readonly perFret: number
  readonly tasteOf: (frets: Frets, held: Held) => Taste
}

const NOT_HELD = 1000

/** Gives the taste of one shape after another of the same chord on the same neck, for the same player. */
export function tasteReader(chord: Chord, neck: Neck, hand: HandProfile, asked: TasteContext): TasteReader {
  const manner = asked.manner === 'blues' && asked.open !== 'never' ? 'open' : asked.manner
  const weigh = (term: TasteTerm) => weightOf(term, manner, asked.ensemble)
  const weights = TASTE_TERMS.map(weigh)
  const read = featureReader(chord, neck, hand, { ...asked, manner })
  const [easy, stretch] = [weigh('easy'), weigh('stretch')]
  const ofHand = ({ effort, isCrowded }: Held): number => easy * effort + (isCrowded ? stretch : 0)
  const withoutHand = (frets: Int8Array, from: number): number => {
    const features = read(frets, from)
    let total = 0
    for (let term = 0; term < weights.length; term++) total += (weights[term] as number) * (features[term] as number)
    return total
  }
  return {
    withoutHand,
    ofHand,
    total: (frets, from, held) => withoutHand(frets, from) + (held ? ofHand(held) : NOT_HELD),
    perFret: weigh('upTheNeck'),
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
