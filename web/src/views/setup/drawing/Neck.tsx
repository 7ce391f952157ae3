/** The instrument from nut to bridge: board, frets, the unreachable ones hatched, strings with their pitches. */
import { type Instrument, stringNumber } from '@nestling/core/neck'
import { type NamingSystem, writePitch } from '@nestling/core/pitch'
import { memo } from 'react'
import classes from './Drawing.module.css'
import { NUMBERS_Y } from './rows.ts'
import { type BenchScale, MIDDLE_Y } from './scale.ts'

const LANDMARKS = new Set([3, 5, 7, 9, 12, 15, 17, 19, 21, 24])

export const Neck = memo(function Neck({
  instrument,
  scale,
  naming,
}: {
  readonly instrument: Instrument
  readonly scale: BenchScale
  readonly naming: NamingSystem
}) {
  const { frets, lastReachableFret, scaleLengthMm, tuning } = instrument
  const share = (fret: number) => scale.mm(scale.fretX(fret)) / scaleLengthMm
  const wire = (fret: number) => {
    const half = scale.halfAt(share(fret))
    return `M${scale.fretX(fret)} ${MIDDLE_Y - half}V${MIDDLE_Y + half}`
  }
  const board = (from: number, to: number) => {
    const [a, b] = [scale.halfAt(share(from)), scale.halfAt(share(to))]
    const [x, y] = [scale.fretX(from), scale.fretX(to)]
    return `M${x} ${MIDDLE_Y - a}L${y} ${MIDDLE_Y - b}V${MIDDLE_Y + b}L${x} ${MIDDLE_Y + a}Z`
  }
  const numbers = Array.from({ length: frets }, (_, index) => index + 1)
  const before = scale.nut - scale.direction * 116
  return (
    <g aria-hidden>
      <path d={board(0, frets)} className={classes['board']} />
      {lastReachableFret < frets && <path d={board(lastReachableFret, frets)} fill="url(#unreachable)" />}
      <path d={numbers.map(wire).join('')} className={classes['wire']} />
      <path d={wire(12)} className={classes['octave']} />
      <path d={wire(0)} className={classes['nut']} />
      {tuning.strings.map((pitch, string) => (
        <g key={string}>
          <path
            d={`M${scale.nut} ${scale.stringY(string, 0)}L${scale.bridge} ${scale.stringY(string, 1)}`}
            className={classes['string']}
            strokeWidth={2.3 - (string / Math.max(1, scale.strings - 1)) * 1.3}
          />
          <text
            x={before}
            y={scale.stringY(string, 0) + 4.5}
            className={classes['pitch']}
            textAnchor={scale.direction === 1 ? 'start' : 'end'}
          >
            <tspan className={classes['number']}>{stringNumber(string, scale.strings)}</tspan>{' '}
            {writePitch(pitch, naming)}
          </text>
        </g>
      ))}
      {numbers
        .filter((fret) => LANDMARKS.has(fret) || Math.abs(scale.fretX(fret) - scale.fretX(fret - 1)) > 34)
        .map((fret) => (
          <text
            key={fret}
            x={(scale.fretX(fret) + scale.fretX(fret - 1)) / 2}
            y={NUMBERS_Y}
            className={classes['fret']}
            data-landmark={LANDMARKS.has(fret) || undefined}
          >
            {fret}
          </text>
        ))}
    </g>
  )
})

/** Nut to bridge, as a dimension line over the neck; its number is a field. */
export const ScaleLine = ({ scale }: { readonly scale: BenchScale }) => (
  <g className={classes['dimension']}>
    <path d={`M${scale.nut} 16H${scale.bridge}M${scale.nut} 10V22M${scale.bridge} 10V22`} />
  </g>
)
