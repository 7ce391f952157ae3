/**
 * The least ways through layers of candidates, exact. `graph.own` holds what candidates cost, `graph.steps[i]` what it
 * costs from layer i to layer i + 1, the last one back to the first where the tune goes round.
 *   backwards: the least that is still to come from every candidate ─→ forwards, best first, along what is left
 * Where it goes round, what is still to come depends on where it began. Left open there, it tells for every candidate
 * what no way through it can cost less than; few stay below what one good way round costs, and only these are searched.
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

/** A way begun: the rest of it can't cost less than `bound` says altogether. */
interface Begun {
  readonly bound: number
  readonly left: readonly Float64Array[]
  readonly cost: number
  readonly layer: number
  readonly node: number
  readonly before: Begun | undefined
}

/** What rounding may add to a sum of costs. */
const ROUNDING = 1e-9

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

const every = ({ length }: Float64Array): readonly number[] => Array.from({ length }, (_, at) => at)
const cheapest = (all: readonly Through[], most: number): readonly Through[] =>
  all.toSorted((a, b) => a.total - b.total).slice(0, most)

function leastAt(costs: Float64Array): number {
  let at = 0
  for (let other = 1; other < costs.length; other++) if ((costs[other] as number) < (costs[at] as number)) at = other
  return at
}

/**
 * What every way through a candidate costs at least. To the end that is what the best of them costs; round and round the
 * ends are left loose: a way may end at another beginning than its own.
 */
function throughAtLeast(graph: Graph): readonly Float64Array[] {
  const last = (graph.own.at(-1) as Float64Array).length
  const come = forwards(graph)
  const left = backwards(graph, graph.loop ? closingFrom(graph) : new Float64Array(last))
  return come.map((costs, layer) => costs.map((cost, at) => cost + ((left[layer] as Float64Array)[at] as number)))
}

/** What is left of a graph, with each candidate's place before and the least that a way through it costs. */
interface Narrowed {
  readonly narrow: Graph
  readonly nodes: readonly Int32Array[]
  readonly bounds: readonly Float64Array[]
}

/** Where the ends are left loose a bound is weak about them, so the rest is bounded again, cut elsewhere. */
const CUTS = [1 / 2]

/** Leaves out of a graph that goes round what no way that costs `most` or less goes through. */
function narrowed(
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
          costs.map((cost, at) => Math.max(cost, (again[layer] as Float64Array)[at] as number)),
        ),
      },
      most,
    )
  }
  return left
}

function leftUnder({ narrow: { own, steps, loop }, nodes: before, bounds }: Narrowed, most: number): Narrowed {
  const kept = bounds.map((costs) => placesUnder(costs, most + ROUNDING))
  const taken = (all: readonly Float64Array[]) => all.map((costs, layer) => at(costs, kept[layer] as Int32Array))
  const narrow: Graph = {
    loop,
    own: taken(own),
    steps: steps.map((costs, layer) => {
      const after = (layer + 1) % own.length
      const width = (own[after] as Float64Array).length
      const [from, to] = [kept[layer] as Int32Array, kept[after] as Int32Array]
      const left = new Float64Array(from.length * to.length)
      let cell = 0
      for (let i = 0; i < from.length; i++) {
        const row = (from[i] as number) * width
        for (let j = 0; j < to.length; j++) left[cell++] = costs[row + (to[j] as number)] as number
      }
      return left
    }),
  }
  return { narrow, nodes: kept.map((places, layer) => at(before[layer] as Int32Array, places)), bounds: taken(bounds) }
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

/** The best ways that begin at one of `starts`. Where they go round, each beginning has its own way back. */
function waysFrom(graph: Graph, starts: readonly number[], most: number): readonly Way[] {
  const { own, steps, loop } = graph
  const first = own[0] as Float64Array
  const last = own.length - 1
  const open = heap<Begun>((a, b) => a.bound < b.bound)
  const toTheEnd = loop ? undefined : backwards(graph, new Float64Array((own[last] as Float64Array).length))
  for (const start of starts) {
    const left = toTheEnd ?? backwards(graph, endingFor(graph, start))
    const cost = first[start] as number
    const bound = cost + ((left[0] as Float64Array)[start] as number)
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
    const costs = steps[now.layer] as Float64Array
    const next = own[now.layer + 1] as Float64Array
    const after = now.left[now.layer + 1] as Float64Array
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

/** What goes round may be cut anywhere: at this layer, each of whose candidates is a beginning with its own way back. */
function throughRound(
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

const turn = <One>(all: readonly One[], by: number): readonly One[] => [...all.slice(by), ...all.slice(0, by)]
const turned = ({ own, steps, loop }: Graph, by: number): Graph => ({
  own: turn(own, by),
  steps: turn(steps, by),
  loop,
})
