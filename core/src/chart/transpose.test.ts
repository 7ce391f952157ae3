import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol, writeSymbol } from '../chord/index.ts'
import { keyOf, MAJOR, NATURAL_MINOR, readKey } from '../key/index.ts'
import { alterationOf, pitchClassOf, spellDegree } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { keysFor, transposedChord } from './index.ts'

const key = (text: string) => must(readKey(text))
const moved = (symbols: string, from: string, to: string) =>
  symbols
    .split(' ')
    .map((symbol) => writeSymbol(transposedChord(must(readSymbol(symbol)), key(from), key(to)), { ascii: true }))
    .join(' ')

describe('a chord in another key is spelled by its function', () => {
  test.each([
    // What leads up is raised, whatever the key.
    ['C C#dim7 Dm7 D#dim7 Em7', 'C', 'G', 'G G#dim7 Am7 A#dim7 Bm7'],
    ['C C#dim7 Dm7', 'C', 'Bb', 'Bb Bdim7 Cm7'],
    ['C F#m7b5 B7', 'C', 'F', 'F Bm7b5 E7'],
    ['C F#dim7 G', 'C', 'Ab', 'Ab Ddim7 Eb'],
    // A substitute falls.
    ['Dm7 Db7 Cmaj7', 'C', 'G', 'Am7 Ab7 Gmaj7'],
    ['Dm7 Db7 Cmaj7', 'C', 'E', 'F#m7 F7 Emaj7'],
    ['C Ab Bb C', 'C', 'A', 'A F G A'],
    ['Em C D B7', 'E minor', 'C minor', 'Cm Ab Bb G7'],
    // No double flat where a twin is written.
    ['Dm7 Db7 Cmaj7', 'C', 'Gb', 'Abm7 G7 Gbmaj7'],
    ['Abm7 G7 Gbmaj7', 'Gb', 'C', 'Dm7 Db7 Cmaj7'],
    ['C/E G/B F/A C/Bb', 'C', 'Eb', 'Eb/G Bb/D Ab/C Eb/Db'],
    ['C/E G/B', 'C', 'F#', 'F#/A# C#/E#'],
  ])('%s of %s in %s: %s', (symbols, from, to, expected) => expect(moved(symbols, from, to)).toBe(expected))

  const tonics = ['C', 'G', 'D', 'A', 'E', 'F', 'Bb', 'Eb', 'Ab'] as const
  const tune = fc.record({
    tonic: fc.constantFrom(...tonics),
    isMinor: fc.boolean(),
    // As players write roots: of the scale, lowered, or raised before a diminished chord.
    root: fc.constantFrom('R', 'b9', '9', 'b3', '3', '4', 'b5', '5', 'b6', '6', 'b7', '7'),
    formula: fc.constantFrom(...CATALOGUE.map(({ formula }) => formula).filter((one) => !one.includes('b5'))),
    bass: fc.constantFrom(undefined, '3', '5', 'b7', '9'),
  } as const)
  test('there and back again it is the same chord, in every key; its tones move alike', () => {
    fc.assert(
      fc.property(tune, ({ tonic, isMinor, root, formula, bass }) => {
        const own = keyOf(tonic, isMinor ? NATURAL_MINOR : MAJOR)
        const note = own && spellDegree(own.tonic, root)
        fc.pre(own !== undefined && note !== undefined && Math.abs(alterationOf(note)) < 2)
        const low = bass && spellDegree(note as 'C', bass)
        fc.pre(low === undefined || Math.abs(alterationOf(low)) < 2)
        const chord = { root: note as 'C', formula, ...(low ? { bass: low } : {}) }
        for (const to of keysFor(own as NonNullable<typeof own>)) {
          const there = transposedChord(chord, own as NonNullable<typeof own>, to)
          expect(Math.abs(alterationOf(there.root))).toBeLessThan(2)
          const up = pitchClassOf(to.tonic) - pitchClassOf(tonic)
          expect((pitchClassOf(there.root) - pitchClassOf(chord.root) - up + 24) % 12).toBe(0)
          expect(transposedChord(there, to, own as NonNullable<typeof own>).root).toBe(chord.root)
        }
      }),
    )
  })
})
