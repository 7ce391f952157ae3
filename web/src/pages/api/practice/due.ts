import { CARD_SECONDS, dayPlan } from '@nestling/core/practice'
import type { APIRoute } from 'astro'
import { type DueAnswer, type DueAsk, DueQuery } from '../../../contracts/practice.ts'
import type { Settings } from '../../../contracts/settings.ts'
import type { Repositories } from '../../../data/repositories.ts'
import { readQuery } from '../_respond.ts'

/** `GET /api/practice/due?date=2026-11-23`: the cards of a day; none on a day of rest. */
export const GET: APIRoute = ({ url, locals }) => {
  const query = readQuery(url, DueQuery)
  return query.ok ? Response.json(dueOn(query.value, locals)) : query.response
}

/** Nothing is due on a weekday of rest, or on the one day that was taken off. */
const isRest = (date: string, { restDays, restOn }: Pick<Settings, 'restDays' | 'restOn'>): boolean =>
  restOn === date || restDays.includes(new Date(`${date}T00:00:00Z`).getUTCDay())

const DAY_MS = 24 * 3600_000

function dueOn({ date, ends }: DueAsk, { practice, settings }: Pick<Repositories, 'practice' | 'settings'>): DueAnswer {
  const { cardsADay, newCardsADay, ...rest } = settings.read()
  const cards = practice.cards()
  const plan = dayPlan(cards, {
    endsAt: ends === undefined ? Date.parse(`${date}T00:00:00Z`) + DAY_MS - 1 : Date.parse(ends),
    isRest: isRest(date, rest),
    limits: { cards: cardsADay, newCards: newCardsADay },
    done: practice.answeredOn(date),
  })
  return {
    date,
    rest: plan.isRest,
    cards: plan.asked.map(({ dueAt, ...card }) => ({ ...card, due: new Date(dueAt).toISOString() })),
    lost: plan.lost,
    due: plan.due,
    new: plan.fresh,
    later: plan.later,
    total: cards.length,
    minutes: Math.ceil((plan.asked.length * CARD_SECONDS) / 60),
  }
}
