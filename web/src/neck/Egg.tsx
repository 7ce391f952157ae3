import { type Degree, toneWeight } from '@nestling/core/pitch'
import { memo } from 'react'
import { eggPath } from './eggPath.ts'
import classes from './neck.module.css'

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

/** Below this size an egg has no room for a second rim, and its label needs all there is. */
const SMALL = 12
/** How far the ring of a moved tone stands out, and the second rim of an extension in. */
const [HALO, INNER] = [4.5, 3.5]
/** Smaller letters can't be read from a music stand. */
const LEAST_TEXT = 10

/** Of a label in an egg of half length `size`: as large as there is room. */
export const labelSize = (label: string, size: number): number =>
  Math.max(LEAST_TEXT, Math.min(size * (size > SMALL ? 0.82 : 0.95), (size * 2.76) / Math.max(1.6, [...label].length)))

/** A tone: a small tilted oval whose filling tells how much it matters. */
export const Egg = memo(function Egg({ x, y, degree, label, size = 18.5, kind = 'sounding', moved = false }: EggProps) {
  const weight = toneWeight(degree)
  const at = { x, y }
  // Small necks come in hundreds: what is nothing but an oval is one element.
  const isPlain = kind === 'sounding' && !moved && size <= SMALL && !label
  if (isPlain) return <path d={eggPath(at, size)} className={classes['body']} data-weight={weight} />
  return (
    <g className={classes['egg']} data-weight={weight} data-kind={kind}>
      {moved && <path d={eggPath(at, size, HALO)} className={classes['halo']} />}
      <path d={eggPath(at, size)} className={classes['body']} />
      {weight === 'extension' && kind === 'sounding' && size > SMALL && (
        <path d={eggPath(at, size, -INNER)} className={classes['innerRim']} />
      )}
      {label !== undefined && label !== '' && <Label label={label} x={x} y={y + size * 0.28} egg={size} />}
    </g>
  )
})

interface LabelProps {
  readonly label: string
  readonly x: number
  readonly y: number
  /** Half the egg's length. */
  readonly egg: number
}

function Label({ label, x, y, egg }: LabelProps) {
  const size = labelSize(label, egg)
  return (
    // biome-ignore lint/a11y/noAriaHiddenOnFocusable: letters, nothing in them takes the focus
    <text x={x} y={y} fontSize={size} className={classes['label']} data-label={label} aria-hidden="true">
      {label}
    </text>
  )
}

/** Thirds are dotted, sevenths stroked: told apart without their hues. Once per page. */
export function EggPatterns() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <pattern id="speckle-third" width="5" height="5" patternUnits="userSpaceOnUse">
          <rect width="5" height="5" fill="var(--third-wash)" />
          <g fill="var(--third)" opacity="0.75">
            <circle cx="1.2" cy="1.2" r="0.8" />
            <circle cx="3.7" cy="3.7" r="0.8" />
          </g>
        </pattern>
        <pattern
          id="speckle-seventh"
          width="4.2"
          height="4.2"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(55)"
        >
          <rect width="4.2" height="4.2" fill="var(--seventh-wash)" />
          <path d="M0 1.2H4.2" stroke="var(--seventh)" strokeWidth="1" opacity="0.6" />
        </pattern>
      </defs>
    </svg>
  )
}
