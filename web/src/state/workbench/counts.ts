/** How many playable shapes each choice would give, and the ways out of an empty result; counted on a second thread. */
import { type ChoiceField, choicesOf, type Player, type Question, readTypedLine, waysOut } from '@nestling/core/request'
import { atom } from 'nanostores'
import { countingClient } from '../../workers/clients.ts'
import type { CountedWayOut, Counts, WorkbenchState } from './types.ts'

export const $counts = atom<Counts>({})
export const $waysOut = atom<readonly CountedWayOut[] | undefined>(undefined)

/** Tunings and top tones are counted when their list is opened: twenty necks are many, and seldom asked for. */
const COUNTED_AHEAD: readonly ChoiceField[] = ['arrangement', 'strings', 'bass', 'omit']

/** A count is wanted once the player has paused. */
const PAUSE_MS = 220

let ticket = 0
let waiting: ReturnType<typeof setTimeout> | undefined

export function forgetCounts(): void {
  ticket++
  clearTimeout(waiting)
}

/** Counts for a state that has settled, word by word; stops when the state is no longer the current one. */
export function countFor(state: WorkbenchState): void {
  const mine = ++ticket
  clearTimeout(waiting)
  $waysOut.set(undefined)
  waiting = setTimeout(() => void countAll(state, mine), PAUSE_MS)
}

/** One question at a time, so that the counting thread is free again as soon as the state has changed. */
async function countOneByOne(
  questions: readonly Question[],
  player: Player,
  mine: number,
  tell: (counts: readonly number[]) => void,
): Promise<boolean> {
  const counts: number[] = []
  for (const question of questions) {
    const count = await countingClient()
      .playableCount(question, player)
      // A count that can't be had is left out: each word works without it.
      .catch(() => undefined)
    if (count === undefined || mine !== ticket) return false
    counts.push(count)
  }
  tell(counts)
  return true
}

async function countAll(state: WorkbenchState, mine: number): Promise<void> {
  const { question, player, search } = state
  if (search.status === 'found' && search.result.playable === 0) {
    const ways = waysOut(question, player)
    const questions = ways.map((way) => way.question)
    const goesOn = await countOneByOne(questions, player, mine, (counts) =>
      $waysOut.set(
        ways.map((way, index) => ({ ...way, playable: counts[index] ?? 0 })).filter((way) => way.playable > 0),
      ),
    )
    if (!goesOn) return
  }
  $counts.set({})
  for (const field of COUNTED_AHEAD) if (!(await countField(state, field, mine))) return
}

const countField = ({ question, player }: WorkbenchState, field: ChoiceField, mine: number): Promise<boolean> =>
  countOneByOne(choicesOf(field, question, player), player, mine, (counts) =>
    $counts.set({ ...$counts.get(), [field]: counts }),
  )

/** Counts a word whose list was opened, if that has not been done ahead. */
export function countWord(field: ChoiceField, state: WorkbenchState): void {
  if ($counts.get()[field] === undefined) void countField(state, field, ticket)
}

/**
 * How many playable shapes each line would give, once whoever types has paused; told as they are counted.
 * @returns what ends the counting.
 */
export function countLines(
  lines: readonly string[],
  { question, player }: Pick<WorkbenchState, 'question' | 'player'>,
  tell: (counts: ReadonlyMap<string, number>) => void,
): () => void {
  let goesOn = true
  const counts = new Map<string, number>()
  const count = async () => {
    for (const line of lines) {
      const read = readTypedLine(line, player, question)
      if (!read.ok) continue
      const playable = await countingClient()
        .playableCount(read.value.question, player)
        .catch(() => undefined)
      if (!goesOn) return
      if (playable !== undefined) tell(new Map(counts.set(line, playable)))
    }
  }
  const paused = setTimeout(() => void count(), PAUSE_MS)
  return () => {
    goesOn = false
    clearTimeout(paused)
  }
}
