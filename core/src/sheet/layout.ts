/** A sheet laid out: blocks into rows, rows onto pages. */
import { arpeggioRows } from './blocks/arpeggio.ts'
import { chartRows } from './blocks/chart.ts'
import { keyRows } from './blocks/key.ts'
import { legendRows } from './blocks/legend.ts'
import { mapRows } from './blocks/map.ts'
import { shapesRows } from './blocks/shapes.ts'
import { titleRows, wordsRows } from './blocks/words.ts'
import type { BlockRoom, SheetContext } from './context.ts'
import { type BlockPlace, MARGIN_MM, type Page, type PageSize, pageSize, pagesOf } from './paper.ts'
import type { Row } from './row.ts'
import type { Block, Sheet, SheetTune } from './types.ts'

export interface SheetPages {
  readonly size: PageSize
  readonly pages: readonly Page[]
  readonly places: readonly BlockPlace[]
}

/** Rows that were laid out last: a block that has not changed, in a room that has not, is not laid out anew. */
export type RowMemory = Map<string, { readonly key: string; readonly rows: readonly Row[] }>

/**
 * Pages of a sheet. The same list of marks is drawn on the screen, printed and written into files.
 * @param memory Kept by the caller from one layout to the next; blocks that are the same are taken from it.
 */
export function layoutSheet(sheet: Sheet, context: SheetContext, memory: RowMemory = new Map()): SheetPages {
  const size = pageSize(sheet)
  const room: BlockRoom = { ...context, sheet, width: size.width - 2 * MARGIN_MM }
  const { blocks: _blocks, ...look } = sheet
  const around = contextKey(context)
  const rows = sheet.blocks.flatMap((block) => {
    const key = JSON.stringify([
      block,
      { ...look, title: block.kind === 'title' ? look.title : '' },
      tuneBehind(block, context),
      around,
    ])
    const known = memory.get(block.id)
    if (known?.key === key) return known.rows
    const made = rowsOf(block, room)
    memory.set(block.id, { key, rows: made })
    return made
  })
  return { size, ...pagesOf(rows, size) }
}

/** A kept tune may have been changed since. */
function tuneBehind(block: Block, { tunes }: SheetContext): SheetTune | undefined {
  if (block.kind !== 'chart' || block.source.kind !== 'kept') return undefined
  const { tune } = block.source
  return tunes.find(({ id }) => id === tune)
}

const contextKey = ({ player, facing, naming, school }: SheetContext) => [
  player.instrument,
  player.hand,
  player.thumb,
  facing,
  naming,
  school,
]

function rowsOf(block: Block, room: BlockRoom): readonly Row[] {
  switch (block.kind) {
    case 'title':
      return titleRows(block, room)
    case 'chart':
      return chartRows(block, room)
    case 'key':
      return keyRows(block, room)
    case 'map':
      return mapRows(block, room)
    case 'arpeggio':
      return arpeggioRows(block, room)
    case 'shapes':
      return shapesRows(block, room)
    case 'words':
      return wordsRows(block, room)
    case 'legend':
      return legendRows(block, room)
  }
}
