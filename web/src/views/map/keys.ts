/** What every key does in the Map. */
import type { PageKeys } from '../../shell/pageKeys.ts'
import { collect, hearCell } from './collect.ts'
import type { Selected } from './Sheet.tsx'
import type { MapState } from './useMap.ts'

export const CHORD_INPUT_ID = 'map-chord'

export function mapKeys({ search, undo, redo }: MapState, { row, column }: Selected): PageKeys {
  const found = search.status === 'found' ? search.found : undefined
  const cell = found?.changed[row]?.[column]
  return {
    undo,
    redo,
    acts: {
      '/': () => document.getElementById(CHORD_INPUT_ID)?.focus(),
      ...(found && cell?.kind === 'shape' ? { ' ': () => hearCell(cell), t: () => collect([cell], found) } : {}),
    },
  }
}
