/** Recall cards of the run that is shown. */
import { keepDeck } from '../../state/decks.ts'
import { tell } from '../../state/notices.ts'
import { $session } from '../../state/session.ts'
import { deckWords } from '../../words/cards.ts'
import type { RunState } from './useRun.ts'

export async function makeCards({
  plan,
  steps,
  neck,
  player,
}: Pick<RunState, 'plan' | 'steps' | 'neck' | 'player'>): Promise<void> {
  const tuning = plan.tuning ?? $session.get().instrument.tuning
  const reply = await keepDeck({ ...plan, steps, tuning, neck, hand: player.hand })
  if (reply === undefined) tell.done('No shape of it lies here: there is nothing to ask.')
  else if (reply.ok) tell.done(deckWords(reply.value))
  else if (reply.waits) tell.waits('The cards wait', reply.message)
  else tell.problem('No cards', reply.message)
}
