/** The keys of a sheet. */

import { INKS } from '@nestling/core/sheet'
import { CONTROL } from '../../controls/platform.ts'
import type { KeyLine } from '../../shell/keyTable.ts'
import type { SavingState } from './useSaving.ts'
import type { SheetState } from './useSheet.ts'

export function sheetKeys(state: SheetState, saving: SavingState, turnZoom: () => void): readonly KeyLine[] {
  const { sheet, chosen, choose, change, move, remove } = state
  const at = sheet.blocks.findIndex(({ id }) => id === chosen)
  const go = (by: number) => (event: KeyboardEvent) => {
    if (event.shiftKey) {
      if (chosen !== undefined) move(chosen, by)
      return
    }
    const next = sheet.blocks[Math.min(sheet.blocks.length - 1, Math.max(0, at + by))]
    if (next) choose(next.id)
  }
  const nextInk = () => {
    const ink = INKS[(INKS.indexOf(sheet.ink) + 1) % INKS.length]
    if (ink) change({ ink })
  }
  return [
    {
      keys: ['↑', '↓'],
      does: 'another block; with Shift the block goes up or down',
      acts: { ArrowUp: go(-1), ArrowDown: go(1) },
    },
    { keys: ['Del'], does: 'remove the block', acts: { Delete: () => chosen !== undefined && remove(chosen) } },
    {
      keys: ['Ins'],
      does: 'puts a block in',
      acts: { Insert: () => document.getElementById('sheet-put-in')?.focus() },
    },
    { keys: ['G'], does: 'the next ink', acts: { g: nextInk } },
    { keys: ['D'], does: 'saves a PDF', acts: { d: saving.pdf } },
    { keys: ['Z'], does: 'true size, or the whole page', acts: { z: turnZoom } },
    { keys: [CONTROL, 'P'], does: 'prints the pages as they are seen' },
  ]
}
