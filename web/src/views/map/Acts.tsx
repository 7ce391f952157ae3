/** The Map's acts, about the place that is taken: the same words, keys and places as in every view. */
import type { Act } from '../../controls/ActLine.tsx'
import { ActLine } from '../../controls/ActLine.tsx'
import { ChordField, ChordProblem } from '../../controls/ChordField.tsx'
import { ToSheet } from '../../controls/ToSheet.tsx'
import { openKeys } from '../../shell/help.ts'
import { toArpeggio, toBuild, toPractice } from '../../state/links.ts'
import { collect, hearCell, keepCell, shapeOf, sheetHref } from './collect.ts'
import { CHORD_INPUT_ID } from './keys.ts'
import type { Selected } from './MapTable.tsx'
import type { MapState } from './useMap.ts'

export function Acts({ state, selected }: { readonly state: MapState; readonly selected: Selected }) {
  const { typed, type, finish, search } = state
  const found = search.status === 'found' ? search.found : undefined
  const cell = found?.changed[selected.row]?.[selected.column]
  const shape = found && cell?.kind === 'shape' ? shapeOf(cell, found) : undefined
  const about: readonly (readonly Act[])[] =
    found && cell?.kind === 'shape' && shape
      ? [
          [{ words: 'Hear', keyHint: 'Space', isMain: true, run: () => hearCell(cell, found) }],
          [
            { words: 'To the tray', keyHint: 'T', run: () => void collect([cell], found) },
            {
              words: 'Keep',
              keyHint: 'K',
              run: () => void keepCell(cell, found),
              menu: { label: 'More to keep', items: <ToSheet href={sheetHref(state)} /> },
            },
            { words: 'Build', href: toBuild(shape, found.player) },
            { words: 'Arpeggio', href: toArpeggio(shape, found.player) },
            { words: 'Practise', keyHint: 'R', href: toPractice([shape], found.player) },
          ],
        ]
      : []
  return (
    <ActLine
      field={<ChordField id={CHORD_INPUT_ID} typed={typed} type={type} finish={finish} />}
      problem={typed.problem && <ChordProblem id={CHORD_INPUT_ID} typed={typed} />}
      acts={[...about, [{ words: 'Print', run: () => window.print() }]]}
      past={state}
      undo={state.undo}
      redo={state.redo}
      openKeys={openKeys}
    />
  )
}
