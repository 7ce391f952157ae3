/** The true-scale neck: the shape in hand and its ghosts, over what lies under them. */
import type { SilentString } from '@nestling/core/hand'
import type { Neck } from '@nestling/core/neck'
import type { Degree } from '@nestling/core/pitch'
import type { Frets, GhostTone } from '@nestling/core/voicing'
import type { ReactNode } from 'react'
import { degreeSign } from '../words/degrees.ts'
import { Board, type BoardProps, Strings } from './Board.tsx'
import { Egg } from './Egg.tsx'

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
  /** Under the tones. */
  readonly under: ReactNode
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
        {props.under}
        {ghosts.map((ghost, index) =>
          ghost.fret > layout.lastFret ? null : (
            <g key={index} data-testid="ghost">
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
