/** The sentence of the day: how many cards, how long they take, and what is asked at most. */
import { useStore } from '@nanostores/react'
import type { ReactNode } from 'react'
import { Choice } from '../../controls/Choice.tsx'
import sentence from '../../controls/sentence.module.css'
import { Word } from '../../controls/Word.tsx'
import { $session, changeSettings } from '../../state/session.ts'
import { localDay, WEEKDAYS } from '../../words/days.ts'
import { counted } from '../../words/shapes.ts'
import classes from './CardsView.module.css'
import type { CardsState } from './useCards.ts'

const A_DAY = [10, 20, 30, 50, 100].map((count) => [count, `${count} a day`] as const)
const NEW_A_DAY = [0, 3, 5, 8, 12, 20].map((count) => [count, `${count} new ones`] as const)

export function DaySentence({ state, children }: { readonly state: CardsState; readonly children: ReactNode }) {
  const { settings } = useStore($session)
  const { day, left, reload } = state
  const minutes = day ? Math.ceil((left.length * day.minutes) / Math.max(1, day.cards.length)) : 0
  const change = (changes: Parameters<typeof changeSettings>[0]) => void changeSettings(changes).then(reload)
  const today = localDay(new Date())
  const isOff = settings.restOn === today
  const useRests = () => [
    { value: -1, words: isOff ? 'today after all' : 'rest today', now: isOff },
    ...WEEKDAYS.map((words, value) => ({ value, words: `every ${words}`, now: settings.restDays.includes(value) })),
  ]
  const rest = (day: number) => {
    if (day < 0) return change({ restOn: isOff ? '' : today })
    const { restDays } = settings
    return change({ restDays: restDays.includes(day) ? restDays.filter((one) => one !== day) : [...restDays, day] })
  }
  const rests = settings.restDays.map((one) => WEEKDAYS[one]).join(', ')
  return (
    <section aria-label="The day" className={classes['question']}>
      <p className={sentence['sentence']}>
        <strong className={sentence['chord']} data-testid="cards-left">
          {day === undefined ? 'Cards' : counted(left.length, 'card')}
        </strong>
        {minutes > 0 && `today, about ${counted(minutes, 'minute')}; `}
        {'at most '}
        <Choice
          label="Cards in a day"
          value={settings.cardsADay}
          options={A_DAY}
          take={(cardsADay) => change({ cardsADay })}
          otherwise={`${settings.cardsADay} a day`}
        />
        {', '}
        <Choice
          label="New cards in a day"
          value={settings.newCardsADay}
          options={NEW_A_DAY}
          take={(newCardsADay) => change({ newCardsADay })}
          otherwise={`${settings.newCardsADay} new ones`}
        />
        {', '}
        <Word
          label="Days of rest"
          now={isOff ? 'resting today' : rests === '' ? 'no day of rest' : `resting on ${rests}`}
          useChoices={useRests}
          take={rest}
        />
      </p>
      {children}
    </section>
  )
}
