/** How loud a pitch seems beside others of the same power. */

/** The shelf of 4 dB that a head adds above 1.7 kHz, and the high-pass below which the ear hears little. */
const SHELF = { hz: 1681.97, a: 10 ** (3.99984 / 40), q: 0.70718 }
const LOW_HZ = 38.135

/**
 * The factor of an amplitude at a frequency in Hz. Source: the K weighting of loudness meters, as its analogue filters.
 */
export function weighted(hz: number): number {
  const low = (hz / LOW_HZ) ** 2
  const { a, q } = SHELF
  const w = hz / SHELF.hz
  const side = ((Math.sqrt(a) / q) * w) ** 2
  const shelf = a * Math.sqrt(((1 - a * w * w) ** 2 + side) / ((a - w * w) ** 2 + side))
  return (low / (1 + low)) * shelf
}
