import { useRef } from 'react'

/** A value as it was when one of its parts last changed: what is drawn stays of one answer until another one is there. */
export function useAsOf<T>(value: T, parts: readonly unknown[]): T {
  const held = useRef({ value, parts })
  if (parts.some((part, index) => part !== held.current.parts[index])) held.current = { value, parts }
  return held.current.value
}
