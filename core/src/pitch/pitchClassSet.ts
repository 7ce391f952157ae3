/** Sets of pitch classes as twelve bits: for matching, where the spelling does not count. */
import type { PitchClass, PitchClassSet } from './types.ts'

export const pitchClassSetOf = (classes: Iterable<PitchClass>): PitchClassSet => {
  let set = 0
  for (const pitchClass of classes) set |= 1 << pitchClass
  return set
}

/** The same set a number of semitones higher; bits go round the octave. */
export const transposedSet = (set: PitchClassSet, by: number): PitchClassSet => {
  const up = ((by % 12) + 12) % 12
  return ((set << up) | (set >> (12 - up))) & 0xfff
}

/** A set of notes seen from a root: bit n is n semitones above it. */
export const seenFrom = (set: PitchClassSet, root: PitchClass): PitchClassSet => transposedSet(set, -root)

export const holdsPitchClass = (set: PitchClassSet, pitchClass: PitchClass): boolean => ((set >> pitchClass) & 1) === 1

export function sizeOfSet(set: PitchClassSet): number {
  let bits = 0
  for (let rest: number = set; rest !== 0; rest &= rest - 1) bits++
  return bits
}

/** The fewest semitones after which a set is itself again: 3 for a dim7, 4 for an augmented triad, 12 for most. */
export function periodOf(set: PitchClassSet): number {
  for (let by = 1; by < 12; by++) if (transposedSet(set, by) === set) return by
  return 12
}
