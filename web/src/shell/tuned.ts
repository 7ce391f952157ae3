/** The instrument that a view is played on: tuned otherwise in its sentence, it is told so wherever it is named. */
import { useStore } from '@nanostores/react'
import { readKnownTuning, type Tuning, tuningLetters } from '@nestling/core/neck'
import { $carried, type CarryingView } from '../state/carried.ts'
import { $session } from '../state/session.ts'
import type { ViewName } from './views.ts'

const CARRYING: readonly string[] = ['Build', 'Map', 'Arpeggio', 'Key', 'Path'] satisfies readonly CarryingView[]
export const carries = (view: ViewName): view is CarryingView => CARRYING.includes(view)

/** Its tuning now, and as letters. */
export function useTuned(view: ViewName): { readonly tuning: Tuning; readonly letters: string } {
  const { instrument, settings } = useStore($session)
  const { left } = useStore($carried)
  const tuned = carries(view) ? left[view]?.inHand.tuning : undefined
  const read = tuned === undefined ? undefined : readKnownTuning(tuned)
  const tuning = read?.ok ? read.value : instrument.tuning
  return { tuning, letters: tuningLetters(tuning, settings.naming) }
}
