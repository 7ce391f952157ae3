/**
 * The least path through a tune.
 *   chords ─candidatesFor→ shapes with their own costs ─stepCosts→ what each step costs ─solve→ PathFound
 */
import { requireAt } from '../result/index.ts'
import { type PathCut, withinTime } from './budget.ts'
import { type CandidateMemory, type Candidates, candidateMemory, candidatesFor } from './candidates.ts'
import type { Graph, Way } from './graph.ts'
import { compile, type Layer, stepCosts } from './matrix.ts'
import { type Solved, solve } from './solve.ts'
import { stepBetween } from './stepCost.ts'
import type { PathFound, PathGap, PathQuestion, PathShape, PathStep, PathWay, SettledQuestion } from './types.ts'
import { settledWishes, weightsFor } from './weights.ts'

/** A tune whose ways can be asked for again and again: what was searched and weighed is kept. */
export interface PathSolver {
  /** Why the last chords are left out, where they are. */
  readonly cut: PathCut | undefined
  readonly best: () => PathFound
  /** Of one chord the shapes with which the whole path costs least, and what; as many as are asked, cheapest first. */
  readonly alternatives: (chord: number, most: number, allows?: (shape: PathShape) => boolean) => readonly Alternative[]
}

export interface Alternative {
  readonly shape: PathShape
  readonly total: number
}

/** What one question found and weighed, for the next one: a changed chord costs only what is new. */
export interface PathMemory {
  readonly candidates: CandidateMemory
  readonly layers: Map<readonly PathShape[], Layer>
  readonly steps: Map<Layer, Map<Layer, Float64Array>>
}

/** All that candidates and steps depend on, besides the chords. */
const memoryKey = ({ neck, hand, thumb, wishes, weights, candidates }: PathQuestion): string =>
  JSON.stringify([neck, hand, thumb, wishes, weights, candidates])

/** Remembers as long as neck, hand, wishes and weights stay. */
export function rememberingSolver(): (question: PathQuestion, isOver?: () => boolean) => PathSolver {
  let now: { readonly key: string; readonly memory: PathMemory } | undefined
  return (question, isOver) => {
    const key = memoryKey({ ...question, wishes: settledWishes(question) })
    if (now?.key !== key) now = { key, memory: newMemory(question) }
    return pathSolver(question, now.memory, isOver)
  }
}

const newMemory = (question: PathQuestion): PathMemory => ({
  candidates: candidateMemory(question),
  layers: new Map(),
  steps: new Map(),
})

export function pathSolver(
  free: PathQuestion,
  memory: PathMemory = newMemory(free),
  isOver?: () => boolean,
): PathSolver {
  const asked: SettledQuestion = { ...free, wishes: settledWishes(free) }
  const { candidates, cut } = withinTime(asked.chords.length, candidatesFor(asked, memory.candidates), isOver)
  // What is cut doesn't go round.
  const question =
    cut === undefined ? asked : { ...asked, chords: asked.chords.slice(0, candidates.length), loop: false }
  const { chords, wishes, best } = question
  const weights = weightsFor(question.weights, wishes)
  const layers = layersOf(candidates, question, memory)
  const graph = graphOf(layers, { ...question, weights }, memory)
  const wayOf = ({ total, path }: Way): PathWay => ({
    total,
    shapes: path.map((node, layer) => requireAt(layers, layer).shapes[node]),
  })
  let known: Solved | undefined
  const solved = () => {
    known ??= solve(graph, Math.max(1, best))
    return known
  }
  const gaps = candidates.flatMap(({ gap }, chord): readonly PathGap[] => (gap ? [{ chord, reason: gap }] : []))
  return {
    cut,
    best: () => {
      if (chords.length === 0) return { total: 0, shapes: [], steps: [], others: [], gaps: [] }
      const [first, ...others] = solved().ways.map(wayOf)
      if (!first) throw new Error('every layer has a candidate, so there is a way')
      const stepAt = stepsOf(question)
      const steps = first.shapes.map((_, index) => stepAt(first.shapes, index))
      return { ...first, steps, others, gaps }
    },
    alternatives: (chord, most, allows = () => true) => {
      const layer = layers[chord]
      if (!layer || layer.count === 0) return []
      const shapeAt = (at: number) => requireAt(layer.shapes, at)
      return solved()
        .through(chord, most, (at) => allows(shapeAt(at)))
        .map(({ at, total }) => ({ shape: shapeAt(at), total }))
    },
  }
}

/** The step to each chord of a way from the one before, where it goes round to the first from the last. */
export function stepsOf(free: PathQuestion): (shapes: PathWay['shapes'], to: number) => PathStep | undefined {
  const { chords, loop } = free
  const wishes = settledWishes(free)
  const weights = weightsFor(free.weights, wishes)
  return (shapes, to) => {
    const from = to === 0 && loop ? shapes.length - 1 : to - 1
    const [before, shape] = [shapes[from], shapes[to]]
    const isSame = JSON.stringify(chords[from]) === JSON.stringify(chords[to])
    return before && shape ? stepBetween(before, shape, weights, wishes, isSame) : undefined
  }
}

export const MOST_PATH_CHORDS = 512

export const findPath = (question: PathQuestion): PathFound => pathSolver(question).best()

/** Chords with the same candidates share their columns, so that their steps are weighed once. */
function layersOf(candidates: readonly Candidates[], { neck }: PathQuestion, { layers }: PathMemory): readonly Layer[] {
  return candidates.map(({ chord, shapes }) => {
    const layer = layers.get(shapes) ?? compile(shapes, neck.open.length, chord)
    layers.set(shapes, layer)
    return layer
  })
}

const NOTHING = new Float64Array(1)

function graphOf(
  layers: readonly Layer[],
  { weights, wishes, loop }: PathQuestion,
  { steps: weighed }: PathMemory,
): Graph {
  const between = (a: Layer, b: Layer): Float64Array => {
    // A chord without shapes is passed for nothing.
    if (a.count === 0 || b.count === 0) return new Float64Array(Math.max(1, a.count) * Math.max(1, b.count))
    const from = weighed.get(a) ?? new Map<Layer, Float64Array>()
    weighed.set(a, from)
    const costs = from.get(b) ?? stepCosts(a, b, weights, wishes, a.chord === b.chord)
    from.set(b, costs)
    return costs
  }
  const count = layers.length
  return {
    own: layers.map((layer) => (layer.count === 0 ? NOTHING : layer.own)),
    steps: layers
      .slice(0, loop ? count : count - 1)
      .map((layer, index) => between(layer, requireAt(layers, (index + 1) % count))),
    loop,
  }
}
