/** What every page is given by the server, and how the stores take it before the first drawing. */

import type { Player } from '@nestling/core/request'
import type { KeptInstrument, OwnTuning } from '../contracts/instrument.ts'
import type { Tray } from '../contracts/progression.ts'
import { playerOf, type Settings } from '../contracts/settings.ts'
import { openSession, sessionOf } from './session.ts'
import { openTray } from './tray.ts'

export interface PageData {
  readonly settings: Settings
  /** What this browser has chosen that is not in `settings` yet. */
  readonly chosen?: Partial<Settings>
  readonly instruments: readonly KeptInstrument[]
  readonly tunings: readonly OwnTuning[]
  readonly tray: Tray
  /** The server asks for a passphrase: whoever came in can leave. */
  readonly hasDoor: boolean
}

/** Who plays, as the stores will have it once the page is open. */
export function playerOnPage({ settings, chosen, instruments, tunings }: PageData): Player {
  const session = sessionOf({ ...settings, ...chosen }, instruments, tunings)
  return playerOf(session.settings, session.instrument, session.tunings)
}

export function openPage({ settings, chosen, instruments, tunings, tray }: PageData): void {
  openSession(sessionOf(settings, instruments, tunings), chosen)
  openTray(tray)
}
