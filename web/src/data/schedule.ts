/**
 * The schedule of recall cards: FSRS, by its package, with the package's own weights and without chance. A card's schedule
 * is always the fold of its answers in the order of their times, so that an answer that is corrected, taken out or comes
 * late from another page leaves nothing behind.
 */
import type { Grade } from '@nestling/core/practice'
import { type Card, createEmptyCard, fsrs, type Grade as Rated, Rating, State } from 'ts-fsrs'

const scheduler = fsrs({ enable_fuzz: false })
const RATINGS: Readonly<Record<Grade, Rated>> = {
  lost: Rating.Again,
  hard: Rating.Hard,
  had: Rating.Good,
  easy: Rating.Easy,
}

/** Times in ms. */
export interface CardSchedule {
  readonly dueAt: number
  readonly stability: number
  readonly difficulty: number
  readonly scheduledDays: number
  readonly learningSteps: number
  readonly reps: number
  readonly lapses: number
  readonly state: number
  readonly lastAt: number | null
}

export interface Answered {
  readonly at: number
  readonly grade: Grade
}

/** @param createdAt When the card was made, in ms: an unanswered card is due then. */
export function scheduleOf(createdAt: number, answers: readonly Answered[]): CardSchedule {
  const [first, ...rest] = answers.toSorted((a, b) => a.at - b.at)
  if (!first) return scheduled(createEmptyCard(new Date(createdAt)))
  // A card is not older than its first answer: clocks of two pages may differ.
  let card = createEmptyCard(new Date(Math.min(createdAt, first.at)))
  for (const { at, grade } of [first, ...rest]) card = scheduler.next(card, new Date(at), RATINGS[grade]).card
  return scheduled(card)
}

const scheduled = (card: Card): CardSchedule => ({
  dueAt: card.due.getTime(),
  stability: card.stability,
  difficulty: card.difficulty,
  scheduledDays: card.scheduled_days,
  learningSteps: card.learning_steps,
  reps: card.reps,
  lapses: card.lapses,
  state: card.state,
  lastAt: card.last_review?.getTime() ?? null,
})

export const isNew = ({ state }: Pick<CardSchedule, 'state'>): boolean => state === State.New
export const isLost = ({ state }: Pick<CardSchedule, 'state'>): boolean => state === State.Relearning
