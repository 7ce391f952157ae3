/** The voicing inside the line, to Build, to the tray and to the Book. */
import { writeSymbol } from '@nestling/core/chord'
import { instrumentFor } from '@nestling/core/request'
import type { Shape } from '@nestling/core/shape'
import type { Frets } from '@nestling/core/voicing'
import { keepAs } from '../../state/book.ts'
import { arpeggioToPractice, toBuild } from '../../state/links.ts'
import { toSheet } from '../../state/toSheet.ts'
import { addToTray } from '../../state/tray.ts'
import type { ArpeggioState } from './useArpeggio.ts'

const shapeOf = ({ plan, player }: ArpeggioState, frets: Frets): Shape => ({
  chord: plan.chord,
  frets,
  tuning: instrumentFor(plan, player).tuning,
})
export const buildHref = (state: ArpeggioState, voicing: Frets): string =>
  toBuild(shapeOf(state, voicing), state.player)

/** The arpeggio through all roots, from its own. */
export const practiseHref = ({ plan, player }: ArpeggioState): string =>
  arpeggioToPractice(plan.chord, instrumentFor(plan, player).tuning, player)

/** On a sheet: its tones under the hand where it is now, and the line as TAB. */
export const sheetHref = ({ plan }: ArpeggioState): string =>
  toSheet({ kind: 'arpeggio', chord: writeSymbol(plan.chord, { ascii: true }), at: plan.at, under: 'tab' })

export const toTray = (state: ArpeggioState, voicing: Frets): Promise<void> => addToTray([shapeOf(state, voicing)])

export const keep = (state: ArpeggioState, voicing: Frets): Promise<void> => keepAs(shapeOf(state, voicing))

export const soundFileName = ({ plan }: ArpeggioState, tempo: number): string =>
  `${writeSymbol(plan.chord, { ascii: true })} arpeggio ${tempo}.wav`
