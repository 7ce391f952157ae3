/** Ways through a graph, best first along the least of what is still to come. */
import { requireAt } from '../result/index.ts'
import { backwards, endingFor, type Graph, type Way } from './graph.ts'
import { heap } from './heap.ts'

/** A way begun: the rest of it can't cost less than `bound` says altogether. */
interface Begun {
  readonly bound: number
  readonly left: readonly Float64Array[]
  readonly cost: number
  readonly layer: number
  readonly node: number
  readonly before: Begun | undefined
}

/** The best ways that begin at one of `starts`. Where they go round, each beginning has its own way back. */
export function waysFrom(graph: Graph, starts: readonly number[], most: number): readonly Way[] {
  const { own, steps, loop } = graph
  const first = requireAt(own, 0)
  const last = own.length - 1
  const open = heap<Begun>((a, b) => a.bound < b.bound)
  const toTheEnd = loop ? undefined : backwards(graph, new Float64Array(requireAt(own, last).length))
  for (const start of starts) {
    const left = toTheEnd ?? backwards(graph, endingFor(graph, start))
    const cost = first[start] as number
    const bound = cost + (requireAt(left, 0)[start] as number)
    open.push({ bound, left, cost, layer: 0, node: start, before: undefined })
  }
  const found: Way[] = []
  while (found.length < most) {
    const now = open.pop()
    if (!now) break
    if (now.layer === last) {
      found.push({ total: now.bound, path: pathOf(now) })
      continue
    }
    const costs = requireAt(steps, now.layer)
    const next = requireAt(own, now.layer + 1)
    const after = requireAt(now.left, now.layer + 1)
    for (let j = 0; j < next.length; j++) {
      const cost = now.cost + (costs[now.node * next.length + j] as number) + (next[j] as number)
      open.push({
        bound: cost + (after[j] as number),
        left: now.left,
        cost,
        layer: now.layer + 1,
        node: j,
        before: now,
      })
    }
  }
  return found
}

function pathOf(end: Begun): readonly number[] {
  const path: number[] = []
  for (let at: Begun | undefined = end; at; at = at.before) path.push(at.node)
  return path.reverse()
}
