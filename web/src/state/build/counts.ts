/** How many playable shapes each choice would give, and the ways out of an empty result; counted on a second thread. */
import { CHOICE_FIELDS, choicesOf, waysOut } from '@nestling/core/build'
import { atom } from 'nanostores'
import { countingClient } from '../../workers/searchClient.ts'
import type { BuildState, Counts, WayOut } from './types.ts'

export const $counts = atom<Counts>({})
export const $waysOut = atom<readonly WayOut[] | undefined>(undefined)

/** A count is wanted once the player has paused. */
const PAUSE_MS = 220

let ticket = 0
let waiting: ReturnType<typeof setTimeout> | undefined

export function forgetCounts(): void {
  ticket++
  clearTimeout(waiting)
}

/** Counts for a state that has settled, word by word; stops when the state is no longer the current one. */
export function countFor(state: BuildState): void {
  const mine = ++ticket
  clearTimeout(waiting)
  $waysOut.set(undefined)
  waiting = setTimeout(() => void countAll(state, mine), PAUSE_MS)
}

async function countAll(state: BuildState, mine: number): Promise<void> {
  const { build, setting, search } = state
  if (search.status === 'found' && search.result.playable === 0) {
    const ways = waysOut(build, setting)
    const counts = await countingClient().playableCounts(
      ways.map((way) => way.build),
      setting,
    )
    if (mine !== ticket) return
    $waysOut.set(ways.map((way, index) => ({ ...way, playable: counts[index] ?? 0 })).filter((way) => way.playable > 0))
  }
  let counted: Counts = {}
  for (const field of CHOICE_FIELDS) {
    const counts = await countingClient().playableCounts(choicesOf(field, build, setting), setting)
    if (mine !== ticket) return
    counted = { ...counted, [field]: counts }
    $counts.set(counted)
  }
}
