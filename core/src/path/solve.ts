/**
 * The least ways through layers of candidates, exact. `graph.own` holds what candidates cost, `graph.steps[i]` what it
 * costs from layer i to layer i + 1, the last one back to the first where the tune goes round.
 *   backwards: the least that is still to come from every candidate ─→ forwards, best first, along what is left
 * Where it goes round, what is still to come depends on where it began, so it is told for each beginning by itself: a chord
 * has few candidates.
 */
import { backwards, endingFor, every, forwards, type Graph, turned, type Way } from './graph.ts'
import { waysFrom } from './waysFrom.ts'

export interface Through {
  readonly at: number
  /** The least of a whole way through it. */
  readonly total: number
}

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
  const totalsOf = loop ? roundTotals(graph) : openTotals(graph)
  return {
    ways: waysFrom(graph, every(own[0] as Float64Array), most),
    through: (layer, asked, allows = () => true) =>
      every(own[layer] as Float64Array)
        .filter(allows)
        .map((at): Through => ({ at, total: totalsOf(layer, at) }))
        .sort((a, b) => a.total - b.total)
        .slice(0, asked),
  }
}

type TotalsOf = (layer: number, at: number) => number

function openTotals(graph: Graph): TotalsOf {
  const come = forwards(graph)
  const left = backwards(graph, new Float64Array((graph.own.at(-1) as Float64Array).length))
  return (layer, at) => (come[layer]?.[at] as number) + (left[layer]?.[at] as number)
}

/** What goes round may be cut anywhere: at this layer, where each candidate is a beginning with its own way back. */
const roundTotals =
  (graph: Graph): TotalsOf =>
  (layer, at) => {
    const from = turned(graph, layer)
    const [left] = backwards(from, endingFor(from, at))
    return (from.own[0]?.[at] as number) + (left?.[at] as number)
  }
