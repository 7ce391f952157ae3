/** How much of a long tune one question may take: as many chords, from the first on, as are within the budget. */
import type { Candidates } from './candidates.ts'
import type { PathShape } from './types.ts'

export interface PathBudget {
  /** From candidate to candidate; those between two chords that are met for the first time count more. */
  readonly steps: number
  /** Asked after each chord whose shapes were searched. The clock comes from outside. */
  readonly isOver?: (() => boolean) | undefined
}
/** What ended a path before the tune's end. */
export type PathCut = 'steps' | 'time'

/** To weigh a step takes as long as to add it up so many times, by measurement. */
const WEIGHED = 2.5

export interface WithinBudget {
  readonly candidates: readonly Candidates[]
  readonly cut: PathCut | undefined
}

/** @param count How many chords there are. The first is always within. */
export function withinBudget(
  count: number,
  candidatesOf: (index: number) => Candidates,
  { steps, isOver }: PathBudget,
): WithinBudget {
  const candidates: Candidates[] = []
  const met = new Map<readonly PathShape[], Set<readonly PathShape[]>>()
  let spent = 0
  for (let index = 0; index < count; index++) {
    const next = candidatesOf(index)
    const before = candidates.at(-1)
    if (before) {
      const after = met.get(before.shapes) ?? new Set()
      met.set(before.shapes, after)
      const pairs = Math.max(1, before.shapes.length) * Math.max(1, next.shapes.length)
      spent += after.has(next.shapes) ? pairs : pairs * (1 + WEIGHED)
      after.add(next.shapes)
      if (spent > steps) return { candidates, cut: 'steps' }
    }
    candidates.push(next)
    if (index + 1 < count && isOver?.()) return { candidates, cut: 'time' }
  }
  return { candidates, cut: undefined }
}
