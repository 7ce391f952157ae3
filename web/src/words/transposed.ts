/** What did not go along into another key as it was. */
import type { NotAsItWas } from '@nestling/core/tune'
import { counted } from './shapes.ts'

/** @param barOf The bar of a chord, from 0. */
export function transposedWords(changed: readonly NotAsItWas[], barOf: (chord: number) => number): string | undefined {
  if (changed.length === 0) return undefined
  const bars = (some: readonly NotAsItWas[]) => {
    const numbers = [...new Set(some.map(({ chord }) => barOf(chord) + 1))]
    return `bar${numbers.length === 1 ? '' : 's'} ${numbers.join(', ')}`
  }
  const shapes = changed.filter(({ what }) => what === 'shape')
  const [elsewhere, gone] = [shapes.filter(({ to }) => to !== undefined), shapes.filter(({ to }) => to === undefined)]
  const tones = changed.filter(({ what }) => what === 'tone')
  const told = [
    ...(elsewhere.length > 0
      ? [`${counted(elsewhere.length, 'held shape')} an octave elsewhere (${bars(elsewhere)})`]
      : []),
    ...(gone.length > 0
      ? [`${counted(gone.length, 'held shape')} let go, no hand holds the form there (${bars(gone)})`]
      : []),
    ...(tones.length > 0
      ? [`${counted(tones.length, 'top tone')} an octave elsewhere or let go (${bars(tones)})`]
      : []),
  ]
  return `In the new key: ${told.join('; ')}.`
}
