/** How loud samples are from one of them to the last: root mean square, full scale 1. */
export function loudness(samples: Float32Array, from: number): number {
  let sum = 0
  for (let index = from; index < samples.length; index++) sum += (samples[index] as number) ** 2
  return Math.sqrt(sum / (samples.length - from))
}
