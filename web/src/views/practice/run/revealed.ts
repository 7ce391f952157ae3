/** How much of a shape is seen now. */
import type { Showing } from '../types.ts'

export type Revealed = 'all' | 'places' | 'root' | 'nothing'

export interface Moment {
  readonly shown: boolean
  readonly beat: number
  /** Beats of a root. */
  readonly each: number
  /** Before the run begins, nothing is a secret that would not be one in it. */
  readonly isRunning: boolean
}

export function revealed(showing: Showing, { shown, beat, each, isRunning }: Moment): Revealed {
  if (shown) return 'all'
  switch (showing) {
    case 'open':
      return 'all'
    case 'late':
      return isRunning && beat >= each / 2 ? 'all' : 'places'
    default:
      return showing
  }
}
