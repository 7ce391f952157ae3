/** How the tones above a root are usually held, by how many the chord has: the order and the strings. */
import type { Chord } from '../chord/index.ts'
import type { Neck, StringIndex, StringSet } from '../neck/index.ts'
import { held, type LaneHand, orderAt, toneOf } from './shapeAt.ts'
import type { ToneNumber } from './types.ts'

export interface UsualOrder {
  readonly order: readonly ToneNumber[]
  /** From the lowest, as indices. */
  readonly strings: StringSet
}

/** Orders that players use, the usual one first; strings count from the root's own up. */
const USUAL: Readonly<
  Record<number, readonly { readonly order: readonly ToneNumber[]; readonly up: readonly number[] }[]>
> = {
  3: [
    { order: [1, 3, 5], up: [0, 1, 2] },
    { order: [1, 5, 3], up: [0, 1, 2] },
    { order: [1, 5, 3], up: [0, 2, 3] },
  ],
  // Over the two lowest roots the seventh lies low and the rest clear of the bass.
  7: [
    { order: [1, 7, 3, 5], up: [0, 2, 3, 4] },
    { order: [1, 5, 7, 3], up: [0, 1, 2, 3] },
  ],
  9: [
    { order: [1, 3, 7, 9], up: [0, 1, 2, 3] },
    { order: [1, 7, 9, 5], up: [0, 2, 3, 4] },
  ],
  11: [
    { order: [1, 7, 3, 11], up: [0, 2, 3, 4] },
    { order: [1, 3, 7, 11], up: [0, 1, 2, 3] },
  ],
  13: [
    { order: [1, 7, 3, 13], up: [0, 2, 3, 4] },
    { order: [1, 3, 7, 13], up: [0, 1, 2, 4] },
  ],
}

/** The highest tone that the chord has above its fifth decides. */
function levelOf(chord: Chord): number {
  for (const number of [13, 11, 9, 7] as const) if (toneOf(chord, number) !== undefined) return number
  return 3
}

/** Six strings or more from the root's up: there a seventh chord leaves the string above its root out. */
const isLow = (string: StringIndex, { open }: Neck): boolean => open.length - string >= 6

/** All usual orders over a root on a string, as far as the neck has the strings; the usual first. */
export function usualOrders(chord: Chord, string: StringIndex, neck: Neck): readonly UsualOrder[] {
  const level = levelOf(chord)
  const listed = USUAL[level] ?? []
  return (level === 7 && !isLow(string, neck) ? listed.toReversed() : listed)
    .map(({ order, up }) => ({ order, strings: up.map((by) => string + by) }))
    .filter(({ strings }) => strings.every((one) => one < neck.open.length))
}

/** The first usual order that this hand holds at the fret; else the first. */
export function usualAt(
  chord: Chord,
  string: StringIndex,
  fret: number,
  hand: LaneHand,
  fretMax: number,
): UsualOrder | undefined {
  const orders = usualOrders(chord, string, hand.neck)
  return (
    orders.find(({ order, strings }) => {
      const frets = orderAt(chord, order, strings, fret, hand.neck)
      return frets !== undefined && 'shape' in held(frets, chord, hand, fretMax)
    }) ?? orders[0]
  )
}
