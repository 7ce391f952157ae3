/** Round and round: the least ways through the candidates of one layer. */
import {
  backwards,
  closingFrom,
  endingFor,
  every,
  forwards,
  type Graph,
  ROUNDING,
  turn,
  turned,
  type Way,
} from './graph.ts'
import { CUTS, narrowed } from './narrowed.ts'

export interface Through {
  readonly at: number
  /** The least of a whole way through it. */
  readonly total: number
}

export const cheapest = (all: readonly Through[], most: number): readonly Through[] =>
  all.toSorted((a, b) => a.total - b.total).slice(0, most)

/** What goes round may be cut anywhere: at this layer, each of whose candidates is a beginning with its own way back. */
export function throughRound(
  graph: Graph,
  bounds: readonly Float64Array[],
  best: Way,
  layer: number,
  most: number,
  allows: (at: number) => boolean,
): readonly Through[] {
  const known = besideBest(graph, best, layer).filter(({ at }) => allows(at))
  const enough = known.length < most ? undefined : cheapest(known, most).at(-1)?.total
  const { narrow, nodes, bounds: atLeast } = narrowed(turned(graph, layer), turn(bounds, layer), enough, CUTS)
  const knownAt = new Map(known.map(({ at, total }) => [at, total]))
  const left = backwards(narrow, closingFrom(narrow))
  let found: readonly Through[] = []
  for (const start of rising(atLeast[0] as Float64Array)) {
    const bound = atLeast[0]?.[start] as number
    // No later one can be among the cheapest.
    if (found.length === most && bound >= (found[most - 1] as Through).total) break
    const at = nodes[0]?.[start] as number
    if (!allows(at)) continue
    const met = knownAt.get(at) ?? Number.POSITIVE_INFINITY
    const total =
      met <= bound + ROUNDING
        ? met
        : leastRound(narrow, left, start, Math.min(met, found[most - 1]?.total ?? enough ?? met))
    if (total < Number.POSITIVE_INFINITY) found = cheapest([...found, { at, total }], most)
  }
  return found
}

/** Places in order of their costs. */
const rising = (costs: Float64Array): readonly number[] =>
  every(costs).toSorted((a, b) => (costs[a] as number) - (costs[b] as number))

/** The least way round from one beginning back to it; what must cost more than `most` by what is left at least is not followed. */
function leastRound({ own, steps }: Graph, left: readonly Float64Array[], start: number, most: number): number {
  const last = own.length - 1
  const first = own[0] as Float64Array
  let here: Float64Array = first.map((cost, node) => (node === start ? cost : Number.POSITIVE_INFINITY))
  for (let layer = 0; layer < last; layer++) {
    const costs = steps[layer] as Float64Array
    const next = own[layer + 1] as Float64Array
    const after = left[layer] as Float64Array
    const there = new Float64Array(next.length).fill(Number.POSITIVE_INFINITY)
    for (let i = 0; i < here.length; i++) {
      const come = here[i] as number
      if (come + (after[i] as number) > most + ROUNDING) continue
      for (let j = 0, cell = i * next.length; j < next.length; j++, cell++) {
        const cost = come + (costs[cell] as number) + (next[j] as number)
        if (cost < (there[j] as number)) there[j] = cost
      }
    }
    here = there
  }
  const closing = steps[last] as Float64Array
  let least = Number.POSITIVE_INFINITY
  for (let i = 0; i < here.length; i++)
    least = Math.min(least, (here[i] as number) + (closing[i * first.length + start] as number))
  return least
}

/** For each candidate of a layer a way through it that meets the best one half the way round: not always its least. */
function besideBest(graph: Graph, { path, total }: Way, layer: number): readonly Through[] {
  const count = graph.own.length
  const at = count >> 1
  if (at === 0) return [{ at: path[0] as number, total }]
  const meeting = (layer + at) % count
  const { own, steps } = turned(graph, meeting)
  const anchor = path[meeting] as number
  const only = (own[0] as Float64Array).map((cost, node) => (node === anchor ? cost : Number.POSITIVE_INFINITY))
  const there = count - at
  const come = forwards({ own: [only, ...own.slice(1, there + 1)], steps, loop: false })[there] as Float64Array
  const ending = endingFor({ own, steps, loop: true }, anchor)
  const [left] = backwards({ own: own.slice(there), steps: steps.slice(there), loop: false }, ending)
  return Array.from(come, (cost, node) => ({ at: node, total: cost + ((left as Float64Array)[node] as number) }))
}
