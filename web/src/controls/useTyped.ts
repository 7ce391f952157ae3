/** Text that is typed into a field of something kept: it is taken when typing pauses, not only when the field is left. */
import { useCallback, useEffect, useRef, useState } from 'react'

const PAUSE_MS = 400

const typing = new Set<() => void>()
/** All that is being typed is taken now: whoever leaves the page within the pause calls it before sending the last state. */
export function takeTyped(): void {
  for (const take of typing) take()
}

export interface Typing {
  /** What stands in the field. */
  readonly text: string
  readonly type: (text: string) => void
  /** The field is left: what stands in it is taken now. */
  readonly finish: () => void
  /** What was typed since it was last taken is let go. */
  readonly letGo: () => void
}

/**
 * @param value As it is kept.
 * @param take Given what was typed, if it is another value.
 * @param fits What does not fit stays in the field and is not taken.
 */
export function useTyped(
  value: string,
  take: (text: string) => void,
  fits: (text: string) => boolean = always,
): Typing {
  const [text, setText] = useState<string | undefined>(undefined)
  const waiting = useRef<{ readonly text: string; readonly timer: ReturnType<typeof setTimeout> } | undefined>(
    undefined,
  )
  const newest = useRef({ value, take, fits })
  useEffect(() => {
    newest.current = { value, take, fits }
  })
  const flush = useCallback(() => {
    const left = waiting.current
    waiting.current = undefined
    if (left === undefined) return
    clearTimeout(left.timer)
    const { value: before, take: takeIt, fits: does } = newest.current
    if (left.text !== before && does(left.text)) takeIt(left.text)
  }, [])
  const letGo = useCallback(() => {
    clearTimeout(waiting.current?.timer)
    waiting.current = undefined
    setText(undefined)
  }, [])
  useEffect(() => {
    typing.add(flush)
    return () => {
      typing.delete(flush)
      flush()
    }
  }, [flush])
  return {
    text: text ?? value,
    type: (next) => {
      setText(next)
      clearTimeout(waiting.current?.timer)
      waiting.current = { text: next, timer: setTimeout(flush, PAUSE_MS) }
    },
    finish: () => {
      flush()
      setText(undefined)
    },
    letGo,
  }
}
const always = (): boolean => true
