/** A lane dragged along the neck by any of its shapes: where it would begin, and where it begins when it is let go. */
import { LANE_FRETS, type Lane } from '@nestling/core/lane'
import { type PointerEvent, type RefObject, useRef, useState } from 'react'
import type { StairLayout } from './stairs.ts'

/** A press that wanders less is a click. */
const CLICK_PX = 8

/** The lowest fret on which a leading tone of the lane stands. */
export const lowestLead = ({ steps }: Lane): number =>
  Math.min(LANE_FRETS, ...steps.flatMap(({ shape, string }) => shape?.frets[string] ?? []))

export function useLaneDrag(
  lane: Lane,
  layout: StairLayout,
  box: RefObject<SVGSVGElement | null>,
  begin: (from: number) => void,
) {
  const down = useRef<{ readonly x: number; readonly fret: number } | undefined>(undefined)
  const dragged = useRef(false)
  const [start, setStart] = useState<number | undefined>(undefined)
  const fretAt = (clientX: number): number => {
    const { left, width } = (box.current as SVGSVGElement).getBoundingClientRect()
    const x = ((clientX - left) * layout.width) / width
    let nearest = 0
    for (let fret = 1; fret <= layout.lastFret; fret++)
      if (Math.abs(layout.tipX(fret) - x) < Math.abs(layout.tipX(nearest) - x)) nearest = fret
    return nearest
  }
  const end = () => {
    down.current = undefined
    setStart(undefined)
  }
  return {
    start,
    /** The click that follows a drag chooses nothing. */
    wasDragged: () => dragged.current,
    handlers: {
      onPointerDown: ({ clientX, button }: PointerEvent) => {
        dragged.current = false
        if (button === 0) down.current = { x: clientX, fret: fretAt(clientX) }
      },
      onPointerMove: ({ clientX, pointerId }: PointerEvent) => {
        const from = down.current
        if (!from || (!dragged.current && Math.abs(clientX - from.x) < CLICK_PX)) return
        if (!dragged.current) box.current?.setPointerCapture(pointerId)
        dragged.current = true
        setStart(Math.min(LANE_FRETS, Math.max(1, lowestLead(lane) + fretAt(clientX) - from.fret)))
      },
      onPointerUp: () => {
        if (dragged.current && start !== undefined) begin(start)
        end()
      },
      onPointerCancel: () => {
        dragged.current = true
        end()
      },
    },
  }
}
