/** A shape at a glance: five or more frets around it, the first one numbered; it faces as the large neck does. */
import type { Degree } from '@nestling/core/pitch'
import { Egg } from './Egg.tsx'
import { useFacing } from './facing.ts'
import classes from './neck.module.css'

export interface SmallNeckProps {
  readonly frets: readonly (number | null)[]
  readonly degrees: readonly (Degree | null)[]
  readonly width?: number
  /** Frets in sight; left free, those around the shape. Shapes that are compared share one window. */
  readonly from?: number
  readonly to?: number
  /** Between two strings, in px. */
  readonly row?: number
  /** A thin line through the tones, from string to string. */
  readonly thread?: boolean
  /** Without numbers the neck is a sign beside a name. */
  readonly numbered?: boolean
}

const LEFT = 16
const TOP = 7
const FRET_NUMBER_HEIGHT = 13

export function SmallNeck(props: SmallNeckProps) {
  const { frets, degrees, width = 148, numbered = true, thread = false } = props
  const { leftHanded, lowOnTop } = useFacing()
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  const lowest = pressed.length === 0 ? 1 : Math.min(...pressed)
  const highest = pressed.length === 0 ? 1 : Math.max(...pressed)
  const first = props.from ?? (highest <= 5 ? 1 : lowest)
  const shown = Math.max(props.to === undefined ? 5 : props.to - first + 1, highest - first + 1)
  const row = props.row ?? (frets.length <= 6 ? 9 : 52 / (frets.length - 1))
  const numbersHeight = numbered ? FRET_NUMBER_HEIGHT : 0
  const bottom = TOP + (frets.length - 1) * row
  const fretWidth = (width - LEFT - 4) / shown
  // No egg touches another, on the next string or in the next fret.
  const eggSize = Math.min((row - 0.6) / 1.5, (fretWidth - 1) / 2)
  const flip = (at: number) => (leftHanded ? width - at : at)
  const wire = (index: number) => flip(LEFT + index * fretWidth)
  /** The middle of a fret's space, and where its tone stands. */
  const middle = (fret: number) => flip(LEFT + (fret - first + 0.5) * fretWidth)
  const tip = (fret: number) => flip(fret === 0 ? LEFT - 8 : LEFT + (fret - first + 0.55) * fretWidth)
  const y = (string: number) => TOP + (lowOnTop ? string : frets.length - 1 - string) * row
  return (
    <svg
      width={width}
      height={bottom + 5 + numbersHeight}
      viewBox={`0 0 ${width} ${bottom + 5 + numbersHeight}`}
      className={classes['small']}
      aria-hidden="true"
    >
      <path d={lines(shown + 1, (index) => `M${wire(index)} ${TOP}V${bottom}`)} className={classes['smallFret']} />
      {first === 1 && <path d={`M${wire(0)} ${TOP}V${bottom}`} className={classes['smallNut']} />}
      <path
        d={lines(frets.length, (index) => `M${flip(LEFT)} ${TOP + index * row}H${flip(width - 4)}`)}
        className={classes['smallString']}
      />
      {Array.from({ length: numbered ? shown : 0 }, (_, index) => first + index)
        .filter((fret) => fret === first || fret === lowest || fret === highest)
        .map((fret) => (
          <text key={fret} x={middle(fret)} y={bottom + FRET_NUMBER_HEIGHT + 3}>
            {fret}
          </text>
        ))}
      {thread && (
        <path
          className={classes['smallThread']}
          d={frets
            .flatMap((fret, string) => (fret === null ? [] : [`${tip(fret)} ${y(string)}`]))
            .map((place, index) => `${index === 0 ? 'M' : 'L'}${place}`)
            .join('')}
        />
      )}
      {frets.map((fret, string) =>
        fret === null ? null : (
          <Egg key={string} size={eggSize} x={tip(fret)} y={y(string)} degree={degrees[string] ?? 'R'} />
        ),
      )}
    </svg>
  )
}

/** Many lines as one path: small necks come in hundreds. */
const lines = (count: number, line: (index: number) => string): string =>
  Array.from({ length: count }, (_, index) => line(index)).join('')
