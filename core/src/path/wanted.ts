/** What a player asks of a chord's shape by moving one of its voices, or all of it, to another place. */
import type { Fret } from '../neck/index.ts'
import type { Midi } from '../pitch/index.ts'
import { lowestPressed } from '../voicing/index.ts'
import type { PathShape } from './types.ts'

export type WantedShape =
  /** A tone as one of its voices, counted from the lowest, 0 first. */
  | { readonly kind: 'tone'; readonly voice: number; readonly midi: Midi }
  /** Its lowest pressed fret, or the nearest to it that is none of `not`. */
  | { readonly kind: 'place'; readonly fret: Fret; readonly not: Fret }

/** Frets beside a place that will do. */
const NEAR = 4

type Sounding = Pick<PathShape, 'frets' | 'midis'>

/** Tests for a shape, the best first: one is taken where none of those before it finds any. */
export function wantedTests(wanted: WantedShape): readonly ((shape: Sounding) => boolean)[] {
  if (wanted.kind === 'tone')
    return [({ midis }) => midis.flatMap((midi) => midi ?? []).toSorted((a, b) => a - b)[wanted.voice] === wanted.midi]
  const { fret, not } = wanted
  return Array.from({ length: NEAR + 1 }, (_, by) => ({ frets }: Sounding) => {
    const lowest = lowestPressed(frets)
    // Beyond where it comes from it would have been dragged the other way.
    return Math.abs(lowest - fret) === by && Math.sign(lowest - not) === Math.sign(fret - not)
  })
}
