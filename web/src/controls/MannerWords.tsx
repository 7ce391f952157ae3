/** How grips are chosen, and who plays along, as two words of a sentence; the second only where the first was said. */
import type { Manner } from '@nestling/core/taste'
import { MANNER_OPTIONS } from '../words/manners.ts'
import { Choice } from './Choice.tsx'
import { EnsembleWord } from './EnsembleWord.tsx'

export function MannerWords({
  manner,
  take,
}: {
  readonly manner: Manner | undefined
  readonly take: (manner: Manner | undefined) => void
}) {
  return (
    <>
      <Choice<Manner | 'usual'>
        label="Manner"
        value={manner ?? 'usual'}
        options={MANNER_OPTIONS}
        take={(taken) => take(taken === 'usual' ? undefined : taken)}
      />
      {manner !== undefined && (
        <>
          {' '}
          <EnsembleWord />
        </>
      )}
    </>
  )
}
