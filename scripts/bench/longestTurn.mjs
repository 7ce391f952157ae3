/** Loaded before the server: tells, when it is asked, how long the main thread was held up at the longest. */
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { isMainThread } from 'node:worker_threads'

if (isMainThread && process.channel) {
  const RESOLUTION_MS = 5
  const delay = monitorEventLoopDelay({ resolution: RESOLUTION_MS })
  delay.enable()
  process.on('message', () => {
    process.send?.(Math.max(0, delay.max / 1e6 - RESOLUTION_MS))
    delay.reset()
  })
  process.channel.unref()
}
