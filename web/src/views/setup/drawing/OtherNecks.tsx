/** The player's other instruments, on the same millimetres; each comes into the hand when it is pressed. */
import { tuningLetters } from '@nestling/core/neck'
import type { NamingSystem } from '@nestling/core/pitch'
import { memo } from 'react'
import type { KeptInstrument } from '../../../contracts/instrument.ts'
import { takeInHand } from '../bench/bench.ts'
import classes from './Drawing.module.css'
import { OTHER_HEIGHT } from './rows.ts'
import { type BenchScale, benchScale, WIDTH } from './scale.ts'

export const OtherNecks = memo(function OtherNecks({
  others,
  scale,
  y,
  naming,
}: {
  readonly others: readonly KeptInstrument[]
  readonly scale: BenchScale
  readonly y: number
  readonly naming: NamingSystem
}) {
  return others.map((other, index) => {
    const own = benchScale(other, [other], scale.lowOnTop)
    const at = scale.x
    const x = (fret: number) => at(own.mm(own.fretX(fret)))
    const top = y + index * OTHER_HEIGHT
    const [from, to] = [top + 4, top + 36]
    const strings = other.tuning.strings.length
    const bridge = at(other.scaleLengthMm)
    const nut = at(0)
    const box = (a: number, b: number) => `M${x(a)} ${from}H${x(b)}V${to}H${x(a)}Z`
    return (
      <g
        key={other.id}
        role="button"
        tabIndex={0}
        aria-label={`Take ${other.name} in hand: ${tuningLetters(other.tuning, naming)}, ${other.scaleLengthMm} millimetres, reach to fret ${other.lastReachableFret} of ${other.frets}`}
        className={classes['other']}
        data-testid="other-instrument"
        onClick={() => void takeInHand(other.id)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return
          event.preventDefault()
          event.stopPropagation()
          void takeInHand(other.id)
        }}
      >
        <rect x={0} y={top} width={WIDTH} height={OTHER_HEIGHT - 4} rx={8} className={classes['hit']} />
        <text
          x={scale.direction === 1 ? 0 : WIDTH}
          y={top + 17}
          textAnchor={scale.direction === 1 ? 'start' : 'end'}
          className={classes['otherName']}
        >
          {other.name}
        </text>
        <text
          x={scale.direction === 1 ? 0 : WIDTH}
          y={top + 34}
          textAnchor={scale.direction === 1 ? 'start' : 'end'}
          className={classes['caption']}
        >
          {tuningLetters(other.tuning, naming)}
        </text>
        <path d={box(0, other.frets)} className={classes['board']} />
        {other.lastReachableFret < other.frets && (
          <path d={box(other.lastReachableFret, other.frets)} fill="url(#unreachable)" />
        )}
        <path
          d={Array.from({ length: other.frets }, (_, fret) => `M${x(fret + 1)} ${from}V${to}`).join('')}
          className={classes['wire']}
        />
        <path
          d={other.tuning.strings
            .map((_, string) => `M${nut} ${from + 4 + (string * (to - from - 8)) / Math.max(1, strings - 1)}H${bridge}`)
            .join('')}
          className={classes['string']}
        />
        <path d={`M${nut} ${from - 2}V${to + 2}M${bridge} ${from - 2}V${to + 2}`} className={classes['nut']} />
        <text
          x={bridge + scale.direction * 10}
          y={top + 25}
          textAnchor={scale.direction === 1 ? 'start' : 'end'}
          className={classes['caption']}
        >
          {other.scaleLengthMm} mm
        </text>
      </g>
    )
  })
})
