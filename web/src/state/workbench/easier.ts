/** What would be easier than what is asked: looked for on the second thread, once the answer is drawn. */
import type { EasierWay } from '@nestling/core/answer'
import type { Question } from '@nestling/core/request'
import { atom } from 'nanostores'
import { countingClient } from '../../workers/clients.ts'
import type { WorkbenchState } from './types.ts'

export interface Easier {
  /** The question beside which it stands. */
  readonly question: Question
  readonly way: EasierWay
}

export const $easier = atom<Easier | undefined>(undefined)

const PAUSE_MS = 120

let ticket = 0
let waiting: ReturnType<typeof setTimeout> | undefined

export function forgetEasier(): void {
  ticket++
  clearTimeout(waiting)
}

export function easierFor({ question, player }: WorkbenchState): void {
  forgetEasier()
  const mine = ticket
  if ($easier.get()?.question !== question) $easier.set(undefined)
  waiting = setTimeout(async () => {
    // Without it everything else is there all the same.
    const way = await countingClient()
      .easierWay(question, player)
      .catch(() => undefined)
    if (mine === ticket) $easier.set(way && { question, way })
  }, PAUSE_MS)
}
