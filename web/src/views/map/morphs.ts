/** The formulas that a triad or a seventh chord is morphed into, by their suffixes. */
import { readSymbol } from '@nestling/core/chord'

const morphsOf = (suffixes: readonly string[]) =>
  suffixes.flatMap((suffix) => {
    const read = readSymbol(`C${suffix}`)
    return read.ok ? [{ suffix, formula: read.value.formula }] : []
  })

export const TRIAD_MORPHS = morphsOf(['', 'm', 'dim', 'aug', 'sus2', 'sus4'])
export const SEVENTH_MORPHS = morphsOf([
  'maj7',
  '7',
  'm7',
  'm7b5',
  'dim7',
  'm(maj7)',
  '6',
  'm6',
  '7sus4',
  'maj7#5',
  '7#5',
])
