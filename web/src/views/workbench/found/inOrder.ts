/** Other orders of what was found than that in which players take it. */
import { centreOf, type Frets } from '@nestling/core/voicing'
import type { Settings } from '../../../contracts/settings.ts'
import type { FoundShape } from './shapes.ts'

export type FoundOrder = Settings['foundBy']

/**
 * Shapes of one rank stay in the order in which they were found; what no hand holds comes last.
 * @param inHand What is nearest is told from it; from the nut where nothing is in hand.
 */
export function inOrder(
  shapes: readonly FoundShape[],
  order: FoundOrder,
  inHand: Frets | undefined,
): readonly FoundShape[] {
  if (order === 'taste') return shapes
  const here = inHand?.some((fret) => fret !== null) ? centreOf(inHand) : 0
  const rank: Readonly<Record<Exclude<FoundOrder, 'taste'>, (shape: FoundShape) => number>> = {
    nearest: ({ frets }) => Math.abs(centreOf(frets) - here),
    stretch: ({ reachMm }) => reachMm,
    place: ({ frets }) => centreOf(frets),
  }
  const of = rank[order]
  return shapes.toSorted((a, b) => Number(b.playable) - Number(a.playable) || of(a) - of(b))
}
