/** The last step before the loudspeaker: nothing leaves at full scale, and what is soft enough leaves as it came. */

/** With all volumes at 70. With all at 100 six strings plucked together still stay below the knee. */
export const HEADROOM_DB = -17.5

/** Up to here nothing is changed. */
const KNEE = 0.7
/** Nothing is louder than this. */
const MOST = 0.98
/** As loud as anything can be that all parts at full volume add up to; the curve reaches so far. */
export const REACH = 8

/** @param sample Of any loudness. @returns Within ±0.98; the same sample where it is at most ±0.7. */
export function clean(sample: number): number {
  const size = Math.abs(sample)
  if (size <= KNEE) return sample
  return Math.sign(sample) * (KNEE + (MOST - KNEE) * Math.tanh((size - KNEE) / (MOST - KNEE)))
}

/** As a table for a wave shaper, over ±`REACH`. */
export const cleanCurve = (points: number): Float32Array<ArrayBuffer> =>
  Float32Array.from({ length: points }, (_, index) => clean(((2 * index) / (points - 1) - 1) * REACH))
