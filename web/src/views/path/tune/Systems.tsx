/** The whole tune in systems of eight bars under one another: names, hand and shapes, without the voices. */

import { useMediaQuery } from '@mantine/hooks'
import { useStore } from '@nanostores/react'
import { memo, useEffect, useMemo, useRef } from 'react'
import { $mark } from '../look.ts'
import type { PathState } from '../usePath.ts'
import { Bars, Columns, Empty, HEAD } from './Columns.tsx'
import { Hand, handScale } from './Hand.tsx'
import { type TuneLayout, tuneLayout } from './layout.ts'
import classes from './Tune.module.css'

const BARS = 8
/** On a phone. */
const FEW_BARS = 2
const HAND = 118
const FEET = 22
const HEIGHT = HEAD + HAND + FEET
const GUTTER = 24

export const Systems = memo(function Systems({ state }: { readonly state: PathState }) {
  const { answer, neck } = state
  const { played, found, plan } = answer
  const mark = useStore($mark)
  const layout = useMemo(() => tuneLayout(played), [played])
  const frets = useMemo(() => handScale(found.shapes, neck, HEAD, HAND), [found, neck])
  const count = useMediaQuery('(max-width: 600px)') ? FEW_BARS : BARS
  const systems = useMemo(() => systemsOf(layout, count), [layout, count])
  const shownBar = played.chords[mark ?? plan.chosen]?.bar ?? 0
  const shown = useRef<SVGSVGElement>(null)
  useEffect(() => {
    if (shownBar >= 0) shown.current?.scrollIntoView({ block: 'nearest' })
  }, [shownBar])
  if (played.chords.length === 0) return <Empty />
  return (
    <div className={classes['systems']} data-testid="systems">
      {systems.map(({ x, width, bars, columns }, system) => (
        <svg
          key={x}
          ref={Math.floor(shownBar / count) === system ? shown : undefined}
          viewBox={`${x - GUTTER} 0 ${width + GUTTER + 4} ${HEIGHT}`}
          style={{ width: width + GUTTER + 4 }}
          role="group"
          aria-label={`Bars ${system * count + 1} to ${system * count + bars.length}`}
        >
          {frets.frets.map(({ fret, y }) => (
            <text key={fret} x={x - 6} y={y + 4} className={classes['mark']}>
              {fret}
            </text>
          ))}
          <Bars state={state} bars={bars} height={HEIGHT} />
          <Columns state={state} columns={columns} height={HEIGHT} noneY={HEAD + HAND / 2} />
          <g className={classes['drawn']}>
            <Hand state={state} columns={columns} scale={frets} footY={HEAD + HAND + 15} strings={neck.open.length} />
          </g>
        </svg>
      ))}
    </div>
  )
})

/** So many bars after another, each system with its own stretch of the tune. */
export function systemsOf({ bars, columns }: Pick<TuneLayout, 'bars' | 'columns'>, count: number) {
  return Array.from({ length: Math.ceil(bars.length / count) }, (_, system) => {
    const own = bars.slice(system * count, (system + 1) * count)
    const x = own[0]?.x ?? 0
    const last = own.at(-1)
    const width = last ? last.x + last.width - x : 0
    return { x, width, bars: own, columns: columns.filter((column) => column.x >= x && column.x < x + width) }
  })
}
