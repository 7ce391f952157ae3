/** Tunings in words. */
import { type Tuning, tuningLetters } from '@nestling/core/neck'
import type { NamingSystem } from '@nestling/core/pitch'

/** "D A D G A D", or "standard · E A D G B E" where the name says something else than the strings. */
export function tuningWords(tuning: Tuning, naming: NamingSystem): string {
  const letters = tuningLetters(tuning, naming)
  return tuning.name === letters ? letters : `${tuning.name} · ${letters}`
}
