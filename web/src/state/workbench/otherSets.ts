/** The same question on the other string sets of as many strings: what the rails beside the asked set show. */
import type { ShapesFound } from '@nestling/core/answer'
import type { Question } from '@nestling/core/request'
import { atom } from 'nanostores'
import { countingClient } from '../../workers/clients.ts'
import type { WorkbenchState } from './types.ts'

export interface OtherSets {
  /** The question beside which they stand. */
  readonly question: Question
  /** How many strings the asked set has. */
  readonly size: number
  readonly result: ShapesFound
}

export const $otherSets = atom<OtherSets | undefined>(undefined)

/** Rows that are looked through at most. */
const MOST_SHOWN = 2000
/** The asked set comes first; the others once it is drawn. */
const PAUSE_MS = 60

let ticket = 0
let waiting: ReturnType<typeof setTimeout> | undefined

export function forgetOtherSets(): void {
  ticket++
  clearTimeout(waiting)
}

export function otherSetsFor({ question, player }: WorkbenchState): void {
  forgetOtherSets()
  const mine = ticket
  const { strings, chord } = question
  if (strings === undefined) {
    $otherSets.set(undefined)
    return
  }
  const size = strings.length
  const asked: Question = {
    ...question,
    strings: undefined,
    doubling: question.doubling ?? (size > chord.formula.length ? true : undefined),
  }
  waiting = setTimeout(async () => {
    try {
      const { found } = await countingClient().answerGivingWay(asked, [], player, MOST_SHOWN)
      if (mine === ticket) $otherSets.set({ question, size, result: found })
    } catch {
      // The rail of the asked set is there all the same.
      if (mine === ticket) $otherSets.set(undefined)
    }
  }, PAUSE_MS)
}
