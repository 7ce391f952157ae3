/** How much of a long tune one question may take: as many chords, from the first on, as the clock allows. */
import type { Candidates } from './candidates.ts'

/** What ended a path before the tune's end. */
export type PathCut = 'time'

export interface WithinTime {
  readonly candidates: readonly Candidates[]
  readonly cut: PathCut | undefined
}

/**
 * @param count How many chords there are. The first is always within.
 * @param isOver Asked after each chord whose shapes were searched. The clock comes from outside.
 */
export function withinTime(
  count: number,
  candidatesOf: (index: number) => Candidates,
  isOver: (() => boolean) | undefined,
): WithinTime {
  const candidates: Candidates[] = []
  for (let index = 0; index < count; index++) {
    candidates.push(candidatesOf(index))
    if (index + 1 < count && isOver?.()) return { candidates, cut: 'time' }
  }
  return { candidates, cut: undefined }
}
