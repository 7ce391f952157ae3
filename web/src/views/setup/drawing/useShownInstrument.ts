/** The instrument in hand as it is shown: while it is pulled, and until the server has what was changed. */
import { useStore } from '@nanostores/react'
import type { Instrument } from '@nestling/core/neck'
import { useMemo } from 'react'
import { instrumentFrom } from '../../../contracts/instrument.ts'
import { $session } from '../../../state/session.ts'
import { $pending } from '../bench/bench.ts'

export function useShownInstrument(pulled: Instrument | undefined): Instrument {
  const { instrument } = useStore($session)
  const pending = useStore($pending)
  return useMemo(() => {
    if (pulled) return pulled
    const draft = pending && instrumentFrom(pending)
    return draft?.ok ? draft.value : instrument
  }, [pulled, pending, instrument])
}
