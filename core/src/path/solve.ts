/**
 * The least ways through layers of candidates, exact. `graph.own` holds what candidates cost, `graph.steps[i]` what it
 * costs from layer i to layer i + 1, the last one back to the first where the tune goes round.
 *   backwards: the least that is still to come from every candidate ─→ forwards, best first, along what is left
 * Where it goes round, what is still to come depends on where it began. Left open there, it tells for every candidate
 * what no way through it can cost less than; few stay below what one good way round costs, and only these are searched.
 */
import { every, type Graph, throughAtLeast, type Way } from './graph.ts'
import { narrowed } from './narrowed.ts'
import { cheapest, type Through, throughRound } from './throughRound.ts'
import { waysFrom } from './waysFrom.ts'

export interface Solved {
  /** The best ways, the best first; fewer than asked where there are no more. */
  readonly ways: readonly Way[]
  /** Those candidates of one layer that are allowed, with the least ways through them; the cheapest first, `most` of them. */
  readonly through: (layer: number, most: number, allows?: (at: number) => boolean) => readonly Through[]
}

/** The `most` best ways through a graph. */
export function solve(graph: Graph, most: number): Solved {
  const { own, loop } = graph
  if (own.length === 0 || own.some(({ length }) => length === 0)) return { ways: [], through: () => [] }
  const bounds = throughAtLeast(graph)
  if (!loop)
    return {
      ways: waysFrom(graph, every(own[0] as Float64Array), most),
      through: (layer, asked, allows = () => true) =>
        cheapest(
          Array.from(bounds[layer] as Float64Array, (total, at) => ({ at, total })).filter(({ at }) => allows(at)),
          asked,
        ),
    }
  // The best ways from the most promising beginning: no way that costs more than the last of them is of interest.
  const begun = waysFrom(graph, [leastAt(bounds[0] as Float64Array)], most)
  const { narrow, nodes } = narrowed(graph, bounds, begun.length < most ? undefined : begun.at(-1)?.total)
  const ways = waysFrom(narrow, every(narrow.own[0] as Float64Array), most).map(({ total, path }) => ({
    total,
    path: path.map((node, layer) => (nodes[layer] as Int32Array)[node] as number),
  }))
  return {
    ways,
    through: (layer, asked, allows = () => true) => throughRound(graph, bounds, ways[0] as Way, layer, asked, allows),
  }
}

function leastAt(costs: Float64Array): number {
  let at = 0
  for (let other = 1; other < costs.length; other++) if ((costs[other] as number) < (costs[at] as number)) at = other
  return at
}
