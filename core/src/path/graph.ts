/** Layers of candidates, what each costs and what it costs to go on; and the least ways from all of them to either end. */
import { requireAt } from '../result/index.ts'

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

/** The places of a layer. */
export const every = ({ length }: Float64Array): readonly number[] => Array.from({ length }, (_, at) => at)

/** From every candidate to the end: the least of what is still to come, without its own cost. */
export function backwards({ own, steps }: Graph, ending: Float64Array): readonly Float64Array[] {
  const last = own.length - 1
  const left: Float64Array[] = Array.from({ length: own.length })
  left[last] = ending
  for (let layer = last - 1; layer >= 0; layer--) {
    const next = requireAt(own, layer + 1)
    const after = requireAt(left, layer + 1)
    const costs = requireAt(steps, layer)
    const count = requireAt(own, layer).length
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
  const come: Float64Array[] = [requireAt(own, 0)]
  for (let layer = 1; layer < own.length; layer++) {
    const before = requireAt(come, layer - 1)
    const costs = requireAt(steps, layer - 1)
    const mine = requireAt(own, layer)
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
export function endingFor({ own, steps }: Graph, start: number): Float64Array {
  const last = own.length - 1
  const costs = requireAt(steps, last)
  const first = requireAt(own, 0).length
  return Float64Array.from({ length: requireAt(own, last).length }, (_, at) => costs[at * first + start] as number)
}

/** What goes round may be cut anywhere: its layers from this one on. */
const turn = <One>(all: readonly One[], by: number): readonly One[] => [...all.slice(by), ...all.slice(0, by)]
export const turned = ({ own, steps, loop }: Graph, by: number): Graph => ({
  own: turn(own, by),
  steps: turn(steps, by),
  loop,
})
