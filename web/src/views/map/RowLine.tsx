/** One row of the sheet along one neck, and the way of every string from each shape to the next. */
import { useStore } from '@nanostores/react'
import { stringNumber } from '@nestling/core/neck'
import { instrumentFor } from '@nestling/core/request'
import { ghostTones, movesBetween, type Voicing } from '@nestling/core/voicing'
import { useMemo } from 'react'
import { Board, Strings } from '../../neck/Board.tsx'
import { Egg } from '../../neck/Egg.tsx'
import neckClasses from '../../neck/neck.module.css'
import { useBoard } from '../../neck/useBoard.ts'
import { $session } from '../../state/session.ts'
import { degreeSign } from '../../words/degrees.ts'
import { fretsWord, stringsApart } from '../../words/shapes.ts'
import type { Selected } from './MapTable.tsx'
import classes from './MapView.module.css'
import type { FoundMap } from './useMap.ts'

const lowest = ({ frets }: Voicing): number => Math.min(...frets.filter((fret): fret is number => fret !== null))

/** "4 +3 · 3 +1": the way of every string, those that stay too. */
function wayWords(from: Voicing, to: Voicing, strings: readonly number[]): string {
  const moves = movesBetween(from, to)
  return strings
    .map((string) => {
      const by = moves.find((move) => move.string === string)?.by ?? 0
      return `${stringNumber(string, to.frets.length)} ${by > 0 ? '+' : by < 0 ? '−' : ''}${Math.abs(by)}`
    })
    .join(' · ')
}

export function RowLine({ found, selected }: { readonly found: FoundMap; readonly selected: Selected }) {
  const { settings } = useStore($session)
  const { neck, question, player, map } = found
  const instrument = useMemo(() => instrumentFor(question, player), [question, player])
  const row = found.changed[selected.row]
  const shapes = useMemo(
    () =>
      (row ?? [])
        .flatMap((cell) => (cell?.kind === 'shape' ? [cell.voicing] : []))
        .sort((a, b) => lowest(a) - lowest(b)),
    [row],
  )
  const board = useBoard(neck, instrument, settings, question.fretMax)
  const { layout } = board
  const strings = map.rows[selected.row]?.strings
  if (!strings || shapes.length === 0) return null
  const count = neck.open.length
  // Only the part of the neck where the shapes lie, so that it is large enough to read.
  const frets = shapes.flatMap((shape) => shape.frets.filter((fret): fret is number => fret !== null))
  const near = layout.fretX(Math.max(0, Math.min(...frets) - 2))
  const far = layout.fretX(Math.min(layout.lastFret, Math.max(...frets) + 1))
  const fromNut = Math.min(...frets) <= 2
  const edge = fromNut ? (layout.direction === 1 ? 0 : layout.width) : near
  const left = Math.min(edge, far) - 6
  const width = Math.abs(far - edge) + 12
  return (
    <section aria-label="Along one neck">
      <h2>
        Along one neck <span>strings {stringsApart(strings, count)}</span>
      </h2>
      <svg
        viewBox={`${left} 0 ${width} ${layout.bottom + 44}`}
        className={classes['line']}
        role="img"
        aria-label={`${shapes.map(({ frets }) => fretsWord(frets)).join(', ')} along one neck`}
      >
        <Board {...board} />
        <Strings layout={layout} frets={undefined} silent={[]} />
        <g className={neckClasses['line']}>
          {shapes.map((shape) => (
            <g key={shape.frets.join()}>
              {ghostTones(shape, neck)
                .filter(({ degree, fret }) => degree === 'R' && fret <= layout.lastFret)
                .map((root) => (
                  <Egg
                    key="root"
                    kind="ghost"
                    x={layout.tipX(root.fret)}
                    y={layout.stringY(root.string)}
                    size={16}
                    degree="R"
                    label="R"
                  />
                ))}
              {shape.frets.map((fret, string) =>
                fret === null || fret > layout.lastFret ? null : (
                  <Egg
                    key={string}
                    x={layout.tipX(fret)}
                    y={layout.stringY(string)}
                    size={19}
                    degree={shape.degrees[string] ?? 'R'}
                    label={degreeSign(shape.degrees[string] ?? 'R')}
                  />
                ),
              )}
            </g>
          ))}
        </g>
      </svg>
      <ol className={classes['ways']}>
        {shapes.slice(1).map((shape, index) => (
          <li key={shape.frets.join()}>
            {fretsWord((shapes[index] as Voicing).frets)} → {fretsWord(shape.frets)}:{' '}
            {wayWords(shapes[index] as Voicing, shape, strings)}
          </li>
        ))}
      </ol>
    </section>
  )
}
