/** Other keys by the capo: a lane on open strings is played alike from every fret, and sounds as many semitones higher. */
import { type Key, plainestKey } from '../key/index.ts'
import type { Fret, Neck } from '../neck/index.ts'
import { pitchClassOf } from '../pitch/index.ts'
import type { Lane } from './types.ts'

export interface CapoKey {
  /** Where the capo lies; 0 without one. */
  readonly fret: Fret
  readonly key: Key
  /** The lane runs past the frets that the hand comes to. */
  readonly isHigh: boolean
}

/** @param capo Where it lies now. @returns Frets 0 to 11, the present key among them as it is spelled. */
export function capoKeys(
  key: Key,
  capo: Fret,
  { highest }: Pick<Lane, 'highest'>,
  { lastFret }: Pick<Neck, 'lastFret'>,
): readonly CapoKey[] {
  return Array.from({ length: 12 }, (_, fret) => ({
    fret,
    key: fret === capo ? key : plainestKey((pitchClassOf(key.tonic) + fret - capo + 12) % 12, key.scale),
    isHigh: highest - capo + fret > lastFret,
  }))
}
