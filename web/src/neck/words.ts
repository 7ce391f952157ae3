/** Arrangements and string sets in words. */
import { type StringSet, stringNumber } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import type { ArrangementChoice, NamedArrangement } from '@nestling/core/voicing'

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

/** "string 5 +2, string 4 −1": up or down in frets. */
export const movesWords = (
  moves: readonly { readonly string: number; readonly by: number }[],
  strings: number,
): string => moves.map(({ string, by }) => `string ${strings - string} ${by > 0 ? '+' : '−'}${Math.abs(by)}`).join(', ')

export const stringsApart = (set: StringSet, strings: number): string =>
  set.map((index) => stringNumber(index, strings)).join(' ')

/** "1 fret", "2 frets". */
export const counted = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`
