/** Recall cards made from a run, to be asked from today on; and the cards of a day. */
import type { HandProfile } from '@nestling/core/hand'
import { type Neck, type Tuning, writeTuning } from '@nestling/core/neck'
import { deckOf, type Material, type RunStep, writeCard, writeMaterial } from '@nestling/core/practice'
import type { DueAnswer } from '../contracts/practice.ts'
import { endOfDay, localDay } from '../words/days.ts'
import { call, type Reply } from './http.ts'
import { keepOrWait } from './outbox.ts'

/** The same run gives the same cards: made again, none is asked twice. */
const DECK_SEED = 1
const MOST_CARDS = 200

export interface DeckAsk {
  readonly material: Material
  readonly title: string
  readonly steps: readonly RunStep[]
  readonly tuning: Tuning
  readonly neck: Neck
  readonly hand: HandProfile
}

/** `undefined` where there is nothing to ask. */
export async function keepDeck({
  material,
  title,
  steps,
  tuning,
  neck,
  hand,
}: DeckAsk): Promise<Reply<{ readonly added: number; readonly there: number }> | undefined> {
  const cards = deckOf(steps, DECK_SEED, neck, hand).map(writeCard)
  if (cards.length === 0) return undefined
  // Sent twice they are kept once: a card is known by its question.
  return keepOrWait({
    method: 'POST',
    path: '/api/practice/cards',
    name: `cards of ${title || writeMaterial(material)}`,
    body: {
      material: writeMaterial(material),
      title,
      tuning: writeTuning(tuning),
      cards: cards.slice(0, MOST_CARDS),
    },
  })
}

export function dueCards(now: Date): Promise<Reply<DueAnswer>> {
  const query = new URLSearchParams({ date: localDay(now), ends: endOfDay(now).toISOString() })
  return call('GET', `/api/practice/due?${query}`)
}
