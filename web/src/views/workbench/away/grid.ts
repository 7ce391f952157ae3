/** The neck of names: for each sounding string, what the chord becomes when its tone moves by −3 … +3 semitones. */
import { FARTHEST_MOVE, type Neighbour, oneToneNeighbours } from '@nestling/core/near'
import type { Neck } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import type { Voicing } from '@nestling/core/voicing'

export interface NamedPlace {
  readonly by: number
  readonly neighbour: Neighbour
  /** The chord has another root than the one in hand. */
  readonly isOtherRoot: boolean
}

export interface NameRow {
  readonly string: number
  /** By how many semitones, −3 … +3 without 0; `undefined` where the place makes nothing with a name or can't be had. */
  readonly places: readonly { readonly by: number; readonly place: NamedPlace | undefined }[]
}

export const STEPS: readonly number[] = Array.from(
  { length: 2 * FARTHEST_MOVE + 1 },
  (_, index) => index - FARTHEST_MOVE,
)

/** @returns Rows from the lowest sounding string. */
export function nameGrid(voicing: Voicing, neck: Neck): readonly NameRow[] {
  const root = pitchClassOf(voicing.chord.root)
  const neighbours = oneToneNeighbours(voicing, neck)
  return voicing.frets.flatMap((fret, string): readonly NameRow[] => {
    if (fret === null) return []
    const places = STEPS.filter((by) => by !== 0).map((by) => {
      const neighbour = neighbours.find(({ moves: [move] }) => move?.string === string && move.by === by)
      const place = neighbour && {
        by,
        neighbour,
        isOtherRoot: pitchClassOf(neighbour.name.chord.root) !== root,
      }
      return { by, place }
    })
    return [{ string, places }]
  })
}
