/** States that were left behind and can be come back to. */
import { requireAt } from '@nestling/core/result'
export interface History<State> {
  /** The newest last. */
  readonly past: readonly State[]
  /** The next to be redone first. */
  readonly future: readonly State[]
}
export interface Moment<State> {
  readonly now: State
  readonly history: History<State>
}

export const NO_HISTORY: History<never> = { past: [], future: [] }
export const MOST_UNDO = 200

/** The history once `before` has been changed; what had been undone is gone. */
export const changedFrom = <State>({ past }: History<State>, before: State): History<State> => ({
  past: [...past, before].slice(-MOST_UNDO),
  future: [],
})

/** One step back, or `undefined` at the beginning. */
export function undone<State>({ now, history: { past, future } }: Moment<State>): Moment<State> | undefined {
  if (past.length === 0) return undefined
  return { now: past.at(-1) as State, history: { past: past.slice(0, -1), future: [now, ...future] } }
}

/** One step on again, or `undefined` when nothing is left to redo. */
export function redone<State>({ now, history: { past, future } }: Moment<State>): Moment<State> | undefined {
  if (future.length === 0) return undefined
  return { now: requireAt(future, 0), history: { past: [...past, now], future: future.slice(1) } }
}
