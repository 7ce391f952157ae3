import type { Degree } from '@nestling/core/pitch'
import { memo } from 'react'
import classes from './neck.module.css'
import { toneWeight } from './weight.ts'

export interface EggProps {
  readonly x: number
  readonly y: number
  readonly degree: Degree
  readonly label?: string
  /** Half the egg's length. */
  readonly size?: number
  /** `stone`: another inversion, small and quiet. `ghost`: the chord has it and nobody sounds it. */
  readonly kind?: 'sounding' | 'stone' | 'ghost'
  /** Moved against the shape in hand: ringed. */
  readonly moved?: boolean
}

/** A tone: a small tilted oval whose filling tells how much it matters. */
export const Egg = memo(function Egg({ x, y, degree, label, size = 18.5, kind = 'sounding', moved = false }: EggProps) {
  const weight = toneWeight(degree)
  const height = size * 0.75
  const shape = { cx: x, cy: y, transform: `rotate(-14 ${x} ${y})` }
  return (
    <g className={classes['egg']} data-weight={weight} data-kind={kind}>
      {moved && <ellipse {...shape} rx={size + 4.5} ry={height + 4.5} className={classes['halo']} />}
      <ellipse {...shape} rx={size} ry={height} className={classes['body']} />
      {weight === 'extension' && kind === 'sounding' && (
        <ellipse {...shape} rx={size - 3.6} ry={height - 3.4} className={classes['innerRim']} />
      )}
      {label !== undefined && label !== '' && (
        <text
          x={x}
          y={y + size * 0.28}
          fontSize={Math.min(size * 0.82, (size * 2.6) / Math.max(1.6, [...label].length))}
          className={classes['label']}
        >
          {label}
        </text>
      )}
    </g>
  )
})

/** The speckles of thirds and sevenths; once per page. */
export function EggPatterns() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        {(['third', 'seventh'] as const).map((weight) => (
          <pattern key={weight} id={`speckle-${weight}`} width="11" height="10" patternUnits="userSpaceOnUse">
            <rect width="11" height="10" fill={`var(--${weight}-wash)`} />
            <g fill={`var(--${weight})`} opacity="0.7">
              <circle cx="2.5" cy="2.5" r="1.15" />
              <circle cx="7.5" cy="5.6" r="0.8" />
              <circle cx="4" cy="8.2" r="0.65" />
            </g>
          </pattern>
        ))}
      </defs>
    </svg>
  )
}
