import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { degreePitchClass, pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import {
  betweenChords,
  chordScale,
  DEPTHS,
  keysByFourths,
  leastMoves,
  readKey,
  sharedChords,
  stackAround,
  standIns,
  waysBetween,
} from './index.ts'

const key = (text: string) => must(readKey(text))
const chord = (text: string) => must(readSymbol(text))
const told = (one: Parameters<typeof writeSymbol>[0]) => writeSymbol(one, { ascii: true })

test('for the second step of B flat in sevenths stand windows on its stack of thirds', () => {
  expect(stackAround(key('Bb'), 2).join(' ')).toBe('A C Eb G Bb D F')
  const all = standIns(key('Bb'), 2, 'sevenths')
  expect(all.map((one) => `${one.kind} ${told(one.chord)}`)).toEqual([
    'longer Cm9',
    'up Ebmaj7',
    'down Am7b5',
    'same Eb6',
    'shorter Cm',
  ])
  expect(all[1]).toMatchObject({ stays: ['Eb', 'G', 'Bb'], comes: ['D'], goes: ['C'] })
  expect(all[3]).toMatchObject({ comes: [], goes: [] })
})

test('any step and depth: a stand-in is of the key, shares most tones, and is never the chord itself', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('C', 'Bb', 'F# Dorian', 'A harmonic minor'),
      fc.integer({ min: 1, max: 7 }),
      fc.constantFrom(...DEPTHS),
      (text, step, depth) => {
        const own = chordScale(key(text), depth)[step - 1]?.chord
        const notes = new Set(key(text).notes.map(pitchClassOf))
        for (const { chord: other, stays, goes, kind } of standIns(key(text), step, depth)) {
          expect(told(other)).not.toBe(own && told(own))
          for (const degree of other.formula)
            expect(notes.has((pitchClassOf(other.root) + degreePitchClass(degree)) % 12)).toBe(true)
          expect(stays.length + goes.length).toBe(own?.formula.length)
          // Thirteenths hold all seven notes, whichever is their root.
          if (kind === 'up' || kind === 'down') expect(goes).toHaveLength(depth === 'thirteenths' ? 0 : 1)
        }
      },
    ),
  )
})

test('before a chord stand its leading tone, its dominant, the dominant’s partner, and its second step', () => {
  const before = (from: string, to: string) =>
    betweenChords(chord(from), chord(to))
      .map((one) => told(one.chord))
      .join(' ')
  expect(before('Cmaj7', 'Dm7')).toBe('C#dim7 A7 Eb7 Em7b5')
  expect(before('Dm7', 'Cmaj7')).toBe('Bdim7 G7 Db7')
})

test('tones go the least way: as little as trying every pairing', () => {
  expect(leastMoves(chord('Cmaj7'), chord('Em7')).map(({ from, to, by }) => `${from}>${to} ${by}`)).toEqual([
    'R>b7 2',
    '3>R 0',
    '5>b3 0',
    '7>5 0',
  ])
  const permutations = <One>(list: readonly One[]): readonly (readonly One[])[] =>
    list.length < 2
      ? [list]
      : list.flatMap((one, index) => permutations(list.toSpliced(index, 1)).map((rest) => [one, ...rest]))
  const chords = fc.constantFrom('Cmaj7', 'Dm7', 'F#m7b5', 'Bb7', 'G6', 'Abmaj7', 'Edim7')
  fc.assert(
    fc.property(chords, chords, (a, b) => {
      const [from, to] = [chord(a), chord(b)]
      const way = (x: (typeof from.formula)[number], y: (typeof to.formula)[number]) => {
        const up =
          (pitchClassOf(to.root) + degreePitchClass(y) - pitchClassOf(from.root) - degreePitchClass(x) + 24) % 12
        return Math.min(up, 12 - up)
      }
      const least = Math.min(
        ...permutations(to.formula).map((order) =>
          from.formula.reduce((sum, x, index) => sum + way(x, order[index] as typeof x), 0),
        ),
      )
      expect(leastMoves(from, to).reduce((sum, { by }) => sum + Math.abs(by), 0)).toBe(least)
    }),
  )
})

test('keys by fourths, each once; neighbours share four triads, the relative key all seven', () => {
  expect(
    keysByFourths(key('F#'), 0)
      .map(({ tonic }) => tonic)
      .join(' '),
  ).toBe('F# B E A D G C F Bb Eb Ab Db')
  expect(sharedChords(key('C'), key('G'), 'triads').map(told).join(' ')).toBe('C Em G Am')
  expect(sharedChords(key('C'), key('Am'), 'sevenths')).toHaveLength(7)
  expect(sharedChords(key('C'), key('F#'), 'triads')).toHaveLength(0)
})

test.each([
  ['Cmaj7', 'Fmaj7', 'leading Edim7, dominant C7, tritone Gb7, two Gm7, sus C7sus4'],
  ['G7', 'Am7', 'leading G#dim7, dominant E7, tritone Bb7, two Bm7b5, chromatic G#m7b5, sus E7sus4'],
  ['Dm7', 'C', 'leading Bdim7, dominant G7, tritone Db7, chromatic Dbdim7, chromatic Dbm7b5, sus G7sus4'],
  // E double flat is written D.
  ['Abmaj9', 'Dbmaj7', 'leading Cdim7, dominant Ab7, tritone D7, two Ebm7, sus Ab7sus4'],
  ['Dm7', 'G7', 'leading F#dim7, dominant D7, tritone Ab7, two Am7, sus G7sus4'],
])('between %s and %s: %s', (from, to, expected) =>
  expect(
    waysBetween(chord(from), chord(to))
      .map((one) => `${one.reason} ${told(one.chord)}`)
      .join(', '),
  ).toBe(expected),
)

test('in a key, the step between roots a third apart', () => {
  const steps = (from: string, to: string) =>
    waysBetween(chord(from), chord(to), key('C'))
      .filter(({ reason }) => reason === 'step')
      .map((one) => told(one.chord))
  expect(steps('Cmaj7', 'Em7')).toEqual(['Dm7'])
  expect(steps('Am7', 'Fmaj7')).toEqual(['G7'])
  expect(steps('Cmaj7', 'Dm7')).toEqual([])
})
