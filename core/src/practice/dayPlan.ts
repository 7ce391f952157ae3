/**
 * The plan of a day: which cards are asked, in which order. What was lost comes first, then what is due, the longest overdue
 * before, then what is new; limits hold, and what they leave for later is counted. On a day of rest nothing is due.
 */

/** A card as its schedule has it; times are in ms. */
export interface ScheduledCard {
  readonly id: string
  readonly dueAt: number
  /** Never answered yet. */
  readonly isNew: boolean
  /** Lost at the last answer. */
  readonly isLost: boolean
}

export interface DayLimits {
  /** Cards that were never asked before. */
  readonly newCards: number
  /** All cards together. */
  readonly cards: number
}

export interface DayDone {
  /** Cards answered on the day already, and how many of them for the first time: they count towards the limits. */
  readonly cards: number
  readonly newCards: number
}

export interface DayPlan<Card extends ScheduledCard> {
  readonly isRest: boolean
  readonly asked: readonly Card[]
  readonly lost: number
  readonly due: number
  readonly fresh: number
  /** Due or new, and beyond the day's limits. */
  readonly later: number
}

export interface DayAsk {
  /** The last moment of the day, in ms. */
  readonly endsAt: number
  readonly isRest: boolean
  readonly limits: DayLimits
  readonly done?: DayDone | undefined
}

export function dayPlan<Card extends ScheduledCard>(
  cards: readonly Card[],
  { endsAt, isRest, limits, done = { cards: 0, newCards: 0 } }: DayAsk,
): DayPlan<Card> {
  if (isRest) return { isRest, asked: [], lost: 0, due: 0, fresh: 0, later: 0 }
  const byDue = (a: Card, b: Card) => a.dueAt - b.dueAt || (a.id < b.id ? -1 : 1)
  const known = cards.filter(({ isNew, dueAt }) => !isNew && dueAt <= endsAt).toSorted(byDue)
  const lost = known.filter(({ isLost }) => isLost)
  const due = known.filter(({ isLost }) => !isLost)
  const fresh = cards.filter(({ isNew }) => isNew).toSorted(byDue)
  const room = Math.max(0, limits.cards - done.cards)
  const again = [...lost, ...due].slice(0, room)
  const first = fresh.slice(0, Math.min(room - again.length, Math.max(0, limits.newCards - done.newCards)))
  const takenLost = Math.min(lost.length, again.length)
  return {
    isRest,
    asked: [...again, ...first],
    lost: takenLost,
    due: again.length - takenLost,
    fresh: first.length,
    later: known.length + fresh.length - again.length - first.length,
  }
}

/** About so long takes a card, in seconds: what a list says of itself. */
export const CARD_SECONDS = 40
