/** A handle of the drawing: pulled with a pointer, stepped by keys, said as a slider. */
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react'
import classes from './Drawing.module.css'
import type { Point } from './scale.ts'

export interface HandleProps {
  readonly label: string
  readonly value: number
  readonly least: number
  readonly most: number
  /** As it is read aloud: "635 millimetres". */
  readonly spoken: string
  readonly at: Point
  readonly moves: 'along' | 'across'
  readonly testId: string
  /** While it is pulled, in the units of the drawing. */
  readonly pull: (to: Point) => void
  readonly release: () => void
  /** The pull is taken back. */
  readonly cancel: () => void
  readonly step: (by: 1 | -1, large: boolean) => void
  readonly children: ReactNode
}

const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }

export function Handle(props: HandleProps) {
  const { label, value, least, most, spoken, at, moves, testId, pull, release, cancel, step, children } = props
  /** Where the pointer took hold, away from the handle's own point. */
  const off = useRef<Point | undefined>(undefined)
  const pointIn = (event: PointerEvent<SVGGElement>): Point => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse()
    const point = new DOMPoint(event.clientX, event.clientY)
    const { x, y } = matrix ? point.matrixTransform(matrix) : point
    return { x, y }
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuetext={spoken}
      aria-orientation={moves === 'along' ? 'horizontal' : 'vertical'}
      className={classes['handle']}
      data-moves={moves}
      data-drags
      data-testid={testId}
      onPointerDown={(event) => {
        if (event.button !== 0) return
        const { x, y } = pointIn(event)
        off.current = { x: x - at.x, y: y - at.y }
        event.currentTarget.setPointerCapture(event.pointerId)
        event.currentTarget.focus()
      }}
      onPointerMove={(event) => {
        if (!off.current) return
        const { x, y } = pointIn(event)
        pull({ x: x - off.current.x, y: y - off.current.y })
      }}
      onPointerUp={() => {
        if (off.current) release()
        off.current = undefined
      }}
      onPointerCancel={() => {
        if (off.current) cancel()
        off.current = undefined
      }}
      onKeyDown={(event: KeyboardEvent) => {
        const by = STEPS[event.key]
        if (event.key === 'Escape' && off.current) {
          off.current = undefined
          cancel()
        }
        if (by === undefined || event.ctrlKey || event.metaKey || event.altKey) return
        event.preventDefault()
        event.stopPropagation()
        step(by, event.shiftKey)
      }}
    >
      {children}
    </g>
  )
}
