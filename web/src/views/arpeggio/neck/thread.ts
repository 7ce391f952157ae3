/** The order of playing as a thread from tone to tone: what is joined, where it starts, where it turns. */
import type { ArpeggioNote } from '@nestling/core/arpeggio'

/** From one tone to the next, by their indices in the line. */
export interface Step {
  readonly from: number
  readonly to: number
  /** The hand stays on the string: the thread goes over it. */
  readonly sameString: boolean
}

export interface Thread {
  /** Each pair of tones once, in the direction in which it is played first. */
  readonly steps: readonly Step[]
  readonly start: number | undefined
  /** Tones at which a line that goes from neighbour to neighbour turns around. */
  readonly turns: readonly number[]
  /** The second half is the first one backwards. */
  readonly backTheSameWay: boolean
}

/** @param order Indices of the notes in playing order; the notes go from low to high. */
export function threadOf(order: readonly number[], notes: readonly Pick<ArpeggioNote, 'string'>[]): Thread {
  const seen = new Set<string>()
  const steps: Step[] = []
  for (const [place, to] of order.entries()) {
    const from = order[place - 1]
    if (from === undefined || from === to) continue
    const pair = from < to ? `${from}:${to}` : `${to}:${from}`
    if (seen.has(pair)) continue
    seen.add(pair)
    steps.push({ from, to, sameString: notes[from]?.string === notes[to]?.string })
  }
  const goesByNeighbours = order.every((index, place) => place === 0 || Math.abs(index - (order[place - 1] ?? 0)) === 1)
  const turns = goesByNeighbours
    ? order.filter((index, place) => {
        const [before, after] = [order[place - 1], order[place + 1]]
        return before !== undefined && after !== undefined && Math.sign(index - before) !== Math.sign(after - index)
      })
    : []
  return {
    steps,
    start: order[0],
    turns,
    backTheSameWay: turns.length === 1 && order.every((index, place) => index === order[order.length - 1 - place]),
  }
}

export interface Point {
  readonly x: number
  readonly y: number
}

/** How a step is drawn: its line, and where its arrow stands and points; no arrow where there is no room for one. */
export interface Drawn {
  readonly path: string
  readonly arrow: (Point & { readonly degrees: number }) | undefined
}

/** Half of an egg with its rim, along and across the neck. */
const EGG = { x: 20, y: 15 } as const
/** An arrow needs so much line. */
const ARROW = 15
/** Over the string, above the eggs' middle. */
const OVER = 15

export function drawStep(a: Point, b: Point, sameString: boolean): Drawn | undefined {
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  if (length === 0) return undefined
  if (sameString) {
    const way = Math.sign(b.x - a.x)
    const y = a.y - OVER
    const [from, to] = [a.x + way * 12, b.x - way * 12]
    const bend = Math.min(16, Math.abs(to - from) / 2)
    return {
      path: `M${from} ${a.y - 10}Q${from + way * 4} ${y} ${from + way * bend} ${y}H${to - way * bend}Q${to - way * 4} ${y} ${to} ${b.y - 10}`,
      arrow: Math.abs(to - from) < ARROW ? undefined : { x: (from + to) / 2, y, degrees: way > 0 ? 0 : 180 },
    }
  }
  const [dx, dy] = [(b.x - a.x) / length, (b.y - a.y) / length]
  // Where the line leaves the egg.
  const trim = 1 / Math.hypot(dx / EGG.x, dy / EGG.y)
  const left = length - 2 * trim
  if (left < 2) return undefined
  const at = (distance: number): Point => ({ x: a.x + dx * distance, y: a.y + dy * distance })
  const [from, to, middle] = [at(trim), at(length - trim), at(length / 2)]
  return {
    path: `M${from.x} ${from.y}L${to.x} ${to.y}`,
    arrow: left < ARROW ? undefined : { ...middle, degrees: (Math.atan2(dy, dx) * 180) / Math.PI },
  }
}
