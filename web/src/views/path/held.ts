/** What is asked of single chords follows them when the chart changes. */
import type { PlayedChord } from '@nestling/core/chart'

const same = (a: PlayedChord | undefined, b: PlayedChord | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  a.chord.root === b.chord.root &&
  a.chord.bass === b.chord.bass &&
  a.chord.formula.join() === b.chord.formula.join()

/** What stands before and behind the change keeps its own; a chord that is another one now loses it. */
export function heldThrough<Asked extends { readonly chord: number }>(
  held: readonly Asked[],
  before: readonly PlayedChord[],
  after: readonly PlayedChord[],
): readonly Asked[] {
  const shorter = Math.min(before.length, after.length)
  let head = 0
  while (head < shorter && same(before[head], after[head])) head++
  let tail = 0
  while (tail < shorter - head && same(before.at(-1 - tail), after.at(-1 - tail))) tail++
  return held.flatMap((one): readonly Asked[] => {
    if (one.chord < head) return [one]
    const moved = one.chord + after.length - before.length
    if (one.chord >= before.length - tail) return [{ ...one, chord: moved }]
    return []
  })
}
