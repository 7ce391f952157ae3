/** Many small eggs as few paths, one for each weight: a sheet of hundreds is laid out and painted in a frame. */
import { type ToneWeight, toneWeight } from '@nestling/core/pitch'
import { memo } from 'react'
import { labelSize } from './Egg.tsx'
import { eggPath } from './eggPath.ts'
import type { EggLabel, EggTone } from './labels.ts'
import classes from './neck.module.css'

export interface ManyEgg extends EggTone {
  readonly x: number
  readonly y: number
  /** Moved against what was before: ringed. */
  readonly moved?: boolean
}

export interface ManyEggsProps {
  readonly eggs: readonly ManyEgg[]
  /** Half an egg's length. */
  readonly size: number
  readonly kind?: 'sounding' | 'stone' | 'ghost'
  /** Empty for none. */
  readonly labelOf?: EggLabel | undefined
}

const RING = 2.4

export const ManyEggs = memo(function ManyEggs({ eggs, size, kind = 'sounding', labelOf }: ManyEggsProps) {
  const byWeight = new Map<ToneWeight, ManyEgg[]>()
  for (const egg of eggs) {
    const weight = toneWeight(egg.degree)
    byWeight.set(weight, [...(byWeight.get(weight) ?? []), egg])
  }
  const paths = (of: readonly ManyEgg[], ring = 0) => of.map((egg) => eggPath(egg, size, ring)).join('')
  return [...byWeight].map(([weight, these]) => {
    const moved = these.filter((egg) => egg.moved)
    const labels = labelOf ? these.map((egg) => ({ x: egg.x, y: egg.y + size * 0.3, label: labelOf(egg) })) : []
    return (
      <g key={weight} className={classes['egg']} data-weight={weight} data-kind={kind}>
        {moved.length > 0 && <path d={paths(moved, RING)} className={classes['halo']} />}
        <path d={paths(these)} className={classes['body']} />
        {labels.length > 0 && (
          // biome-ignore lint/a11y/noAriaHiddenOnFocusable: letters, nothing in them takes the focus
          <text className={classes['label']} aria-hidden="true">
            {labels.map(({ x, y, label }, index) => (
              <tspan key={index} x={x} y={y} fontSize={labelSize(label, size)}>
                {label}
              </tspan>
            ))}
          </text>
        )}
      </g>
    )
  })
})
