/** Blocks as they are when they are put in. */
import type { Block, BlockKind, Sheet } from '@nestling/core/sheet'
import type { Tray } from '../../contracts/progression.ts'
import type { KeptTune } from '../../contracts/tune.ts'
import { newId } from '../../state/ids.ts'

/** What stands around a new block: what it may begin with. */
export interface Around {
  readonly tunes: readonly Pick<KeptTune, 'id' | 'title'>[]
  readonly tray: Tray
}

export function newBlock(kind: BlockKind, { tunes, tray }: Around): Block {
  const id = newId()
  switch (kind) {
    case 'title':
      return { id, kind, text: '', aside: '' }
    case 'chart':
      return { id, kind, source: { kind: 'kept', tune: tunes[0]?.id ?? 1 }, under: 'tab', moves: true }
    case 'key':
      return { id, kind, key: 'C major', depth: 'sevenths', roots: [6, 5], formulas: false }
    case 'map':
      return { id, kind, chord: 'Cmaj7', arrangement: 'drop-2' }
    case 'arpeggio':
      return { id, kind, chord: 'Cmaj7', at: 5, under: 'tab' }
    case 'shapes':
      return {
        id,
        kind,
        title: tray.title,
        shapes: tray.steps.flatMap(({ chord, shape }) =>
          shape ? [{ ...shape, fingers: shape.fingers ?? '', name: chord, note: '' }] : [],
        ),
      }
    case 'words':
      return { id, kind, text: 'Words' }
    case 'legend':
      return { id, kind }
  }
}

const LOOK = { paper: 'A4', lying: false, barsALine: 4, necks: 'lying', labels: 'none', ink: 'colour' } as const

/** A sheet that nothing has been put on. */
export const emptySheet = (title: string): Sheet => ({
  ...LOOK,
  title,
  blocks: [
    { id: newId(), kind: 'title', text: title, aside: '' },
    { id: newId(), kind: 'legend' },
  ],
})

/** Above the legend, which stays last. */
export function withBlock(sheet: Sheet, block: Block): Sheet {
  const legend = sheet.blocks.findIndex(({ kind }) => kind === 'legend')
  const at = legend < 0 ? sheet.blocks.length : legend
  return { ...sheet, blocks: [...sheet.blocks.slice(0, at), { ...block, id: newId() }, ...sheet.blocks.slice(at)] }
}
