/** What is dragged, as it would be: a name over another place, a voice at another tone, a shape along the neck. */
import { useStore } from '@nanostores/react'
import { writeSymbol } from '@nestling/core/chord'
import { fingertipMm, type Neck } from '@nestling/core/neck'
import { pitchClassOf } from '@nestling/core/pitch'
import { Egg } from '../../../neck/Egg.tsx'
import { $session } from '../../../state/session.ts'
import { degreeSign } from '../../../words/degrees.ts'
import type { PathState } from '../usePath.ts'
import { stringsAt } from './Hand.tsx'
import { degreeAt } from './layout.ts'
import classes from './Tune.module.css'
import type { Dragged as Drag, TuneScales } from './useTuneDrag.ts'

export interface DraggedProps extends TuneScales {
  readonly state: PathState
  readonly drag: Drag
  readonly neck: Neck
  readonly bottom: number
}

export function Dragged({ state, drag, layout, pitches, frets, neck, bottom }: DraggedProps) {
  const { settings } = useStore($session)
  const { played, found } = state.answer
  const column = layout.columns[drag.chord]
  const one = played.chords[drag.chord]
  const shape = found.shapes[drag.chord]
  if (!column || !one) return null
  if (drag.kind === 'chord') {
    const target = layout.columns[drag.to]
    return (
      <g className={classes['dragged']} data-testid="dragged">
        {target && drag.to !== drag.chord && (
          <rect x={target.x + 1} y={14} width={target.width - 2} height={bottom - 14} rx={8} />
        )}
        <text x={drag.x - 12} y={30} className={classes['name']}>
          {writeSymbol(one.chord, { naming: settings.naming, school: settings.symbols })}
        </text>
      </g>
    )
  }
  if (!shape) return null
  if (drag.kind === 'voice') {
    const y = pitches.y(drag.midi)
    const degree = degreeAt(one.chord, drag.midi - pitchClassOf(one.chord.root))
    return (
      <g className={classes['dragged']} data-testid="dragged">
        <path d={`M${column.x + 6} ${y}H${column.x + column.width - 14}`} />
        <Egg x={column.x + 22} y={y} size={10} degree={degree} label={degreeSign(degree)} />
      </g>
    )
  }
  const xOf = stringsAt(shape.frets.length)
  const moved = shape.frets.map((fret) => (fret ? fret + drag.by : null))
  const lowest = Math.min(...moved.flatMap((fret) => fret ?? []))
  const at = (fret: number) => frets.y(fingertipMm(neck.scaleLengthMm, fret))
  return (
    <g className={classes['dragged']} data-testid="dragged">
      <path
        d={`M${moved.flatMap((fret, string) => (fret === null ? [] : [`${xOf(column.x, string)} ${at(fret)}`])).join('L')}`}
      />
      {moved.map((fret, string) =>
        fret === null ? null : (
          <Egg key={string} x={xOf(column.x, string)} y={at(fret)} size={6} degree={shape.degrees[string] ?? 'R'} />
        ),
      )}
      <text x={column.x + column.width - 8} y={at(lowest) + 4} className={classes['mark']}>
        {lowest}
      </text>
    </g>
  )
}
