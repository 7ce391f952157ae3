/** What is done with cells: into the tray, a row or the whole sheet as well; heard; kept. */
import { writeSymbol } from '@nestling/core/chord'
import type { ChangedCell } from '@nestling/core/map'
import { instrumentFor } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import { soundedNotes } from '@nestling/core/time'
import { writeArrangement } from '@nestling/core/voicing'
import { keepAs } from '../../state/book.ts'
import { tell } from '../../state/notices.ts'
import { hearChords, soundingOf } from '../../state/playback.ts'
import { toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import { counted } from '../../words/shapes.ts'
import type { FoundMap } from './useMap.ts'

type ShapeCell = Extract<ChangedCell, { readonly kind: 'shape' }>
type Where = Pick<FoundMap, 'question' | 'player' | 'neck'>

export const shapeOf = ({ voicing }: ShapeCell, { question, player }: Pick<Where, 'question' | 'player'>): Shape => ({
  chord: voicing.chord,
  frets: voicing.frets,
  tuning: instrumentFor(question, player).tuning,
})

export const hearCell = ({ voicing }: ShapeCell, { neck }: Pick<Where, 'neck'>): void =>
  hearChords([soundingOf(voicing.chord, soundedNotes(voicing.frets, neck, voicing.chord))], 'strum', 'map')

export const keepCell = (cell: ShapeCell, where: Where): Promise<void> => keepAs(shapeOf(cell, where))

/** The chord's map on a sheet. */
export const sheetHref = ({ question }: Pick<Where, 'question'>): string =>
  toSheet({
    kind: 'map',
    chord: writeSymbol(question.chord, { ascii: true }),
    arrangement: writeArrangement(question.arrangement),
  })

/** What doesn't fit into the tray is told there. */
export async function collect(cells: readonly (ChangedCell | undefined)[], where: Where): Promise<void> {
  const shapes = cells.flatMap((cell) => (cell?.kind === 'shape' ? [shapeOf(cell, where)] : []))
  void addToTray(shapes)
  tell.done(`To the tray: ${counted(shapes.length, 'shape')}`)
}
