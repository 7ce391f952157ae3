/** Finds paths on a thread of its own, so that a long search holds up nobody. A question comes in, its path goes out. */
import { parentPort } from 'node:worker_threads'
import { MOST_PATH_STEPS, type PathQuestion, pathSteps, rememberingSolver } from '@nestling/core/path'
import type { PathTold, ThreadAnswer, ThreadQuestion } from '../src/contracts/path.ts'

const solve = rememberingSolver()

function answer(question: PathQuestion): PathTold {
  const steps = pathSteps(question)
  if (steps > MOST_PATH_STEPS) return { kind: 'too-large', steps, most: MOST_PATH_STEPS }
  return { kind: 'found', found: solve(question).best() }
}

parentPort?.on('message', ({ id, question }: ThreadQuestion) => {
  try {
    parentPort?.postMessage({ ...answer(question), id } satisfies ThreadAnswer)
  } catch (error) {
    parentPort?.postMessage({ id, kind: 'failed', message: error instanceof Error ? error.message : String(error) })
  }
})
