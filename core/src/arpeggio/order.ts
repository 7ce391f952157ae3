/** The order in which the tones of an arpeggio are played. */
import type { Degree } from '../pitch/index.ts'
import type { ArpeggioNote } from './types.ts'

/** `round`: up to the highest tone, down to the lowest, and back to where it began. */
export const DIRECTIONS = ['up', 'down', 'up-down', 'round'] as const
export type Direction = (typeof DIRECTIONS)[number]

/** Tones by their number in the line: `1 2 3 4`, `1 3 2 4`, `1 2 3 · 2 3 4`, `1 2 3 4 · 2 3 4 5`. */
export const PATTERNS = ['straight', 'broken', 'threes', 'fours'] as const
export type Pattern = (typeof PATTERNS)[number]

export interface Order {
  /** The tone that it starts and ends on, or `lowest` for everything from the lowest tone. */
  readonly from: Degree | 'lowest'
  readonly direction: Direction
  readonly pattern: Pattern
  /** Octaves above the starting tone at most; without it as many as there are. */
  readonly octaves?: number | undefined
}

/**
 * Indices of the notes in playing order. It starts on the lowest tone of `from` and ends on its highest (up), the other way
 * round (down), or comes back to the start (up-down, round). A line of fewer tones than the pattern needs is played straight.
 * @param notes Low to high.
 * @returns Empty when the line has no tone of that degree.
 */
export function playingOrder(
  notes: readonly Pick<ArpeggioNote, 'degree' | 'midi'>[],
  { from, direction, pattern, octaves }: Order,
): readonly number[] {
  const starts = notes.flatMap(({ degree }, index) => (from === 'lowest' || degree === from ? [index] : []))
  const first = starts[0]
  if (first === undefined) return []
  const top = octaves === undefined ? Number.POSITIVE_INFINITY : (notes[first]?.midi ?? 0) + 12 * octaves
  const within = starts.filter((index) => (notes[index]?.midi ?? 0) <= top)
  const last = within.at(-1) ?? first
  const up = range(first, last)
  switch (direction) {
    case 'up':
      return patterned(up, pattern)
    case 'down':
      return patterned(up.toReversed(), pattern)
    case 'up-down':
      return joined(patterned(up, pattern), patterned(up.toReversed(), pattern))
    case 'round': {
      // The tones below the starting one belong to the hand as well; with a limit of octaves it turns around there.
      const highest = notes.findLastIndex(({ midi }) => midi <= top)
      const toTop = patterned(range(first, Math.max(first, highest)), pattern)
      const down = patterned(range(0, Math.max(first, highest)).toReversed(), pattern)
      return joined(joined(toTop, down), patterned(range(0, first), pattern))
    }
  }
}

const range = (from: number, to: number): readonly number[] =>
  Array.from({ length: to - from + 1 }, (_, index) => from + index)

/** The turning tone is played once. */
const joined = (a: readonly number[], b: readonly number[]): readonly number[] =>
  a.length > 0 && a.at(-1) === b[0] ? [...a, ...b.slice(1)] : [...a, ...b]

function patterned(line: readonly number[], pattern: Pattern): readonly number[] {
  const group = { straight: [0], broken: [0, 2], threes: [0, 1, 2], fours: [0, 1, 2, 3] }[pattern]
  const width = Math.max(...group)
  if (pattern === 'straight' || line.length <= width) return line
  const played: number[] = []
  for (let start = 0; start + width < line.length; start++)
    for (const step of group) played.push(line[start + step] as number)
  // Broken pairs end one tone short of closing: the last two tones close the line.
  return pattern === 'broken' ? [...played, ...line.slice(-2)] : played
}
