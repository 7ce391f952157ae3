/** The slow truth that `fingerLine` must equal: every place and every stand of the hand for every tone, all added up. */
import type { HandProfile } from '../hand/index.ts'
import type { Neck } from '../neck/index.ts'
import { type Held, heldCost, type LineLimits, stepCost, waysToHold } from './line.ts'
import type { ChordPlace } from './types.ts'

/** The costs of the cheapest line for every row of strings, cheapest first. */
export function everyLine(
  tones: readonly (readonly ChordPlace[])[],
  neck: Neck,
  hand: HandProfile,
  limits: LineLimits,
): readonly number[] {
  const costs = new Map<string, number>()
  const walk = (index: number, before: Held | undefined, cost: number, strings: string) => {
    const places = tones[index]
    if (places === undefined) {
      costs.set(strings, Math.min(cost, costs.get(strings) ?? Number.POSITIVE_INFINITY))
      return
    }
    for (const held of places.flatMap((place) => waysToHold(place, neck, limits))) {
      const step = before === undefined ? 0 : stepCost(before, held, limits)
      if (step === undefined) continue
      walk(index + 1, held, cost + step + heldCost(held, neck, hand), `${strings}${held.place.string},`)
    }
  }
  walk(0, undefined, 0, '')
  return [...costs.values()].sort((a, b) => a - b)
}
