/** A shape in its window of frets, as large as a panel: with fingers at its tones, and room for what a view lays under them. */
import type { Fingering } from '@nestling/core/hand'
import type { Degree } from '@nestling/core/pitch'
import type { ReactNode } from 'react'
import { Egg } from './Egg.tsx'
import classes from './HandNeck.module.css'
import type { EggLabel } from './labels.ts'

export interface NeckFacing {
  readonly lowOnTop: boolean
  readonly leftHanded: boolean
}

/** Where frets and strings lie in the window. */
export interface NeckWindow {
  readonly from: number
  readonly to: number
  /** Of the tone in a fret; an open string's lies before the nut. */
  readonly x: (fret: number) => number
  readonly y: (string: number) => number
}

export interface HandNeckProps extends NeckFacing {
  readonly frets: readonly (number | null)[]
  readonly degrees: readonly (Degree | null | undefined)[]
  readonly fingering: Fingering | undefined
  /** The first and the last fret in sight. */
  readonly from: number
  readonly to: number
  /** None for empty eggs. */
  readonly labelOf: EggLabel | undefined
  /** What lies on the strings under the shape. */
  readonly under?: ((window: NeckWindow) => ReactNode) | undefined
}

const WIDTH = 316
const LEFT = 26
const RIGHT = 4
const ROW = 15
const TOP = 12
/** Of a string whose degree is unknown only the place is told. */
const UNKNOWN: Degree = '9'

export function HandNeck({ frets, degrees, fingering, from, to, lowOnTop, leftHanded, labelOf, under }: HandNeckProps) {
  const strings = frets.length
  const each = (WIDTH - LEFT - RIGHT) / (to - from + 1)
  const bottom = TOP + (strings - 1) * ROW
  const height = bottom + TOP + 14
  const flip = (at: number) => (leftHanded ? WIDTH - at : at)
  const x = (fret: number) => flip(fret === 0 ? LEFT - 13 : LEFT + (fret - from + 0.5) * each)
  const y = (string: number) => TOP + (lowOnTop ? string : strings - 1 - string) * ROW
  const window = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  const lines = (of: (fret: number | null) => boolean) =>
    frets.map((fret, string) => (of(fret) ? `M${flip(LEFT)} ${y(string)}H${flip(WIDTH - RIGHT)}` : '')).join('')
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className={classes['neck']} aria-hidden="true">
      <path
        d={window.map((fret) => `M${flip(LEFT + (fret - from + 1) * each)} ${TOP - 6}V${bottom + 6}`).join('')}
        className={classes['fret']}
      />
      <path
        d={`M${flip(LEFT)} ${TOP - 6}V${bottom + 6}`}
        className={classes['fret']}
        data-nut={from === 1 || undefined}
      />
      <path d={lines((fret) => fret !== null)} className={classes['string']} />
      <path d={lines((fret) => fret === null)} className={classes['string']} data-silent />
      {under?.({ from, to, x, y })}
      {frets.map((fret, string) => {
        if (fret === null) return null
        const degree = degrees[string]
        const finger = fingering?.fingers[string]
        return (
          <g key={string}>
            <Egg
              x={x(fret)}
              y={y(string)}
              size={11.6}
              degree={degree ?? UNKNOWN}
              label={(degree && labelOf?.({ degree, finger, fret })) ?? ''}
            />
            {finger !== null && finger !== undefined && (
              <g className={classes['finger']}>
                <circle cx={x(fret) + 14} cy={y(string) + 5} r={6} />
                <text x={x(fret) + 14} y={y(string) + 8.5}>
                  {finger}
                </text>
              </g>
            )}
          </g>
        )
      })}
      <text y={height - 3} className={classes['number']}>
        {window.map((fret, index) => (
          <tspan key={index} x={x(fret)}>
            {fret}
          </tspan>
        ))}
      </text>
    </svg>
  )
}
