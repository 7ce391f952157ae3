/** The sheet itself: every cell a small neck with the easiest shape, or why there is none. */
import { Button } from '@mantine/core'
import { useStore } from '@nanostores/react'
import { type ChordMap, landmarksOf, openFormOf } from '@nestling/core/build'
import { type Chord, writeSymbol } from '@nestling/core/chord'
import type { Neck } from '@nestling/core/neck'
import { type Voicing, writeShape } from '@nestling/core/voicing'
import { SmallNeck } from '../../neck/SmallNeck.tsx'
import { degreeName } from '../../neck/tone.ts'
import { stringsApart } from '../../neck/words.ts'
import { $session } from '../../state/session.ts'
import { type ChangedCell, movesWords } from './change.ts'
import { collect } from './collect.ts'
import classes from './MapView.module.css'
import { isShown, type MapState } from './useMap.ts'

export interface Selected {
  readonly row: number
  readonly column: number
}

export interface SheetProps {
  readonly state: MapState
  readonly map: ChordMap
  readonly selected: Selected
  readonly select: (selected: Selected) => void
}

const NONE = { reach: 'only beyond your reach', nowhere: 'not on these strings' } as const

export function Sheet({ state, map, selected, select }: SheetProps) {
  const strings = state.neck.open.length
  const found = state.changed.flat().filter((cell) => cell?.kind === 'shape').length
  const cells = map.rows.length * map.basses.length
  return (
    <section aria-label="Sheet" className={classes['sheetBox']}>
      <p className={classes['aside']} data-testid="map-count">
        {found} of {cells} places hold a shape
        {found > 0 && (
          <Button size="compact-xs" variant="default" ml="sm" onClick={() => void collect(state.changed.flat(), state)}>
            The sheet to the tray
          </Button>
        )}
      </p>
      <table className={classes['sheet']}>
        <thead>
          <tr>
            <th scope="col">strings</th>
            {map.basses.map((bass) => (
              <th key={bass} scope="col">
                {degreeName(bass)} in the bass
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {map.rows.map((row, rowIndex) =>
            isShown(row.strings, state.sets) ? (
              <tr key={row.strings.join()}>
                <th scope="row">
                  {stringsApart(row.strings, strings)}
                  <button
                    type="button"
                    className={classes['rowAct']}
                    onClick={() => void collect(state.changed[rowIndex] ?? [], state)}
                    aria-label={`Row ${stringsApart(row.strings, strings)} to the tray`}
                  >
                    to the tray
                  </button>
                </th>
                {row.cells.map((cell, column) => {
                  const changed = state.changed[rowIndex]?.[column]
                  return (
                    <td key={cell.bass}>
                      {changed === undefined ? (
                        <span className={classes['none']}>{cell.none ? NONE[cell.none] : ''}</span>
                      ) : (
                        <Cell
                          changed={changed}
                          more={cell.more}
                          chord={map.chord}
                          neck={state.landmarks ? state.neck : undefined}
                          strings={strings}
                          selected={selected.row === rowIndex && selected.column === column}
                          select={() => select({ row: rowIndex, column })}
                        />
                      )}
                    </td>
                  )
                })}
              </tr>
            ) : null,
          )}
        </tbody>
      </table>
    </section>
  )
}

function Cell({
  changed,
  more,
  chord,
  neck,
  strings,
  selected,
  select,
}: {
  readonly changed: ChangedCell
  readonly more: number
  readonly chord: Chord
  /** Given when landmarks are to be shown. */
  readonly neck: Neck | undefined
  readonly strings: number
  readonly selected: boolean
  readonly select: () => void
}) {
  const { settings } = useStore($session)
  if (changed.kind === 'lost') return <span className={classes['none']}>{changed.why}</span>
  const { voicing, moves, playable, knownAs } = changed
  const shape = writeShape(voicing.frets)
  const rootless = !voicing.degrees.includes('R')
  const known = knownAs && writeSymbol(knownAs, { naming: settings.naming, school: settings.symbols })
  return (
    <button
      type="button"
      className={classes['cell']}
      aria-pressed={selected}
      aria-label={`${writeSymbol(chord)}: ${shape}${moves.length > 0 ? `, ${movesWords(moves, strings)}` : ''}`}
      onClick={select}
      data-testid="map-cell"
      data-unplayable={!playable || undefined}
    >
      <SmallNeck frets={voicing.frets} degrees={voicing.degrees} width={124} />
      <small>
        <b>{shape}</b>
        {more > 0 ? ` +${more}` : ''}
        {rootless ? ' · no root' : ''}
      </small>
      {moves.length > 0 && <small>{movesWords(moves, strings)}</small>}
      {!playable && <small className={classes['warn']}>more than four fingers</small>}
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
