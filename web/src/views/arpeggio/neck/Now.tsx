/** What sounds now and what is pointed at, behind the tones; what the ear heard, before them. Each redraws nothing else. */
import { useStore } from '@nanostores/react'
import type { Mark } from '@nestling/core/ear'
import { $listening } from '../../../ear/listening.ts'
import type { NeckLayout } from '../../../neck/layout.ts'
import { $playing } from '../../../sound/transport.ts'
import type { ArpeggioLine } from '../plan.ts'
import { $pointed } from '../pointed.ts'
import { OWNER } from '../useArpeggio.ts'
import classes from './LineNeck.module.css'

export interface LitProps {
  readonly line: ArpeggioLine
  readonly layout: NeckLayout
  readonly selected: number | undefined
}

export function Rings({ line, layout, selected }: LitProps) {
  const { owner, mark } = useStore($playing)
  const pointed = useStore($pointed)
  const sounds = owner === OWNER && mark !== undefined ? line.order[mark] : undefined
  const ring = (index: number | undefined, className: string | undefined, testId: string) => {
    const note = index === undefined ? undefined : line.notes[index]
    return (
      note && (
        <ellipse
          cx={layout.tipX(note.fret)}
          cy={layout.stringY(note.string)}
          rx={23}
          ry={17}
          className={className}
          data-testid={testId}
        />
      )
    )
  }
  return (
    <g className={classes['rings']}>
      {ring(selected, classes['selected'], 'neck-selected')}
      {ring(pointed, classes['pointed'], 'neck-pointed')}
      {ring(sounds, classes['now'], 'neck-cursor')}
    </g>
  )
}

export function Heard({ line, layout }: Pick<LitProps, 'line' | 'layout'>) {
  const { judgement } = useStore($listening)
  return judgement?.marks.map((told, place) => {
    const marked = line.notes[line.order[place] ?? -1]
    return marked ? (
      <Told key={place} told={told} x={layout.tipX(marked.fret)} y={layout.stringY(marked.string)} />
    ) : null
  })
}

const SIGNS: Readonly<Record<Mark['kind'], string>> = { right: '✓', octave: '8', wrong: '✕', missing: '–' }

const Told = ({ told, x, y }: { readonly told: Mark; readonly x: number; readonly y: number }) => (
  <text x={x + 20} y={y - 9} className={classes['told']} data-kind={told.kind} data-testid="ear-mark">
    {SIGNS[told.kind]}
  </text>
)
