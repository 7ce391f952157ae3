/** The thread that finds paths: started at the first question, and anew if it ends. */
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { PathQuestion } from '@nestling/core/path'
import type { PathTold, ThreadAnswer, ThreadQuestion } from '../../contracts/path.ts'

/** Where the server's own files lie; told by the server, beside which the built pages can't find it themselves. */
const threadFile = (): string => process.env['NESTLING_PATH_THREAD'] ?? join(process.cwd(), 'server', 'pathThread.mjs')

let thread: Worker | undefined
let asked = 0
const waiting = new Map<number, (answer: PathTold) => void>()

function started(): Worker {
  if (thread) return thread
  const worker = new Worker(threadFile())
  const ended = (message: string) => {
    if (thread === worker) thread = undefined
    for (const told of waiting.values()) told({ kind: 'failed', message })
    waiting.clear()
  }
  worker.on('message', (answer: ThreadAnswer) => {
    waiting.get(answer.id)?.(answer)
    waiting.delete(answer.id)
    // A thread that has nothing to do does not keep the server from ending.
    if (waiting.size === 0) worker.unref()
  })
  worker.on('error', (error) => ended(error.message))
  worker.on('exit', () => ended('the search ended'))
  thread = worker
  return worker
}

export const findOnThread = (question: PathQuestion): Promise<PathTold> =>
  new Promise((resolve) => {
    const id = ++asked
    waiting.set(id, resolve)
    const worker = started()
    worker.ref()
    worker.postMessage({ id, question } satisfies ThreadQuestion)
  })
