/** The same noise from the same seed, so that a sound is alike whenever it is made: xorshift on 32 bits, within ±1. */
export function noise(seed: number): () => number {
  let state = seed >>> 0 || 1
  return () => {
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) / 2 ** 31 - 1
  }
}
