/** A graph without what no good way goes through. */
import { requireAt } from '../result/index.ts'
import { every, type Graph, ROUNDING, throughAtLeast, turn, turned } from './graph.ts'

/** What is left of a graph, with each candidate's place before and the least that a way through it costs. */
interface Narrowed {
  readonly narrow: Graph
  readonly nodes: readonly Int32Array[]
  readonly bounds: readonly Float64Array[]
}

/** Where the ends are left loose a bound is weak about them, so the rest is bounded again, cut elsewhere. */
export const CUTS = [1 / 2]

/** Leaves out of a graph that goes round what no way that costs `most` or less goes through. */
export function narrowed(
  graph: Graph,
  bounds: readonly Float64Array[],
  most: number | undefined,
  cuts: readonly number[] = [],
): Narrowed {
  const nodes = graph.own.map((costs) => Int32Array.from(every(costs)))
  let left: Narrowed = { narrow: graph, nodes, bounds }
  if (most === undefined) return left
  left = leftUnder(left, most)
  for (const part of cuts) {
    const count = graph.own.length
    const by = Math.floor(count * part)
    const again = turn(throughAtLeast(turned(left.narrow, by)), count - by)
    left = leftUnder(
      {
        ...left,
        bounds: left.bounds.map((costs, layer) =>
          costs.map((cost, at) => Math.max(cost, requireAt(again, layer)[at] as number)),
        ),
      },
      most,
    )
  }
  return left
}

function leftUnder({ narrow: { own, steps, loop }, nodes: before, bounds }: Narrowed, most: number): Narrowed {
  const kept = bounds.map((costs) => placesUnder(costs, most + ROUNDING))
  const taken = (all: readonly Float64Array[]) => all.map((costs, layer) => at(costs, requireAt(kept, layer)))
  const narrow: Graph = {
    loop,
    own: taken(own),
    steps: steps.map((costs, layer) => {
      const after = (layer + 1) % own.length
      const width = requireAt(own, after).length
      const [from, to] = [requireAt(kept, layer), requireAt(kept, after)]
      const left = new Float64Array(from.length * to.length)
      let cell = 0
      for (let i = 0; i < from.length; i++) {
        const row = (from[i] as number) * width
        for (let j = 0; j < to.length; j++) left[cell++] = costs[row + (to[j] as number)] as number
      }
      return left
    }),
  }
  return { narrow, nodes: kept.map((places, layer) => at(requireAt(before, layer), places)), bounds: taken(bounds) }
}

function placesUnder(costs: Float64Array, most: number): Int32Array {
  const places = new Int32Array(costs.length)
  let count = 0
  for (let place = 0; place < costs.length; place++) if ((costs[place] as number) <= most) places[count++] = place
  return places.subarray(0, count)
}

/** What stands at these places. */
function at<Numbers extends Float64Array | Int32Array>(all: Numbers, places: Int32Array): Numbers {
  const taken = all.slice(0, places.length) as Numbers
  for (let index = 0; index < places.length; index++) taken[index] = all[places[index] as number] as number
  return taken
}
