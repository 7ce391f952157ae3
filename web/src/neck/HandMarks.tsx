/** The left hand on the neck: a small disc with its number at each pressed tone, and a pad where a finger damps a string. */
import type { Fingering, SilentString } from '@nestling/core/hand'
import type { Frets } from '@nestling/core/voicing'
import { memo } from 'react'
import { dampWord } from '../words/hand.ts'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

export const FingerDiscs = memo(function FingerDiscs({
  frets,
  fingering,
  layout,
}: {
  readonly frets: Frets
  readonly fingering: Fingering
  readonly layout: NeckLayout
}) {
  return frets.map((fret, string) => {
    const finger = fingering.fingers[string]
    if (fret === null || finger === null || finger === undefined) return null
    const x = layout.tipX(fret) - layout.direction * 24
    const y = layout.stringY(string) + Math.min(9, layout.rowHeight * 0.3)
    return (
      <g key={string} className={classes['finger']} data-testid="finger" data-string={frets.length - string}>
        <circle cx={x} cy={y} r={8} />
        <text x={x} y={y + 4}>
          {finger}
        </text>
      </g>
    )
  })
})

/** A damped string: the pad that lies on it, where it lies, and which finger that is. */
export function DampPads({
  silent,
  fingering,
  frets,
  layout,
  ghosts,
}: {
  readonly silent: readonly SilentString[]
  /** The words stand on the other side where one of these lies close behind the pad. */
  readonly ghosts: readonly { readonly string: number; readonly fret: number }[]
  readonly fingering: Fingering
  readonly frets: Frets
  readonly layout: NeckLayout
}) {
  return silent.map((one) => {
    if (one.kind !== 'damped') return null
    // The finger's own string lies beside the one that it damps.
    const beside = one.how === 'flat' ? one.string - 1 : one.string + 1
    const fret = fingering.fingers[beside] === one.by ? frets[beside] : undefined
    if (fret === null || fret === undefined) return null
    const x = layout.tipX(fret)
    const y = layout.stringY(one.string)
    const isTaken = ghosts.some((ghost) => ghost.string === one.string && ghost.fret > fret && ghost.fret <= fret + 2)
    const side = isTaken ? -layout.direction : layout.direction
    const towards = layout.stringY(beside) > y ? 1 : -1
    return (
      <g key={one.string} className={classes['damp']} data-testid="damped" data-string={frets.length - one.string}>
        <path d={`M${x - 13} ${y + towards * 5}Q${x} ${y - towards * 6} ${x + 13} ${y + towards * 5}`} />
        <text x={x + side * 20} y={y + 4} textAnchor={side === 1 ? 'start' : 'end'}>
          {dampWord(one)}
        </text>
      </g>
    )
  })
}
