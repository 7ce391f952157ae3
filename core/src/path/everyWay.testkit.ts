/** The slow truth: every way through, one after another, added up term by term. */
import { candidateMemory, candidatesFor } from './candidates.ts'
import { stepBetween } from './stepCost.ts'
import type { PathQuestion, PathShape, PathWay } from './types.ts'
import { settledWishes, weightsFor } from './weights.ts'

/** All ways, the best first. */
export function everyWay(free: PathQuestion): readonly PathWay[] {
  const question = { ...free, wishes: settledWishes(free) }
  const { chords, wishes, loop } = question
  const weights = weightsFor(question.weights, wishes)
  const of = candidatesFor(question, candidateMemory(question))
  const choices = chords.map((_, index): readonly (PathShape | undefined)[] => {
    const { shapes } = of(index)
    return shapes.length > 0 ? shapes : [undefined]
  })
  const nameAt = (index: number) => JSON.stringify(chords[index])
  const step = (a: PathShape | undefined, b: PathShape | undefined, from: number, to: number) =>
    a && b ? stepBetween(a, b, weights, wishes, nameAt(from) === nameAt(to)).cost : 0
  const ways: PathWay[] = []
  const go = (shapes: readonly (PathShape | undefined)[], total: number) => {
    const next = choices[shapes.length]
    if (!next) {
      ways.push({ total: total + (loop ? step(shapes.at(-1), shapes[0], shapes.length - 1, 0) : 0), shapes })
      return
    }
    for (const shape of next)
      go(
        [...shapes, shape],
        total +
          (shape?.cost ?? 0) +
          (shapes.length > 0 ? step(shapes.at(-1), shape, shapes.length - 1, shapes.length) : 0),
      )
  }
  go([], 0)
  return ways.sort((a, b) => a.total - b.total)
}
