/** The sheet itself: every cell a small neck with the easiest shape, or why there is none. */
import { Button } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type Chord, type SymbolStyle, writeSymbol } from '@nestling/core/chord'
import type { ChangedCell, WhyLost } from '@nestling/core/map'
import { landmarksOf, openFormOf } from '@nestling/core/near'
import type { Neck } from '@nestling/core/neck'
import type { Voicing } from '@nestling/core/voicing'
import { memo } from 'react'
import { Heads } from '../../controls/Heads.tsx'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { $session } from '../../state/session.ts'
import { degreeName } from '../../words/degrees.ts'
import { verdictWords } from '../../words/hand.ts'
import { fretsWord, movesWords, stringsApart } from '../../words/shapes.ts'
import { collect } from './collect.ts'
import classes from './MapView.module.css'
import { type FoundMap, isShown, type ShownSets } from './useMap.ts'
import type { DrawnRow } from './useRowByRow.ts'

export interface Selected {
  readonly row: number
  readonly column: number
}

export interface MapTableProps {
  readonly found: FoundMap
  readonly rows: readonly DrawnRow[]
  readonly sets: ShownSets
  readonly landmarks: boolean
  readonly selected: Selected
  readonly select: (selected: Selected) => void
}

const LOST: Readonly<Record<WhyLost, string>> = {
  'no-counterpart': 'a tone has no counterpart, or leaves the neck',
  'cannot-join': 'the tone can’t join on these strings',
}

const NONE = { reach: 'only beyond your reach', nowhere: 'not on these strings' } as const

export function MapTable({ found, rows, sets, landmarks, selected, select }: MapTableProps) {
  const { map, changed, change } = found
  const shapes = changed.flat().filter((cell) => cell?.kind === 'shape').length
  const cells = map.rows.length * map.basses.length
  return (
    <section aria-label="Sheet" aria-busy={rows.some(({ of }) => of !== found)} className={classes['sheetBox']}>
      <p className={classes['aside']} data-testid="map-count">
        {shapes} of {cells} places hold a shape
        {shapes > 0 && (
          <Button size="compact-xs" variant="default" ml="sm" onClick={() => void collect(changed.flat(), found)}>
            The sheet to the tray
          </Button>
        )}
      </p>
      <table className={classes['sheet']}>
        <Heads
          of={[
            'strings',
            ...map.basses.map((bass) => `${change.kind === 'extend' ? 'before: ' : ''}${degreeName(bass)} in the bass`),
          ]}
        />
        <tbody>
          {rows.map(({ strings, of }, rowIndex) =>
            isShown(strings, sets) ? (
              <Row
                key={strings.join()}
                found={of}
                rowIndex={rowIndex}
                neck={landmarks ? of.neck : undefined}
                column={selected.row === rowIndex ? selected.column : undefined}
                select={select}
              />
            ) : null,
          )}
        </tbody>
      </table>
    </section>
  )
}

/** A row by itself, so that a long sheet can be drawn row by row, and a new selection redraws two of them. */
const Row = memo(function Row({
  found,
  rowIndex,
  neck,
  column: selected,
  select,
}: {
  readonly found: FoundMap
  readonly rowIndex: number
  /** Given when landmarks are to be shown. */
  readonly neck: Neck | undefined
  /** The selected column, if the selected cell is in this row. */
  readonly column: number | undefined
  readonly select: (selected: Selected) => void
}) {
  const { settings } = useStore($session)
  const { strings, cells } = found.map.rows[rowIndex] as FoundMap['map']['rows'][number]
  const changed = found.changed[rowIndex] ?? []
  const count = found.neck.open.length
  return (
    <tr>
      <th scope="row">
        {stringsApart(strings, count)}
        <button
          type="button"
          className={classes['rowAct']}
          onClick={() => void collect(changed, found)}
          aria-label={`Row ${stringsApart(strings, count)} to the tray`}
        >
          to the tray
        </button>
      </th>
      {cells.map((cell, column) => {
        const now = changed[column]
        return (
          <td key={cell.bass}>
            {now === undefined ? (
              <span className={classes['none']}>{cell.none ? NONE[cell.none] : ''}</span>
            ) : (
              <Cell
                changed={now}
                more={cell.more}
                chord={found.map.chord}
                neck={neck}
                strings={count}
                style={{ naming: settings.naming, school: settings.symbols }}
                selected={selected === column}
                select={() => select({ row: rowIndex, column })}
              />
            )}
          </td>
        )
      })}
    </tr>
  )
})

function Cell({
  changed,
  more,
  chord,
  neck,
  strings,
  style,
  selected,
  select,
}: {
  readonly changed: ChangedCell
  readonly more: number
  readonly chord: Chord
  /** Given when landmarks are to be shown. */
  readonly neck: Neck | undefined
  readonly strings: number
  readonly style: SymbolStyle
  readonly selected: boolean
  readonly select: () => void
}) {
  if (changed.kind === 'lost') return <span className={classes['none']}>{LOST[changed.why]}</span>
  const { voicing, moves, verdict, knownAs } = changed
  const shape = fretsWord(voicing.frets)
  const rootless = !voicing.degrees.includes('R')
  const known = knownAs && writeSymbol(knownAs, style)
  return (
    <button
      type="button"
      className={classes['cell']}
      aria-pressed={selected}
      aria-label={`${writeSymbol(chord)}: ${shape}${moves.length > 0 ? `, ${movesWords(moves, strings)}` : ''}`}
      onClick={select}
      data-testid="map-cell"
      data-unplayable={verdict.kind === 'beyond' || undefined}
    >
      <SmallNeck frets={voicing.frets} degrees={voicing.degrees} width={124} />
      <small>
        <b>{shape}</b>
        {more > 0 ? ` +${more}` : ''}
        {rootless ? ' · no root' : ''}
      </small>
      {moves.length > 0 && <small>{movesWords(moves, strings)}</small>}
      {verdict.kind === 'beyond' && <small className={classes['warn']}>{verdictWords(verdict)}</small>}
      {known && <small>is {known}</small>}
      {neck && <small data-testid="cell-landmarks">{landmarkWords(voicing, neck)}</small>}
    </button>
  )
}

/** Short enough for a cell: "R 6:8 5:3 4:10 · A form". */
function landmarkWords(voicing: Voicing, neck: Neck): string {
  const roots = landmarksOf(voicing, neck).map(({ string, fret }) => `${string}:${fret}`)
  const form = openFormOf(voicing, neck)
  return `R ${roots.join(' ')}${form ? ` · ${form.name} form` : ''}`
}
