/** What the day still asks, in its order; long lists say how long they are. */
import { useStore } from '@nanostores/react'
import { readCard } from '@nestling/core/practice'
import { $session } from '../../state/session.ts'
import { cardWords } from '../../words/cards.ts'
import { counted } from '../../words/shapes.ts'
import classes from './CardsView.module.css'
import type { CardsState } from './useCards.ts'

export function DayList({ state }: { readonly state: CardsState }) {
  const { settings } = useStore($session)
  const { day, left, answered } = state
  if (!day || day.total === 0) return null
  return (
    <section aria-label="Today’s list">
      <h2 className={classes['title']}>
        Today{' '}
        <span>
          {left.length} to come{answered > 0 ? `, ${answered} answered` : ''}
        </span>
      </h2>
      <ol className={classes['list']}>
        {left.map((due, index) => {
          const card = readCard(due.card, due.tuning.split(',').length)
          return (
            <li key={due.id} aria-current={index === 0 || undefined}>
              <span>{card ? cardWords(card, settings.naming) : due.card}</span>
              <em>{due.isLost ? 'was lost' : due.isNew ? 'new' : 'due again'}</em>
            </li>
          )
        })}
      </ol>
      <p className={classes['hint']}>
        {day.later > 0 && `${counted(day.later, 'card')} more ${day.later === 1 ? 'waits' : 'wait'} for another day. `}
        {counted(day.total, 'card')} in all.
      </p>
    </section>
  )
}
