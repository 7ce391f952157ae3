/** Millimetres that the hand spans, and how far this player's hand is easy from the same place. */
import type { HandProfile, HandVerdict } from '@nestling/core/hand'
import type { Frets } from '@nestling/core/voicing'
import { reasonWords } from '../words/hand.ts'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

export function ReachBar({
  frets,
  layout,
  hand,
  verdict,
}: {
  readonly frets: Frets
  readonly layout: NeckLayout
  readonly hand: HandProfile
  readonly verdict: HandVerdict
}) {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  if (pressed.length === 0) return null
  const { direction } = layout
  const from = layout.tipX(Math.min(...pressed))
  const to = layout.tipX(Math.max(...pressed))
  const y = layout.bottom + 50
  const along = (x: number) => (x - from) * direction
  const room = (layout.end - from) * direction
  const zone = Math.min(room, hand.comfortableMm * layout.scale)
  const words = reasonWords(verdict)
  const farEnd = Math.max(zone, along(to)) + 14
  const before = farEnd + words.length * 6.2 > room
  return (
    <g data-testid="reach">
      <line x1={from} x2={from + direction * zone} y1={y} y2={y} className={classes['zone']} />
      <line
        x1={from}
        x2={from + direction * Math.max(along(to), 1)}
        y1={y}
        y2={y}
        className={classes['reach']}
        data-verdict={verdict.kind}
      />
      <text
        x={before ? from - direction * 14 : from + direction * farEnd}
        y={y + 4.5}
        textAnchor={before === (direction === 1) ? 'end' : 'start'}
        className={classes['aside']}
      >
        {words}
      </text>
    </g>
  )
}
