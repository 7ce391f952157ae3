/** The riser where the hand was, and the tread as long as the hop; a leapt-over fret holds the chord in between. */
import type { Chord } from '@nestling/core/chord'
import type { Lane } from '@nestling/core/lane'
import { drawnHops, threads } from './hops.ts'
import classes from './Staircase.module.css'
import type { StairLayout } from './stairs.ts'

export interface HopsProps {
  readonly lane: Lane
  readonly layout: StairLayout
  readonly symbolOf: (chord: Chord) => string
}

export function Hops({ lane, layout, symbolOf }: HopsProps) {
  const { risers, treads, folds, dots, between, words } = drawnHops(lane, layout, symbolOf)
  return (
    <g className={classes['hops']} aria-hidden>
      <path d={risers} data-riser />
      <path d={treads} />
      {folds !== '' && <path d={folds} data-folds />}
      <path d={dots} className={classes['dot']} />
      <path d={between} className={classes['between']} />
      <text>
        {words.map(({ x, y, anchor, name, words }, index) => (
          <tspan key={index} x={x} y={y} textAnchor={anchor}>
            {name !== '' && <tspan className={classes['name']}>{words === '' ? name : `${name}\u00a0`}</tspan>}
            {words}
          </tspan>
        ))}
      </text>
      <path d={threads(lane, layout)} />
    </g>
  )
}
