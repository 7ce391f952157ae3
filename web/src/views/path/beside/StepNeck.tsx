/** The chosen chord on the neck, with ghosts of the shape before it and the way of each finger that slides. */
import { stringNumber } from '@nestling/core/neck'
import type { PathShape } from '@nestling/core/path'
import { Egg } from '../../../neck/Egg.tsx'
import { degreeSign } from '../../../words/degrees.ts'
import classes from './Beside.module.css'

export interface StepNeckProps {
  readonly shape: PathShape
  readonly before: PathShape | undefined
  readonly lowOnTop: boolean
  readonly leftHanded: boolean
}

const WIDTH = 316
const LEFT = 26
const ROW = 15
const TOP = 12

export function StepNeck({ shape, before, lowOnTop, leftHanded }: StepNeckProps) {
  const { frets, degrees, fingering } = shape
  const strings = frets.length
  const pressed = [...frets, ...(before?.frets ?? [])].flatMap((fret) => (fret ? [fret] : []))
  const from = Math.max(1, Math.min(...(pressed.length > 0 ? pressed : [1])) - 1)
  const to = Math.max(from + 4, ...pressed)
  const each = (WIDTH - LEFT - 4) / (to - from + 1)
  const height = TOP * 2 + (strings - 1) * ROW + 14
  const flip = (x: number) => (leftHanded ? WIDTH - x : x)
  const x = (fret: number) => flip(fret === 0 ? LEFT - 13 : LEFT + (fret - from + 0.5) * each)
  const y = (string: number) => TOP + (lowOnTop ? string : strings - 1 - string) * ROW
  const window = Array.from({ length: to - from + 1 }, (_, index) => from + index)
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className={classes['neck']} aria-hidden="true">
      {window.map((fret) => (
        <path
          key={fret}
          d={`M${flip(LEFT + (fret - from + 1) * each)} ${TOP - 6}V${TOP + (strings - 1) * ROW + 6}`}
          className={classes['fret']}
        />
      ))}
      <path
        d={`M${flip(LEFT)} ${TOP - 6}V${TOP + (strings - 1) * ROW + 6}`}
        className={classes['fret']}
        data-nut={from === 1 || undefined}
      />
      {frets.map((fret, string) => (
        <path
          key={stringNumber(string, strings)}
          d={`M${flip(LEFT)} ${y(string)}H${flip(WIDTH - 4)}`}
          className={classes['string']}
          data-silent={fret === null || undefined}
        />
      ))}
      {before?.frets.map((fret, string) => {
        const now = frets[string] ?? null
        if (fret === null || fret === now) return null
        const slides =
          now !== null &&
          fingering.fingers[string] !== null &&
          fingering.fingers[string] === before.fingering.fingers[string]
        return (
          <g key={stringNumber(string, strings)}>
            <ellipse cx={x(fret)} cy={y(string)} rx={9} ry={6.6} className={classes['ghost']} />
            {slides && (
              <path
                d={`M${x(fret)} ${y(string)}Q${(x(fret) + x(now)) / 2} ${y(string) - 12} ${x(now)} ${y(string) - 7}`}
                className={classes['arc']}
              />
            )}
          </g>
        )
      })}
      {frets.map((fret, string) => {
        const degree = degrees[string]
        const finger = fingering.fingers[string]
        if (fret === null || !degree) return null
        return (
          <g key={stringNumber(string, strings)}>
            <Egg x={x(fret)} y={y(string)} size={11} degree={degree} label={degreeSign(degree)} />
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
      {window.map((fret) => (
        <text key={fret} x={x(fret)} y={height - 3} className={classes['number']}>
          {fret}
        </text>
      ))}
    </svg>
  )
}
