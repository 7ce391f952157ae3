/** How grips are chosen, and who plays along, as two words of a sentence; the second only where there is a first. */
import type { Manner } from '@nestling/core/taste'
import { MANNER_OPTIONS, MANNER_WORDS } from '../words/manners.ts'
import { Choice } from './Choice.tsx'
import { EnsembleWord } from './EnsembleWord.tsx'

export function MannerWords({
  manner,
  habit,
  take,
}: {
  readonly manner: Manner | undefined
  /** What stands where none is asked for: the player's own. */
  readonly habit: Manner | undefined
  readonly take: (manner: Manner | undefined) => void
}) {
  return (
    <>
      <Choice<Manner | 'usual'>
        label="Manner"
        value={manner ?? 'usual'}
        options={
          habit === undefined
            ? MANNER_OPTIONS
            : [['usual', `${MANNER_WORDS[habit]}, as always`], ...MANNER_OPTIONS.slice(1)]
        }
        take={(taken) => take(taken === 'usual' ? undefined : taken)}
      />
      {(manner ?? habit) !== undefined && (
        <>
          {' '}
          <EnsembleWord />
        </>
      )}
    </>
  )
}
