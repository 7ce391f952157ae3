/** Values that are drawn after what was asked for: each thing that stands beside it in a frame of its own. */
import { startTransition, useEffect, useLayoutEffect, useState } from 'react'
import { layOutSoon } from './layOutSoon.ts'

type Wait = (draw: () => void) => () => void

function useLater<T>(value: T, wait: Wait): T {
  const [drawn, setDrawn] = useState(value)
  useEffect(
    () => (drawn === value ? undefined : wait(() => startTransition(() => setDrawn(() => value)))),
    [value, drawn],
  )
  useLayoutEffect(layOutSoon, [drawn])
  return drawn
}

const frame: Wait = (draw) => {
  const asked = requestAnimationFrame(draw)
  return () => cancelAnimationFrame(asked)
}

/** A value drawn after the frame that first had it, one or two frames later. */
export const useFrameLater = <T>(value: T): T => useLater(value, frame)

/** A value as it was when it last stood still for a moment: for what may come after the shapes and the neck. */
export const useSettled = <T>(value: T, ms = 70): T =>
  useLater(value, (draw) => {
    const timer = setTimeout(draw, ms)
    return () => clearTimeout(timer)
  })
