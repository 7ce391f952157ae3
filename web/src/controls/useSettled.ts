import { startTransition, useEffect, useState } from 'react'

/** A value as it was when it last stood still for a moment: for what may come after the shapes and the neck. */
export function useSettled<T>(value: T, ms = 70): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    if (settled === value) return undefined
    const timer = setTimeout(() => startTransition(() => setSettled(() => value)), ms)
    return () => clearTimeout(timer)
  }, [value, settled, ms])
  return settled
}
