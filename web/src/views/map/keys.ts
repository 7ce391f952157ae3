/** What every key does in the Map. */
import type { SharedActs } from '../../shell/keyTable.ts'
import { toPractice } from '../../state/links.ts'
import { collect, hearCell, keepCell, shapeOf, sheetHref } from './collect.ts'
import type { Selected } from './MapTable.tsx'
import type { MapState } from './useMap.ts'

export const CHORD_INPUT_ID = 'map-chord'

export function mapActs({ search, question, undo, redo }: MapState, { row, column }: Selected): SharedActs {
  const found = search.status === 'found' ? search.found : undefined
  const cell = found?.changed[row]?.[column]
  return {
    fieldId: CHORD_INPUT_ID,
    typeWords: 'type another chord',
    undo,
    redo,
    toSheet: () => sheetHref({ question }),
    ...(found && cell?.kind === 'shape'
      ? {
          play: () => hearCell(cell, found),
          toTray: () => collect([cell], found),
          keep: () => keepCell(cell, found),
          practise: () => toPractice([shapeOf(cell, found)], found.player),
        }
      : {}),
  }
}
