/** From the audio clock to the ear. */

/**
 * Between what the context hands over and what is heard, in seconds, as far as the browser tells: its own buffer is in the
 * latency of the output; where that is not told, the buffer alone.
 */
export function outputLatencyS({ baseLatency = 0, outputLatency = 0 }: Partial<AudioContext>): number {
  return outputLatency > 0 ? outputLatency : baseLatency
}
