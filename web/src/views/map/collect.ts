/** What is done with cells: into the tray, a row or the whole sheet as well; heard. */
import { type ChangedCell, instrumentFor } from '@nestling/core/build'
import { writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import { writeShape } from '@nestling/core/voicing'
import { MOST_IN_TRAY } from '../../contracts/tray.ts'
import { counted } from '../../neck/words.ts'
import { hearChords, soundingOf } from '../../state/hearing.ts'
import { tell } from '../../state/notices.ts'
import { $tray, addToTray } from '../../state/tray.ts'
import type { FoundMap } from './useMap.ts'

type Shape = Extract<ChangedCell, { readonly kind: 'shape' }>

export const hearCell = ({ voicing }: Shape): void =>
  hearChords(
    [
      soundingOf(
        voicing.chord,
        voicing.midis.filter((midi) => midi !== null),
      ),
    ],
    'strum',
    'map',
  )

/** What doesn't fit into the tray is told. */
export async function collect(
  cells: readonly (ChangedCell | undefined)[],
  { build, setting }: Pick<FoundMap, 'build' | 'setting'>,
): Promise<void> {
  const tuning = writeTuning(instrumentFor(build, setting).tuning)
  const shapes = cells.flatMap((cell) =>
    cell?.kind === 'shape'
      ? [{ chord: writeSymbol(cell.voicing.chord, { ascii: true }), shape: writeShape(cell.voicing.frets), tuning }]
      : [],
  )
  const room = MOST_IN_TRAY - $tray.get().shapes.length
  for (const shape of shapes.slice(0, room)) void addToTray(shape)
  if (shapes.length > room)
    tell.problem('The tray is full', `${room} of ${shapes.length} shapes went in; it holds ${MOST_IN_TRAY}.`)
  else tell.done(`In the tray: ${counted(shapes.length, 'shape')}`)
}
