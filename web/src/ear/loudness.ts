/** How loud samples are from one of them to the last: root mean square, full scale 1. */
export function loudness(samples: Float32Array, from: number): number {
  let sum = 0
  for (let index = from; index < samples.length; index++) sum += (samples[index] as number) ** 2
  return Math.sqrt(sum / (samples.length - from))
}

/** The same of what changes from sample to sample: where a string is touched it is more, however low strings beat together. */
export function brightness(samples: Float32Array, from: number): number {
  let sum = 0
  for (let index = from; index < samples.length; index++)
    sum += ((samples[index] as number) - (samples[index - 1] ?? 0)) ** 2
  return Math.sqrt(sum / Math.max(1, samples.length - from))
}
