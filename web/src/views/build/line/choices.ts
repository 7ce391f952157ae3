/** What each word of the build line may be. */
import { omittableDegrees } from '@nestling/core/chord'
import { type StringSet, stringNumber } from '@nestling/core/neck'
import { type Degree, withSigns } from '@nestling/core/pitch'
import { ARRANGEMENT_NAMES, type ArrangementChoice, type NamedArrangement } from '@nestling/core/voicing'

export const ARRANGEMENTS: readonly ArrangementChoice[] = [
  { kind: 'any' },
  ...ARRANGEMENT_NAMES.map((name) => ({ kind: 'named' as const, name })),
]

const NAMES: Record<NamedArrangement, string> = {
  close: 'close',
  'drop-2': 'drop 2',
  'drop-3': 'drop 3',
  'drop-2-4': 'drop 2 & 4',
  'drop-2-3': 'drop 2 & 3',
  spread: 'spread',
  shell: 'shell',
}

export function arrangementWords(arrangement: ArrangementChoice): string {
  switch (arrangement.kind) {
    case 'any':
      return 'any arrangement'
    case 'named':
      return NAMES[arrangement.name]
    case 'list':
      return arrangement.degrees.map(withSigns).join(' ')
  }
}

export const stringsApart = (set: StringSet, strings: number): string =>
  set.map((index) => stringNumber(index, strings)).join(' ')

/** Neighbouring strings first, then sets with one gap; as many strings as the chord has tones, or one fewer. */
export function stringSetChoices(strings: number, tones: number): readonly (StringSet | undefined)[] {
  const sets: StringSet[] = []
  for (const size of [Math.min(tones, strings, 6), Math.min(tones, strings, 6) - 1]) {
    if (size < 2) continue
    for (let low = 0; low + size <= strings; low++) sets.push(Array.from({ length: size }, (_, index) => low + index))
    for (let low = 0; low + size < strings; low++)
      for (let gap = 1; gap < size; gap++)
        sets.push(Array.from({ length: size }, (_, index) => low + index + (index >= gap ? 1 : 0)))
  }
  return [undefined, ...sets]
}

export const bassChoices = (tones: readonly Degree[]): readonly (Degree | undefined)[] => [undefined, ...tones]

/** By the school, nothing, or each tone that may go. */
export const omissionChoices = (tones: readonly Degree[]): readonly (readonly Degree[] | undefined)[] => [
  undefined,
  [],
  ...omittableDegrees(tones).map((degree) => [degree]),
]
