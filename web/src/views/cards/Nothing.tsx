/** When no card is asked: why, and what to do next. */
import { useStore } from '@nanostores/react'
import { neckOf } from '@nestling/core/neck'
import { chanceOf, nearestRule, readMaterial, runOf } from '@nestling/core/practice'
import { must } from '@nestling/core/result'
import { keepDeck } from '../../state/decks.ts'
import { tell } from '../../state/notices.ts'
import { $player } from '../../state/session.ts'
import { deckWords } from '../../words/cards.ts'
import { counted } from '../../words/shapes.ts'
import classes from './CardsView.module.css'
import type { CardsState } from './useCards.ts'

const FRET_MAX = 15

export function Nothing({ state }: { readonly state: CardsState }) {
  const player = useStore($player)
  const { status, problem, day, answered, reload } = state
  const first = async () => {
    const neck = neckOf(player.instrument)
    const material = must(readMaterial('m7', neck.open.length))
    const ask = {
      material,
      cycle: 'fourths',
      from: 'E',
      rule: nearestRule(neck.open.length),
      fretMax: FRET_MAX,
      random: chanceOf(1),
    } as const
    const steps = runOf(ask, neck, player.hand)
    const reply = await keepDeck({
      material,
      title: '',
      steps,
      tuning: player.instrument.tuning,
      neck,
      hand: player.hand,
    })
    if (reply?.ok) tell.done(deckWords(reply.value))
    else if (reply?.waits) tell.waits('The cards wait', reply.message)
    else tell.problem('No cards', reply?.message ?? 'No minor seventh lies on this instrument.')
    reload()
  }
  switch (status) {
    case 'loading':
      return (
        <p className={classes['nothing']} role="status">
          Looking what is due…
        </p>
      )
    case 'failed':
      return (
        <div className={classes['nothing']} role="alert">
          <p>{problem}</p>
          <button type="button" className={classes['option']} onClick={reload}>
            Try again
          </button>
        </div>
      )
    case 'rest':
      return (
        <p className={classes['nothing']} data-testid="cards-rest">
          A day of rest: nothing is due. Hands grow on days like this one.
        </p>
      )
    case 'none':
      return (
        <div className={classes['nothing']}>
          <p>
            No cards yet. They are made from a run, one question each: a shape on another root, the degree on a string,
            the tone that is silent.
          </p>
          <button type="button" className={classes['option']} data-main onClick={() => void first()}>
            Make the first ones, of minor sevenths
          </button>
        </div>
      )
    default:
      return (
        <div className={classes['nothing']}>
          <p data-testid="cards-done">
            {answered > 0 ? `${counted(answered, 'card')} answered: that is all for today.` : 'Nothing is due today.'}
          </p>
          {(day?.later ?? 0) > 0 && <p>{day?.later} more wait for another day.</p>}
          <a className={classes['option']} href="/practice">
            Play a run
          </a>{' '}
          <a className={classes['option']} href="/logbook">
            See the logbook
          </a>
        </div>
      )
  }
}
