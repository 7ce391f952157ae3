/** Arrangements and string sets in words. */
import { type StringSet, stringNumber } from '@nestling/core/neck'
import { withSigns } from '@nestling/core/pitch'
import { type Fingers, writeFingers } from '@nestling/core/shape'
import {
  type Arrangement,
  type ArrangementChoice,
  type Frets,
  type NamedArrangement,
  writeFrets,
} from '@nestling/core/voicing'

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

/** The arrangement of a voicing, or the order of its tones where it has no name of its own. */
export const toldArrangement = ({ name, degrees }: Arrangement): string =>
  name === 'list' ? degrees.map(withSigns).join(' ') : arrangementWords({ kind: 'named', name })

export const stringsApart = (set: StringSet, strings: number): string =>
  set.map((index) => stringNumber(index, strings)).join(' ')

/** "1 fret", "2 frets". */
export const counted = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`

/** A shape in the player's shorthand: `x6878x`. */
export const fretsWord = (frets: Frets): string => writeFrets(frets)

/** Fingers as a row of signs, a dot for none: `·1324·`. */
export const fingersWord = (fingers: Fingers): string => writeFingers(fingers).replaceAll('x', '·')
