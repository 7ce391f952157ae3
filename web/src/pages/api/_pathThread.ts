/** The thread that finds paths: started at the first question, and anew if it ends. */
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { PathQuestion } from '@nestling/core/path'
import type { PathTold, ThreadAnswer, ThreadQuestion } from '../../contracts/path.ts'

/** Where the server's own files lie; told by the server, beside which the built pages can't find it themselves. */
const threadFile = (): string => process.env['NESTLING_PATH_THREAD'] ?? join(process.cwd(), 'server', 'pathThread.mjs')

interface Thread {
  readonly worker: Worker
  /** Its own questions: the end of one thread is nothing to those of the next. */
  readonly waiting: Map<number, (answer: PathTold) => void>
}
let thread: Thread | undefined
let asked = 0

function started(): Thread {
  if (thread) return thread
  const begun: Thread = { worker: new Worker(threadFile()), waiting: new Map() }
  const { worker, waiting } = begun
  const ended = (message: string) => {
    if (thread === begun) thread = undefined
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
  thread = begun
  return begun
}

export const findOnThread = (question: PathQuestion): Promise<PathTold> =>
  new Promise((resolve) => {
    const id = ++asked
    const { worker, waiting } = started()
    waiting.set(id, resolve)
    worker.ref()
    worker.postMessage({ id, question } satisfies ThreadQuestion)
  })

/** Ends the thread; the next question starts another. */
export async function endThread(): Promise<void> {
  await thread?.worker.terminate()
}
