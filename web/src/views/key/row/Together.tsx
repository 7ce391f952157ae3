/** How many chords the pointed key shares with the present one; else what the row tells. */
import { useStore } from '@nanostores/react'
import { sharedChords, writeKey } from '@nestling/core/key'
import { writeNote } from '@nestling/core/pitch'
import { $session } from '../../../state/session.ts'
import type { KeyState } from '../useKey.ts'
import { $pointedKey } from './pointedKey.ts'

export function Together({ state, className }: { readonly state: KeyState; readonly className: string | undefined }) {
  const { settings } = useStore($session)
  const pointed = useStore($pointedKey)
  const { plan } = state.answer
  if (!pointed || pointed.tonic === plan.key.tonic)
    return (
      <span className={className}>
        keys by fourths
        <br />
        {plan.asks.every(({ kind }) => kind === 'root') ? 'best root string' : 'where it ends'}
      </span>
    )
  const shared = sharedChords(plan.key, pointed, plan.depth).length
  return (
    <span
      className={className}
      role="status"
      aria-label={`${writeKey(pointed, { naming: settings.naming })} shares ${shared} of 7 chords`}
      data-testid="together"
    >
      shares {shared} of 7
      <br />
      with {writeNote(pointed.tonic, settings.naming)}
    </span>
  )
}
