import { expect, test } from 'vitest'
import { outputLatencyS } from './latency.ts'

test.each([
  [{ baseLatency: 0.01, outputLatency: 0.18 }, 0.18],
  [{ baseLatency: 0.01, outputLatency: 0 }, 0.01],
  [{ baseLatency: 0.01 }, 0.01],
  [{}, 0],
])('what the browser tells as %j is waited for as %d s', (context, seconds) =>
  expect(outputLatencyS(context)).toBe(seconds),
)
