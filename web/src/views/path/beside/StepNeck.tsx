/** The chosen chord on the neck, with ghosts of the shape before it and the way of each finger that slides. */
import { stringNumber } from '@nestling/core/neck'
import type { PathShape } from '@nestling/core/path'
import type { NoteName } from '@nestling/core/pitch'
import { HandNeck, type NeckFacing } from '../../../neck/HandNeck.tsx'
import { useEggLabels } from '../../../shell/useEggLabels.ts'
import classes from './Beside.module.css'

export interface StepNeckProps extends NeckFacing {
  readonly shape: PathShape
  readonly before: PathShape | undefined
  readonly root: NoteName | undefined
}

export function StepNeck({ shape, before, root, ...facing }: StepNeckProps) {
  const { frets, degrees, fingering } = shape
  const labelOf = useEggLabels(root)
  const pressed = [...frets, ...(before?.frets ?? [])].flatMap((fret) => (fret ? [fret] : []))
  const from = Math.max(1, Math.min(...(pressed.length > 0 ? pressed : [1])) - 1)
  return (
    <HandNeck
      {...facing}
      frets={frets}
      degrees={degrees}
      fingering={fingering}
      from={from}
      to={Math.max(from + 4, ...pressed)}
      labelOf={labelOf}
      under={({ x, y }) =>
        before?.frets.map((fret, string) => {
          const now = frets[string] ?? null
          if (fret === null || fret === now) return null
          const finger = fingering.fingers[string] ?? null
          const slides = now !== null && finger !== null && finger === before.fingering.fingers[string]
          return (
            <g key={stringNumber(string, frets.length)}>
              <ellipse cx={x(fret)} cy={y(string)} rx={9} ry={6.6} className={classes['ghost']} />
              {slides && (
                <path
                  d={`M${x(fret)} ${y(string)}Q${(x(fret) + x(now)) / 2} ${y(string) - 12} ${x(now)} ${y(string) - 7}`}
                  className={classes['arc']}
                />
              )}
            </g>
          )
        })
      }
    />
  )
}
