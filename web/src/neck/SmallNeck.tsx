/** A shape at a glance: five or more frets around it, the first one numbered, lowest string at the bottom. */
import type { Degree } from '@nestling/core/pitch'
import { Egg } from './Egg.tsx'
import classes from './neck.module.css'

export interface SmallNeckProps {
  readonly frets: readonly (number | null)[]
  readonly degrees: readonly (Degree | null)[]
  readonly width?: number
}

const LEFT = 16
const TOP = 7
const FRET_NUMBER_HEIGHT = 13

export function SmallNeck({ frets, degrees, width = 148 }: SmallNeckProps) {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const lowest = pressed.length === 0 ? 1 : Math.min(...pressed)
  const highest = pressed.length === 0 ? 1 : Math.max(...pressed)
  const first = highest <= 5 ? 1 : lowest
  const shown = Math.max(5, highest - first + 1)
  const row = frets.length <= 6 ? 9 : 52 / (frets.length - 1)
  const bottom = TOP + (frets.length - 1) * row
  const fretWidth = (width - LEFT - 4) / shown
  const x = (fret: number) => LEFT + (fret - first + 1) * fretWidth
  return (
    <svg
      width={width}
      height={bottom + 5 + FRET_NUMBER_HEIGHT}
      viewBox={`0 0 ${width} ${bottom + 5 + FRET_NUMBER_HEIGHT}`}
      className={classes['small']}
      aria-hidden="true"
    >
      <path d={lines(shown + 1, (index) => `M${LEFT + index * fretWidth} ${TOP}V${bottom}`)} />
      {first === 1 && <path d={`M${LEFT} ${TOP}V${bottom}`} className={classes['smallNut']} />}
      <path
        d={lines(frets.length, (index) => `M${LEFT} ${bottom - index * row}H${width - 4}`)}
        className={classes['smallString']}
      />
      {Array.from({ length: shown }, (_, index) => first + index)
        .filter((fret) => fret === first || fret === lowest || fret === highest)
        .map((fret) => (
          <text key={fret} x={x(fret) - fretWidth / 2} y={bottom + FRET_NUMBER_HEIGHT + 3}>
            {fret}
          </text>
        ))}
      {frets.map((fret, string) =>
        fret === null ? null : (
          <Egg
            key={string}
            size={Math.min(6.2, row * 0.7)}
            x={fret === 0 ? LEFT - 8 : x(fret) - fretWidth * 0.45}
            y={bottom - string * row}
            degree={degrees[string] ?? 'R'}
          />
        ),
      )}
    </svg>
  )
}

/** Many lines as one path: small necks come in hundreds. */
const lines = (count: number, line: (index: number) => string): string =>
  Array.from({ length: count }, (_, index) => line(index)).join('')
