/**
 * The least ways through layers of candidates, exact. `graph.own` holds what candidates cost, `graph.steps[i]` what it
 * costs from layer i to layer i + 1, the last one back to the first where the tune goes round.
 *   backwards: the least that is still to come from every candidate ─→ forwards, best first, along what is left
 * Where it goes round, what is still to come depends on where it began; for most beginnings a bound rules them out.
 */

export interface Graph {
  readonly own: readonly Float64Array[]
  readonly steps: readonly Float64Array[]
  readonly loop: boolean
}

export interface Way {
  readonly total: number
  /** One candidate of each layer. */
  readonly path: readonly number[]
}

/** From every candidate to the end: the least of what is still to come, without its own cost. */
export function backwards({ own, steps }: Graph, ending: Float64Array): readonly Float64Array[] {
  const last = own.length - 1
  const left: Float64Array[] = Array.from({ length: own.length })
  left[last] = ending
  for (let layer = last - 1; layer >= 0; layer--) {
    const next = own[layer + 1] as Float64Array
    const after = left[layer + 1] as Float64Array
    const costs = steps[layer] as Float64Array
    const count = (own[layer] as Float64Array).length
    const here = new Float64Array(count)
    for (let i = 0, cell = 0; i < count; i++) {
      let least = Number.POSITIVE_INFINITY
      for (let j = 0; j < next.length; j++) {
        const cost = (costs[cell++] as number) + (next[j] as number) + (after[j] as number)
        if (cost < least) least = cost
      }
      here[i] = least
    }
    left[layer] = here
  }
  return left
}

/** To every candidate from the beginning: the least of what came before, its own cost among it. */
export function forwards({ own, steps }: Graph): readonly Float64Array[] {
  const come: Float64Array[] = [own[0] as Float64Array]
  for (let layer = 1; layer < own.length; layer++) {
    const before = come[layer - 1] as Float64Array
    const costs = steps[layer - 1] as Float64Array
    const mine = own[layer] as Float64Array
    const here = new Float64Array(mine.length).fill(Number.POSITIVE_INFINITY)
    for (let i = 0, cell = 0; i < before.length; i++)
      for (let j = 0; j < mine.length; j++) {
        const cost = (before[i] as number) + (costs[cell++] as number)
        if (cost < (here[j] as number)) here[j] = cost
      }
    for (let j = 0; j < mine.length; j++) here[j] = (here[j] as number) + (mine[j] as number)
    come.push(here)
  }
  return come
}

/** What the last layer's candidates cost on the way back to one beginning. */
function endingFor({ own, steps }: Graph, start: number): Float64Array {
  const last = own.length - 1
  const costs = steps[last] as Float64Array
  const first = (own[0] as Float64Array).length
  return Float64Array.from(
    { length: (own[last] as Float64Array).length },
    (_, at) => costs[at * first + start] as number,
  )
}

/** As `backwards` to one beginning, leaving out candidates through which nothing can stay under `most`. */
function backwardsTo(
  graph: Graph,
  start: number,
  come: readonly Float64Array[],
  most: number,
): readonly Float64Array[] {
  const { own, steps } = graph
  const last = own.length - 1
  const left: Float64Array[] = Array.from({ length: own.length })
  left[last] = endingFor(graph, start)
  for (let layer = last - 1; layer >= 0; layer--) {
    const next = own[layer + 1] as Float64Array
    const after = left[layer + 1] as Float64Array
    const reached = come[layer + 1] as Float64Array
    const costs = steps[layer] as Float64Array
    const mine = own[layer] as Float64Array
    const here = new Float64Array(mine.length).fill(Number.POSITIVE_INFINITY)
    for (let j = 0; j < next.length; j++) {
      const rest = after[j] as number
      if ((reached[j] as number) + rest > most) continue
      const cost = (next[j] as number) + rest
      for (let i = 0, cell = j; i < mine.length; i++, cell += next.length) {
        const whole = (costs[cell] as number) + cost
        if (whole < (here[i] as number)) here[i] = whole
      }
    }
    left[layer] = here
  }
  return left
}

/** A way begun: the rest of it can't cost less than `bound` says altogether. */
interface Begun {
  readonly bound: number
  readonly start: number
  /** Not yet told apart: the bound is for any way back. */
  readonly left: readonly Float64Array[] | undefined
  readonly cost: number
  readonly layer: number
  readonly node: number
  readonly before: Begun | undefined
}

