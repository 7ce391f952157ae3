/** From one shape to another on the same strings: the one measure of how far its voices go. */
import type { Fret, StringIndex } from '../neck/index.ts'
import type { Voicing } from './types.ts'

/** One string that changes. `null`: it does not sound. */
export interface StringMove {
  readonly string: StringIndex
  readonly from: Fret | null
  readonly to: Fret | null
  /** In semitones; up is positive. 0 for a string that starts or stops. */
  readonly by: number
}

/** A string that starts or stops sounding counts as much as one that moves so many semitones. */
export const START_OR_STOP = 3

type Sounded = Pick<Voicing, 'frets' | 'midis'>

/** The strings that change, lowest first; those that stay are left out. */
export const movesBetween = (from: Sounded, to: Sounded): readonly StringMove[] =>
  to.midis.flatMap((midi, string): readonly StringMove[] => {
    const before = from.midis[string] ?? null
    if (midi === before) return []
    const by = midi === null || before === null ? 0 : midi - before
    return [{ string, from: from.frets[string] ?? null, to: to.frets[string] ?? null, by }]
  })

/**
 * How far all strings travel together, silent ones as `null`.
 * @param from Pitches or frets of every string; the answer is in semitones or frets accordingly.
 */
export function travel(from: readonly (number | null)[], to: readonly (number | null)[]): number {
  let sum = 0
  for (let string = 0; string < to.length; string++) {
    const a = from[string] ?? null
    const b = to[string] ?? null
    if (a === null || b === null) sum += a === b ? 0 : START_OR_STOP
    else sum += Math.abs(a - b)
  }
  return sum
}
