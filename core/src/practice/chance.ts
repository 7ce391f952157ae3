/** Chance comes from outside, by a seed. */
import { requireAt } from '../result/index.ts'

/** Chance that is the same for the same seed: numbers from 0 to below 1, one after another. */
export function chanceOf(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** All of them in an order of chance. */
export function shuffled<Value>(values: readonly Value[], random: () => number): readonly Value[] {
  const all = [...values]
  for (let at = all.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1))
    ;[all[at], all[other]] = [requireAt(all, other), requireAt(all, at)]
  }
  return all
}
