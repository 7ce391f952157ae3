/** The chords that have usual names, simplest first: what a shape can be called, and what the tables are made of. */

import { formulaMask } from './formula.ts'
import { readSuffix } from './symbolRead.ts'
import type { Formula } from './types.ts'

export interface CatalogueEntry {
  /** The symbol after the root, in words and ASCII. */
  readonly suffix: string
  readonly formula: Formula
  /** Pitch classes above the root, bit n for n semitones. */
  readonly mask: number
  /** 0 is the plainest name; names of a shape are ranked by it. */
  readonly rank: number
  readonly rare: boolean
}

const USUAL = `
  · m dim aug 5 sus4 sus2 7 maj7 m7 6 m6 m7b5 dim7 m(maj7) add9 madd9 9 maj9 m9 7sus4 6/9 m6/9
  7#5 7b5 7b9 7#9 maj7#5 maj7b5 13 9sus4 13sus4 11 m11 m13 maj13 7#11 maj7#11 9#11 maj9#11 13#11 maj13#11
  m(maj9) 7b13 7b5b9 7#5b9 7b5#9 7#5#9 7b9b13 7#9b13 7b9#9 7b9#11 7#9#11 13b9 13#9 13b9#11 9b5 9#5 maj9#5
  7sus4b9 13sus4b9 m9b5 m11b5 m7add11 add11 madd11 dim(maj7) maj7sus4 maj9sus4 m(maj11) m(maj13) maj11
` // `·` is the major triad, whose symbol is its root alone

/** Right, and seldom what is meant: listed behind every usual name. */
const RARE = 'dim9 m7#5 7sus2 maj7sus2 sus24 add#11 maddb13 addb9 6#11 7add13 maj7add13 (b5)'

const words = (text: string): readonly string[] => text.trim().split(/\s+/)

export const CATALOGUE: readonly CatalogueEntry[] = [...words(USUAL), ...words(RARE)].map((written, rank) => {
  const suffix = written === '·' ? '' : written
  const read = readSuffix(suffix)
  if (!read.ok) throw new Error(`the catalogue's ${suffix}: ${read.error.code}`)
  const { formula } = read.value
  return { suffix, formula, mask: formulaMask(formula), rank, rare: rank >= words(USUAL).length }
})
