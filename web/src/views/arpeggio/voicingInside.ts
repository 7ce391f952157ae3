/** The voicing inside the line, to Build and to the tray. */
import { instrumentFor } from '@nestling/core/build'
import { writeSymbol } from '@nestling/core/chord'
import { writeTuning } from '@nestling/core/neck'
import { type Frets, writeShape } from '@nestling/core/voicing'
import { addToTray } from '../../state/tray.ts'
import type { ArpeggioState } from './useArpeggio.ts'

const draftOf = ({ plan, setting }: ArpeggioState, voicing: Frets) => ({
  chord: writeSymbol(plan.chord, { ascii: true }),
  shape: writeShape(voicing),
  tuning: writeTuning(instrumentFor(plan, setting).tuning),
})
export const buildHref = (state: ArpeggioState, voicing: Frets): string =>
  `/?${new URLSearchParams(draftOf(state, voicing))}`

export async function toTray(state: ArpeggioState, voicing: Frets): Promise<void> {
  await addToTray(draftOf(state, voicing))
}
