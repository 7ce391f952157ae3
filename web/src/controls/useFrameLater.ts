import { startTransition, useEffect, useState } from 'react'

/** A value drawn after the frame that first had it, one or two frames later: for what stands beside the thing that was asked. */
export function useFrameLater<T>(value: T): T {
  const [drawn, setDrawn] = useState(value)
  useEffect(() => {
    if (drawn === value) return undefined
    const frame = requestAnimationFrame(() => startTransition(() => setDrawn(() => value)))
    return () => cancelAnimationFrame(frame)
  }, [value, drawn])
  return drawn
}
