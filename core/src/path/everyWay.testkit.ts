/** The slow truth: every way through, one after another, added up term by term. */
import { candidateMemory, candidatesFor } from './candidates.ts'
import { stepBetween } from './stepCost.ts'
import type { PathQuestion, PathShape, PathWay } from './types.ts'

/** All ways, the best first. */
export function everyWay(question: PathQuestion): readonly PathWay[] {
  const { chords, weights, wishes, loop } = question
  const of = candidatesFor(question, candidateMemory(question))
  const choices = chords.map((_, index): readonly (PathShape | undefined)[] => {
    const { shapes } = of(index)
    return shapes.length > 0 ? shapes : [undefined]
  })
  const step = (a: PathShape | undefined, b: PathShape | undefined) =>
    a && b ? stepBetween(a, b, weights, wishes).cost : 0
  const ways: PathWay[] = []
  const go = (shapes: readonly (PathShape | undefined)[], total: number) => {
    const next = choices[shapes.length]
    if (!next) {
      ways.push({ total: total + (loop ? step(shapes.at(-1), shapes[0]) : 0), shapes })
      return
    }
    for (const shape of next)
      go([...shapes, shape], total + (shape?.cost ?? 0) + (shapes.length > 0 ? step(shapes.at(-1), shape) : 0))
  }
  go([], 0)
  return ways.sort((a, b) => a.total - b.total)
}
