/** Millimetres that the hand spans, and how far this player's hand is easy from the same place. */
import { type HandProfile, reachMm, reachVerdict } from '@nestling/core/hand'
import type { Neck } from '@nestling/core/neck'
import type { Frets } from '@nestling/core/voicing'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

function reachWords(hand: HandProfile, mm: number): string {
  const comfortable = Math.round(hand.comfortableMm)
  switch (reachVerdict(hand, mm)) {
    case 'comfortable':
      return `${Math.round(mm)} mm held · easy for this hand up to ${comfortable} mm`
    case 'stretch':
      return `${Math.round(mm)} mm held · a stretch: easy ends at ${comfortable} mm`
    case 'beyond':
      return `${Math.round(mm)} mm held · beyond this hand’s ${Math.round(hand.stretchMm)} mm`
  }
}

export function ReachBar({
  frets,
  layout,
  neck,
  hand,
}: {
  readonly frets: Frets
  readonly layout: NeckLayout
  readonly neck: Neck
  readonly hand: HandProfile
}) {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0)
  if (pressed.length === 0) return null
  const { direction } = layout
  const from = layout.tipX(Math.min(...pressed))
  const to = layout.tipX(Math.max(...pressed))
  const mm = reachMm(neck, frets)
  const y = layout.bottom + 50
  const along = (x: number) => (x - from) * direction
  const room = (layout.end - from) * direction
  const zone = Math.min(room, hand.comfortableMm * layout.scale)
  const words = reachWords(hand, mm)
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
        data-verdict={reachVerdict(hand, mm)}
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