/** The `most` best ways, the best first; fewer where there are no more. */
export function leastWays(graph: Graph, most: number): readonly Way[] {
  const { own, loop } = graph
  const first = own[0]
  if (!first || own.some(({ length }) => length === 0)) return []
  const last = own.length - 1
  const lastCount = (own[last] as Float64Array).length
  const come = forwards(graph)
  const open = heap<Begun>((a, b) => a.bound < b.bound)
  if (loop) {
    const any = backwards(graph, closingFrom(graph))
    for (let start = 0; start < first.length; start++) {
      const cost = first[start] as number
      open.push({
        bound: cost + ((any[0] as Float64Array)[start] as number),
        start,
        left: undefined,
        cost,
        layer: 0,
        node: start,
        before: undefined,
      })
    }
  } else {
    const left = backwards(graph, new Float64Array(lastCount))
    for (let start = 0; start < first.length; start++) {
      const cost = first[start] as number
      open.push({
        bound: cost + ((left[0] as Float64Array)[start] as number),
        start,
        left,
        cost,
        layer: 0,
        node: start,
        before: undefined,
      })
    }
  }
  const found: Way[] = []
  // The best complete ways that are known so far bound everything else.
  const known: number[] = []
  const limit = () => (known.length < most ? Number.POSITIVE_INFINITY : (known[most - 1] as number))
  while (found.length < most) {
    const now = open.pop()
    if (!now) break
    if (now.left === undefined) {
      const left = backwardsTo(graph, now.start, come, limit() + 1e-9)
      const bound = now.cost + ((left[0] as Float64Array)[now.start] as number)
      if (bound < Number.POSITIVE_INFINITY) {
        open.push({ ...now, bound, left })
        known.push(bound)
        known.sort((a, b) => a - b)
      }
      continue
    }
    if (now.layer === last) {
      found.push({ total: now.bound, path: pathOf(now) })
      continue
    }
    const costs = graph.steps[now.layer] as Float64Array
    const next = own[now.layer + 1] as Float64Array
    const after = now.left[now.layer + 1] as Float64Array
    for (let j = 0; j < next.length; j++) {
      const cost = now.cost + (costs[now.node * next.length + j] as number) + (next[j] as number)
      const bound = cost + (after[j] as number)
      if (bound < Number.POSITIVE_INFINITY)
        open.push({ bound, start: now.start, left: now.left, cost, layer: now.layer + 1, node: j, before: now })
    }
  }
  return found
}

function pathOf(end: Begun): readonly number[] {
  const path: number[] = []
  for (let at: Begun | undefined = end; at; at = at.before) path.push(at.node)
  return path.reverse()
}

function heap<Item>(isLess: (a: Item, b: Item) => boolean) {
  const items: Item[] = []
  return {
    push(item: Item) {
      let at = items.length
      items.push(item)
      while (at > 0) {
        const parent = (at - 1) >> 1
        if (!isLess(item, items[parent] as Item)) break
        items[at] = items[parent] as Item
        at = parent
      }
      items[at] = item
    },
    pop(): Item | undefined {
      const [top] = items
      const item = items.pop()
      if (item === undefined || items.length === 0) return top
      let at = 0
      for (;;) {
        let child = 2 * at + 1
        if (child >= items.length) break
        if (child + 1 < items.length && isLess(items[child + 1] as Item, items[child] as Item)) child++
        if (!isLess(items[child] as Item, item)) break
        items[at] = items[child] as Item
        at = child
      }
      items[at] = item
      return top
    },
  }
}

export interface Through {
  readonly at: number
  /** The least of a whole way through it. */
  readonly total: number
}

/** Ways that go round are looked for within so much of what they can't be less than, then within four times that. */
const FIRST_ROOM = 4

/** The candidates of one layer with the least ways through them, as many as are asked, the cheapest first. */
export function leastThrough(graph: Graph, layer: number, most: number): readonly Through[] {
  // What goes round may be cut anywhere: at this layer.
  const cut = graph.loop ? turn(graph, layer) : graph
  const come = forwards(cut)
  const byTotal = (a: Through, b: Through) => a.total - b.total
  if (!graph.loop) {
    const left = backwards(graph, new Float64Array((graph.own.at(-1) as Float64Array).length))[layer] as Float64Array
    return Array.from(come[layer] as Float64Array, (cost, at) => ({ at, total: cost + (left[at] as number) }))
      .sort(byTotal)
      .slice(0, most)
  }
  const first = cut.own[0] as Float64Array
  const any = backwards(cut, closingFrom(cut))[0] as Float64Array
  const bounds = Array.from(first, (cost, at) => ({ at, total: cost + (any[at] as number) })).sort(byTotal)
  const found: Through[] = []
  for (const { at, total: bound } of bounds) {
    // No later one can be among the cheapest.
    if (found.length >= most && bound >= (found[most - 1] as Through).total) break
    let total = Number.POSITIVE_INFINITY
    for (let room = FIRST_ROOM; total === Number.POSITIVE_INFINITY; room *= 4)
      total = (first[at] as number) + ((backwardsTo(cut, at, come, bound + room)[0] as Float64Array)[at] as number)
    found.push({ at, total })
    found.sort(byTotal)
  }
  return found.slice(0, most)
}

/** From each last candidate the least way back to any beginning. */
function closingFrom({ own, steps }: Graph): Float64Array {
  const last = own.length - 1
  const costs = steps[last] as Float64Array
  const first = (own[0] as Float64Array).length
  return Float64Array.from({ length: (own[last] as Float64Array).length }, (_, at) => {
    let least = Number.POSITIVE_INFINITY
    for (let start = 0; start < first; start++) least = Math.min(least, costs[at * first + start] as number)
    return least
  })
}

const turn = ({ own, steps, loop }: Graph, by: number): Graph => ({
  own: [...own.slice(by), ...own.slice(0, by)],
  steps: [...steps.slice(by), ...steps.slice(0, by)],
  loop,
})
