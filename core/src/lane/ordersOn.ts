/** Orders of tones that are held on a set of strings, for a depth: what a set means where its order is not named. */
import type { Depth } from '../key/index.ts'
import type { StringSet } from '../neck/index.ts'
import { requireAt } from '../result/index.ts'
import type { LaneAsk, ToneNumber } from './types.ts'

type Order = readonly ToneNumber[]

export interface OrderWish {
  readonly depth: Depth
  readonly rootless?: boolean | undefined
  readonly withoutFifth?: boolean | undefined
}

const TENSION = { ninths: 9, elevenths: 11, thirteenths: 13 } as const

/** Whether no string lies silent between two that sound. */
export const liesTogether = (strings: StringSet): boolean =>
  requireAt(strings, strings.length - 1) - requireAt(strings, 0) === strings.length - 1

/** Root positions by how many strings: as triads double, shells leave the fifth out, and drop voicings spread. */
function withRoot(count: number, together: boolean, { depth, withoutFifth = false }: OrderWish): Order | undefined {
  if (depth === 'triads') {
    if (withoutFifth) return count === 2 ? [1, 3] : undefined
    const triads: readonly (Order | undefined)[] = [
      [1, 5],
      together ? [1, 3, 5] : [1, 5, 3],
      [1, 5, 1, 3],
      [1, 5, 1, 3, 5],
      [1, 5, 1, 3, 5, 1],
    ]
    return triads[count - 2]
  }
  const shell: Order = together ? [1, 3, 7] : [1, 7, 3]
  if (count === 2) return [3, 7]
  if (depth === 'sevenths') {
    if (count === 3) return shell
    if (withoutFifth) return undefined
    const sevenths: readonly (Order | undefined)[] = [
      together ? [1, 5, 7, 3] : [1, 7, 3, 5],
      [1, 5, 7, 3, 5],
      [1, 5, 7, 3, 5, 1],
    ]
    return sevenths[count - 4]
  }
  const tension = TENSION[depth]
  if (count === 3) return [3, 7, tension]
  if (count === 4) return [...shell, tension]
  return count === 5 && tension === 9 && !withoutFifth ? [1, 3, 7, 9, 5] : undefined
}

/** Without the root, which the bass or the ear adds. */
function withoutRoot(count: number, together: boolean, { depth, withoutFifth = false }: OrderWish): Order | undefined {
  if (count === 2) return depth === 'triads' ? [3, 5] : [3, 7]
  if (depth === 'triads') return undefined
  if (depth === 'sevenths') return count === 3 && !withoutFifth ? (together ? [3, 5, 7] : [3, 7, 5]) : undefined
  const tension = TENSION[depth]
  if (count === 3) return [3, 7, tension]
  if (count !== 4) return undefined
  return tension === 9 ? (withoutFifth ? undefined : [3, 7, 9, 5]) : [7, 3, tension, 9]
}

/** The usual order first, then its inversions, each voice the next tone of the order up; none where a set has no usual one. */
export function ordersOn(strings: StringSet, wish: OrderWish): readonly Order[] {
  if (strings.length < 2) return []
  const usual = (wish.rootless ? withoutRoot : withRoot)(strings.length, liesTogether(strings), wish)
  if (!usual) return []
  const tones = [...new Set(usual)].toSorted((a, b) => pitchOrder(a) - pitchOrder(b))
  // A doubled order turned is another grip; a rootless or a tension's keeps its guide tones low.
  if (tones.length < usual.length || (wish.depth !== 'triads' && wish.depth !== 'sevenths')) return [usual]
  return tones.map((_, by) => usual.map((number) => requireAt(tones, (tones.indexOf(number) + by) % tones.length)))
}

/** Within an octave above the root. */
const pitchOrder = (number: ToneNumber): number => (number > 7 ? number - 7 : number)

const WISHES = [{}, { withoutFifth: true }, { rootless: true }] as const

/** Lanes by a set's usual order go over to the usual order of another depth; an order that was chosen otherwise stays. */
export const asksAtDepth = (asks: readonly LaneAsk[], before: Depth, depth: Depth): readonly LaneAsk[] =>
  asks.map((ask) => {
    if (ask.kind !== 'order') return ask
    for (const wish of WISHES) {
      const at = ordersOn(ask.strings, { depth: before, ...wish }).findIndex((one) => one.join() === ask.order.join())
      const there = ordersOn(ask.strings, { depth, ...wish })
      const order = there[at] ?? there[0]
      if (at >= 0 && order) return { ...ask, order }
    }
    return ask
  })
