/** A tone that would move: a ghost where it would lie, an arc from where it is, and a name beside. The shape stays as it is. */
import type { Degree } from '@nestling/core/pitch'
import type { Frets } from '@nestling/core/voicing'
import { degreeSign } from '../words/degrees.ts'
import { Egg } from './Egg.tsx'
import type { NeckLayout } from './layout.ts'
import classes from './neck.module.css'

export interface GhostMoveProps {
  readonly from: Frets | undefined
  readonly to: Frets
  /** What every string would play. */
  readonly degrees: readonly (Degree | null)[]
  /** What the shape would be called. */
  readonly name: string | undefined
  readonly layout: NeckLayout
}

export function GhostMoves({ from, to, degrees, name, layout }: GhostMoveProps) {
  const moved = to.flatMap((fret, string) => (fret !== null && fret !== from?.[string] ? [{ string, fret }] : []))
  const leaves = (from ?? []).flatMap((fret, string) =>
    fret !== null && to[string] === null ? [{ string, fret }] : [],
  )
  const [first] = moved
  return (
    <g className={classes['ghostMove']} data-testid="ghost-move">
      {leaves.map(({ string, fret }) => (
        <path
          key={string}
          d={`M${layout.tipX(fret) - 15} ${layout.stringY(string) + 12}l30 -24`}
          className={classes['leaves']}
        />
      ))}
      {moved.map(({ string, fret }) => {
        const x = layout.tipX(fret)
        const y = layout.stringY(string)
        const start = from?.[string]
        return (
          <g key={string} data-string={to.length - string} data-fret={fret}>
            {start !== null && start !== undefined && <Arc from={layout.tipX(start)} to={x} y={y} />}
            <Egg
              kind="ghost"
              size={Math.min(16, layout.rowHeight * 0.52)}
              x={x}
              y={y}
              degree={degrees[string] ?? 'R'}
              label={degreeSign(degrees[string] ?? 'R')}
            />
          </g>
        )
      })}
      {first && name !== undefined && (
        <text x={layout.tipX(first.fret)} y={layout.top - 22 + 14} className={classes['ghostName']}>
          {name}
        </text>
      )}
    </g>
  )
}

/** Over the string, from the tone to where it goes, with a head. */
function Arc({ from, to, y }: { readonly from: number; readonly to: number; readonly y: number }) {
  const way = Math.sign(to - from)
  const [a, b] = [from - way * -14, to + way * 2]
  if ((b - a) * way < 8) return null
  const top = y - 24
  return (
    <g className={classes['arc']}>
      <path d={`M${a} ${y - 12}Q${(a + b) / 2} ${top} ${b} ${y - 13}`} />
      <path d={`M${b} ${y - 13}l${-way * 8} -1m${way * 8} 1l${-way * 3} -7`} />
    </g>
  )
}
