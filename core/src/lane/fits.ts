/** Which lane fits a key: of several, the one that does not fold and ends lowest. */
import type { HandProfile } from '../hand/index.ts'
import { chordScale, type Depth, type DepthSchool, type Key } from '../key/index.ts'
import type { Neck } from '../neck/index.ts'
import { laneOf } from './lane.ts'
import type { Lane, LaneAsk, LaneOptions } from './types.ts'

export interface LaneFit {
  readonly ask: LaneAsk
  readonly highest: number
  readonly folds: boolean
  /** Steps that have no shape. */
  readonly missing: number
}

export const fitOf = ({ ask, highest, folds, steps }: Lane): LaneFit => ({
  ask,
  highest,
  folds: folds.length > 0,
  missing: steps.filter(({ shape }) => shape === undefined).length,
})

/** Fewer missing steps first, then no fold, then the lower end. */
export const byFit = (a: LaneFit, b: LaneFit): number =>
  a.missing - b.missing || Number(a.folds) - Number(b.folds) || a.highest - b.highest

export function laneThatFits(
  key: Key,
  depth: Depth,
  school: DepthSchool,
  asks: readonly LaneAsk[],
  neck: Neck,
  profile: HandProfile,
  options: LaneOptions,
): LaneFit | undefined {
  const steps = chordScale(key, depth, school)
  return asks.map((ask) => fitOf(laneOf(steps, ask, neck, profile, options))).toSorted(byFit)[0]
}
