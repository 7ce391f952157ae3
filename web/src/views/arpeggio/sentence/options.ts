/** What the words of the line offer. */
import { type Tuning, writeTuning } from '@nestling/core/neck'
import type { NamingSystem } from '@nestling/core/pitch'
import { tuningsOffered } from '@nestling/core/request'
import type { Options } from '../../../controls/Choice.tsx'
import type { WordChoice } from '../../../controls/Word.tsx'
import { tuningWords } from '../../../words/tunings.ts'
import type { Plan } from '../types.ts'
import type { ArpeggioState } from '../useArpeggio.ts'

export const OCTAVES: Options<number> = [
  [1, '1 octave'],
  [2, '2 octaves'],
  [3, '3 octaves'],
]

export const named = <Value extends string>(
  values: readonly Value[],
  words: Readonly<Record<Value, string>>,
): Options<Value> => values.map((value) => [value, words[value]])

type OnNeck = Pick<ArpeggioState, 'plan' | 'player'>

export function tuningChoices({ plan, player }: OnNeck, naming: NamingSystem): readonly WordChoice<Tuning>[] {
  const now = writeTuning(plan.tuning ?? player.instrument.tuning)
  return tuningsOffered(player).map((tuning) => ({
    value: tuning,
    words: tuningWords(tuning, naming),
    now: writeTuning(tuning) === now,
  }))
}

/** In another tuning nothing that was chosen by string holds. */
export const inTuning = ({ player }: OnNeck, tuning: Tuning): Partial<Plan> => ({
  tuning: writeTuning(tuning) === writeTuning(player.instrument.tuning) ? undefined : tuning,
  shape: undefined,
  chosen: [],
  line: 0,
  string: 0,
})
