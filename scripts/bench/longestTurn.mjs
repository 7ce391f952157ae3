/**
 * Loaded before the server: tells, when it is asked, how long its main thread was held up at the longest, and how long it
 * worked at the longest without a pause. The one is longer than the other when others have its core.
 */
import { readFileSync } from 'node:fs'
import { isMainThread } from 'node:worker_threads'

const EVERY_MS = 5
/** What this thread has run, in ms; as exact as the system's own clock for it, some ms. */
const ranMs = () => Number(readFileSync(`/proc/self/task/${process.pid}/schedstat`, 'utf8').split(' ')[0]) / 1e6

if (isMainThread && process.channel) {
  let last = { now: performance.now(), ran: ranMs() }
  let longest = { held: 0, worked: 0 }
  setInterval(() => {
    const at = { now: performance.now(), ran: ranMs() }
    const held = at.now - last.now - EVERY_MS
    longest = { held: Math.max(longest.held, held), worked: Math.max(longest.worked, held > 0 ? at.ran - last.ran : 0) }
    last = at
  }, EVERY_MS).unref()
  process.on('message', () => {
    process.send?.(longest)
    longest = { held: 0, worked: 0 }
  })
  process.channel.unref()
}
