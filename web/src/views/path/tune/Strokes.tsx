/** The right hand's strokes on their true beats: the thumb as an egg, fingers as dots, arrows across. */
import { readPattern, type Stroke, writeStroke } from '@nestling/core/time'
import { memo } from 'react'
import type { PathState } from '../usePath.ts'
import type { TuneBar, TuneLayout } from './layout.ts'
import classes from './Tune.module.css'

export interface StrokesProps {
  readonly state: PathState
  readonly layout: TuneLayout
  readonly bars: readonly TuneBar[]
  readonly y: number
}

export const Strokes = memo(function Strokes({ state, layout, bars, y }: StrokesProps) {
  const { played, plan } = state.answer
  const read = readPattern(plan.pattern)
  if (!read.ok) return null
  return (
    <g className={classes['strokes']}>
      {bars.map(({ bar }) => {
        const one = played.bars[bar]
        if (!one) return null
        const places: { readonly at: number; readonly stroke: Stroke }[] = []
        for (let at = 0, next = 0; at < one.beats - 1e-9; next++) {
          const { stroke, beats } = read.value[next % read.value.length] as (typeof read.value)[0]
          places.push({ at, stroke })
          at += beats
        }
        return (
          <g key={bar}>
            {places.map(({ at, stroke }) => (
              <Sign key={at} stroke={stroke} x={layout.xAt(one.at + at) + 8} y={y} />
            ))}
          </g>
        )
      })}
    </g>
  )
})

function Sign({ stroke, x, y }: { readonly stroke: Stroke; readonly x: number; readonly y: number }) {
  const thumb =
    stroke.kind === 'bass' || stroke.kind === 'all' || (stroke.kind === 'fingers' && stroke.fingers.includes('p'))
  const dots =
    stroke.kind === 'chord' || stroke.kind === 'all'
      ? 3
      : stroke.kind === 'fingers'
        ? stroke.fingers.filter((finger) => finger !== 'p').length
        : 0
  return (
    <g>
      <title>{writeStroke(stroke)}</title>
      {stroke.kind === 'rest' && <path d={`M${x} ${y + 14}v3`} />}
      {stroke.kind === 'across' && (
        <text x={x} y={y + 17}>
          {writeStroke(stroke)}
        </text>
      )}
      {Array.from({ length: dots }, (_, dot) => (
        <circle key={dot} cx={x} cy={y + 3 + dot * 5} r={1.9} />
      ))}
      {thumb && <ellipse cx={x} cy={y + 20} rx={4} ry={2.8} />}
    </g>
  )
}
