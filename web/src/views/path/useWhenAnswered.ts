/** What is done with the path as a whole waits for the newest plan's: a key may come quicker than a path is found. */
import { useCallback, useEffect, useRef } from 'react'
import type { PathState } from './usePath.ts'

/** @param current The newest plan; the state that is drawn may be of one before. */
export function useWhenAnswered(state: Omit<PathState, 'whenAnswered'>, current: () => PathState['plan']): PathState {
  const newest = useRef<PathState>(undefined)
  const waiting = useRef<((answered: PathState) => void)[]>([])
  const isAnswered = useCallback(
    () => newest.current?.answer.plan === current() || newest.current?.stopped !== undefined,
    [current],
  )
  const whenAnswered = useCallback(
    () =>
      new Promise<PathState>((resolve) => {
        if (newest.current && isAnswered()) resolve(newest.current)
        else waiting.current.push(resolve)
      }),
    [isAnswered],
  )
  const now = { ...state, whenAnswered }
  newest.current = now
  useEffect(() => {
    if (isAnswered()) for (const go of waiting.current.splice(0)) go(now)
  })
  return now
}
