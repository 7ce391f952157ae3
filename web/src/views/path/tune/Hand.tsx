/** The hand and the shapes in one: an upright neck to true scale for all chords, what the hand has at ease, and its shifts. */

import { useStore } from '@nanostores/react'
import { fingertipMm, fretDistanceMm, type Neck } from '@nestling/core/neck'
import type { PathShape } from '@nestling/core/path'
import { memo } from 'react'
import { Egg } from '../../../neck/Egg.tsx'
import { $look, comparedTo } from '../look.ts'
import type { PathState } from '../usePath.ts'
import type { TuneColumn } from './layout.ts'
import classes from './Tune.module.css'

export interface HandScale {
  /** Of a distance from the nut in mm. */
  readonly y: (mm: number) => number
  readonly top: number
  readonly bottom: number
  /** The middle of each fret in sight, and its wire. */
  readonly frets: readonly { readonly fret: number; readonly y: number; readonly wire: number }[]
}

const AROUND = 10

/** From a fret before the lowest that is pressed to the highest. */
export function handScale(
  shapes: readonly (PathShape | undefined)[],
  { scaleLengthMm, lastFret }: Neck,
  top: number,
  height: number,
): HandScale {
  const pressed = shapes.flatMap((shape) => (shape ? shape.frets.flatMap((fret) => (fret ? [fret] : [])) : []))
  const low = Math.max(
    0,
    Math.min(5, ...(pressed.length > 0 ? [Math.min(...pressed)] : [1])) === 0
      ? 0
      : Math.min(...(pressed.length > 0 ? pressed : [1])) - 1,
  )
  const high = Math.min(lastFret, Math.max(low + 5, ...pressed))
  const [from, to] = [fretDistanceMm(scaleLengthMm, low), fretDistanceMm(scaleLengthMm, high)]
  const y = (mm: number) => top + AROUND + ((mm - from) / (to - from)) * (height - 2 * AROUND)
  return {
    y,
    top: top + AROUND,
    bottom: top + height - AROUND,
    frets: Array.from({ length: high - low }, (_, index) => low + 1 + index).map((fret) => ({
      fret,
      y: y((fretDistanceMm(scaleLengthMm, fret) + fretDistanceMm(scaleLengthMm, fret - 1)) / 2),
      wire: y(fretDistanceMm(scaleLengthMm, fret)),
    })),
  }
}

export interface HandProps {
  readonly state: PathState
  readonly columns: readonly TuneColumn[]
  readonly scale: HandScale
  readonly footY: number
  readonly strings: number
}

const STRING_PX = 10
const FIRST_STRING = 14
const stringWidth = (strings: number): number => Math.min(STRING_PX, 58 / Math.max(1, strings - 1))
/** Where a string of a column lies. */
export const stringsAt = (strings: number) => (x: number, string: number) =>
  x + FIRST_STRING + string * stringWidth(strings)
/** A hand that goes less stays where it is. */
const SHIFT_MM = 5

export const Hand = memo(function Hand({ state, columns, scale, footY, strings }: HandProps) {
  const { answer, neck, player } = state
  const { found } = answer
  const { compared } = useStore($look)
  const other = comparedTo(found, compared)
  const [first, last] = [columns[0], columns.at(-1)]
  if (!first || !last) return null
  const end = last.x + last.width
  const stringPx = stringWidth(strings)
  const xOf = stringsAt(strings)
  const clamp = (y: number) => Math.min(scale.bottom, Math.max(scale.top, y))
  // What lies at ease from where the index rests.
  const ease = columns.flatMap(({ chord, x, width }) => {
    const index = found.shapes[chord]?.indexMm
    return index === undefined
      ? []
      : [{ x, width, top: clamp(scale.y(index) - 8), bottom: clamp(scale.y(index + player.hand.comfortableMm)) }]
  })
  return (
    <g>
      {ease.map(({ x, width, top, bottom }) => (
        <rect key={x} x={x} y={top} width={width} height={Math.max(0, bottom - top)} className={classes['ease']} />
      ))}
      <path
        className={classes['index']}
        d={ease
          .map(
            ({ x, width, top }, place) =>
              `${place === 0 ? 'M' : 'L'}${x + (place === 0 ? 0 : 6)} ${top}H${x + width - 6}`,
          )
          .join('')}
      />
      {scale.frets.map(({ fret, wire }) => (
        <path
          key={fret}
          d={`M${first.x} ${wire}H${end}`}
          className={classes['wire']}
          data-octave={fret % 12 === 0 || undefined}
        />
      ))}
      {columns.map(({ chord, x }) => {
        const shape = found.shapes[chord]
        const step = found.steps[chord]
        if (!shape) return null
        const before = found.shapes[chord - 1]
        const down = (shape.indexMm ?? 0) > (before?.indexMm ?? 0)
        const { frets, degrees, fingering } = shape
        const pressed = frets.flatMap((fret, string) =>
          fret ? [`${xOf(x, string)} ${scale.y(fingertipMm(neck.scaleLengthMm, fret))}`] : [],
        )
        return (
          <g key={chord}>
            {frets.map((fret, string) => (
              <path
                key={string}
                d={`M${xOf(x, string)} ${scale.top}V${scale.bottom}`}
                className={classes['string']}
                data-silent={fret === null || undefined}
              />
            ))}
            <path d={`M${pressed.join('L')}`} className={classes['grip']} />
            {other && (
              <OtherGrip
                now={shape}
                other={other.shapes[chord]}
                at={(fret, string) => `${xOf(x, string)} ${clamp(scale.y(fingertipMm(neck.scaleLengthMm, fret)))}`}
              />
            )}
            {frets.map((fret, string) =>
              fret === null ? null : (
                <Egg
                  key={string}
                  x={xOf(x, string)}
                  y={fret === 0 ? scale.top - 4 : scale.y(fingertipMm(neck.scaleLengthMm, fret))}
                  size={Math.min(6.5, stringPx * 0.62)}
                  degree={degrees[string] ?? 'R'}
                />
              ),
            )}
            {frets.map((fret, string) => (
              <text key={string} x={xOf(x, string)} y={footY} className={classes['finger']}>
                {fret === null ? '×' : fret === 0 ? '○' : (fingering.fingers[string] ?? '')}
              </text>
            ))}
            {step && chord > 0 && step.handMm >= SHIFT_MM && (
              <g className={classes['shift']}>
                <rect x={Math.max(x, first.x + 30) - 28} y={scale.top - 9} width={56} height={16} rx={8} />
                <text x={Math.max(x, first.x + 30)} y={scale.top + 3}>
                  {Math.round(step.handMm)} mm {down ? '↓' : '↑'}
                </text>
              </g>
            )}
          </g>
        )
      })}
    </g>
  )
})

/** Where the compared way has another shape: its grip and its places, dashed. */
function OtherGrip({
  now,
  other,
  at,
}: {
  readonly now: PathShape
  readonly other: PathShape | undefined
  readonly at: (fret: number, string: number) => string
}) {
  if (!other || other.frets.join() === now.frets.join()) return null
  const places = other.frets.flatMap((fret, string) => (fret ? [at(fret, string)] : []))
  return (
    <g className={classes['otherGrip']} data-testid="other-grip">
      <path d={`M${places.join('L')}`} />
      {places.map((place) => (
        <circle key={place} cx={place.split(' ')[0]} cy={place.split(' ')[1]} r={5} />
      ))}
    </g>
  )
}
