/** The true-scale neck: the shape in hand, its other inversions as stepping stones, and its ghosts. */
import type { SilentString } from '@nestling/core/hand'
import type { Neck } from '@nestling/core/neck'
import type { Degree } from '@nestling/core/pitch'
import type { Frets, GhostTone, Voicing } from '@nestling/core/voicing'
import { memo, type ReactNode } from 'react'
import { degreeSign } from '../words/degrees.ts'
import { Board, type BoardProps, Strings } from './Board.tsx'
import { Egg } from './Egg.tsx'
import type { NeckLayout } from './layout.ts'
import { type ManyEgg, ManyEggs } from './ManyEggs.tsx'
import classes from './neck.module.css'

/** A tone on a string, ready to be drawn. */
export interface DrawnTone {
  readonly string: number
  readonly fret: number
  readonly degree: Degree
  readonly label: string
  /** Under a finger that drags it, or moved against the shape in hand. */
  readonly moved?: boolean
}

export interface NeckViewProps {
  readonly neck: Neck
  readonly board: BoardProps
  readonly frets: Frets | undefined
  readonly tones: readonly DrawnTone[]
  readonly silent: readonly SilentString[]
  readonly ghosts: readonly GhostTone[]
  readonly stones: readonly Voicing[]
  /** What lies over the drawing: places to press, a cursor. */
  readonly children?: ReactNode
}

export function NeckView(props: NeckViewProps) {
  const { neck, board, frets, tones, ghosts } = props
  const { layout } = board
  return (
    <>
      <g aria-hidden>
        <Board {...board} />
        <Strings layout={layout} frets={frets} silent={props.silent} />
        <Stones stones={props.stones} layout={layout} frets={frets} />
        {ghosts.map((ghost) =>
          ghost.fret > layout.lastFret ? null : (
            <g key={ghost.degree} data-testid="ghost">
              <Egg
                kind="ghost"
                size={Math.min(15, layout.rowHeight * 0.5)}
                x={layout.tipX(ghost.fret)}
                y={layout.stringY(ghost.string)}
                degree={ghost.degree}
                label={degreeSign(ghost.degree)}
              />
            </g>
          ),
        )}
        {tones.map(({ string, fret, degree, label, moved }) => (
          <g
            key={string}
            data-testid="egg"
            data-string={neck.open.length - string}
            data-fret={fret}
            data-degree={degree}
            data-moved={moved || undefined}
          >
            <Egg
              x={layout.tipX(fret)}
              y={layout.stringY(string)}
              size={Math.min(fret === 0 ? 15 : 18, layout.rowHeight * 0.56)}
              degree={degree}
              label={label}
              moved={moved === true}
            />
          </g>
        ))}
      </g>
      {props.children}
    </>
  )
}

/** Small and quiet, and none where the shape in hand or another stone already stands. */
const Stones = memo(function Stones({
  stones,
  layout,
  frets,
}: {
  readonly stones: readonly Voicing[]
  readonly layout: NeckLayout
  readonly frets: Frets | undefined
}) {
  const taken = new Set(frets?.map((fret, string) => `${string}:${fret}`))
  const eggs = stones.flatMap((stone) =>
    stone.frets.flatMap((fret, string): readonly ManyEgg[] => {
      const place = `${string}:${fret}`
      if (fret === null || fret > layout.lastFret || taken.has(place)) return []
      taken.add(place)
      return [{ x: layout.tipX(fret), y: layout.stringY(string), degree: stone.degrees[string] ?? 'R' }]
    }),
  )
  return (
    <g data-testid="stones">
      <path d={stones.map((stone) => threadOf(stone.frets, layout)).join('')} className={classes['thread']} />
      <ManyEggs eggs={eggs} size={Math.min(12, layout.rowHeight * 0.4)} kind="stone" labelOf={degreeSign} />
    </g>
  )
})

/** A thin line through the tones of one inversion, string by string: they say that they belong together. */
function threadOf(frets: Frets, layout: NeckLayout): string {
  const points = frets.flatMap((fret, string) =>
    fret === null || fret > layout.lastFret ? [] : [`${layout.tipX(fret)} ${layout.stringY(string)}`],
  )
  return points.length > 0 ? `M${points.join('L')}` : ''
}
