/** Which tone on which string: of all ways to lay root, third and fifth on chosen strings, the one with the most shapes. */

import type { HandProfile } from '../hand/index.ts'
import type { ScaleStep } from '../key/index.ts'
import type { Neck, StringIndex } from '../neck/index.ts'
import { requireAt } from '../result/index.ts'
import { byFit, fitOf } from './fits.ts'
import { laneOf } from './lane.ts'
import type { Lane, LaneAsk, LaneOptions, ToneNumber } from './types.ts'

const PAIRS: readonly (readonly ToneNumber[])[] = [
  [1, 3],
  [3, 1],
  [1, 5],
  [5, 1],
]
const TRIADS: readonly (readonly ToneNumber[])[] = [
  [1, 5, 3],
  [1, 3, 5],
  [3, 1, 5],
  [5, 1, 3],
  [3, 5, 1],
  [5, 3, 1],
]

/**
 * @param strings Two or three that are pressed, as indices. Of ways with as many shapes the first of the list: the root lowest.
 * @returns `undefined` for fewer than two strings; more than three use their lowest three.
 */
export function tonesOn(
  steps: readonly Pick<ScaleStep, 'step' | 'chord'>[],
  strings: readonly StringIndex[],
  ring: readonly StringIndex[],
  neck: Neck,
  profile: HandProfile,
  options: LaneOptions,
): Lane | undefined {
  const used = strings.toSorted((a, b) => a - b).slice(0, 3)
  if (used.length < 2) return undefined
  const lanes = (used.length === 2 ? PAIRS : TRIADS).map((order) => {
    const tones = order.map((number, index) => ({ number, string: requireAt(used, index) }))
    const ask: LaneAsk = { kind: 'tones', tones, ring }
    return laneOf(steps, ask, neck, profile, options)
  })
  return lanes.toSorted((a, b) => byFit(fitOf(a), fitOf(b)))[0]
}
