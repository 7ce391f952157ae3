import fc from 'fast-check'
import { expect, test } from 'vitest'
import { writeSymbol } from '../chord/index.ts'
import { degreePitchClass, letterIndexOf, NOTE_NAMES, pitchClassOf, spellDegree, stepOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import {
  chordScale,
  DEPTH_SCHOOLS,
  DEPTHS,
  keyOf,
  NUMBER_SCHOOLS,
  readKey,
  readNumbers,
  SCALES,
  writeNumber,
  writeStep,
} from './index.ts'

const key = (text: string) => must(readKey(text))
const symbols = (text: string, depth: (typeof DEPTHS)[number], school: 'honest' | 'plain' = 'honest') =>
  chordScale(key(text), depth, school)
    .map(({ chord }) => writeSymbol(chord, { ascii: true }))
    .join(' ')
const formulas = (text: string) => chordScale(key(text), 'thirteenths').map(({ honest }) => honest.join(' '))

test.each([
  ['C', 'triads', 'C Dm Em F G Am Bdim'],
  ['C', 'sevenths', 'Cmaj7 Dm7 Em7 Fmaj7 G7 Am7 Bm7b5'],
  ['C', 'ninths', 'Cmaj9 Dm9 Em7b9 Fmaj9 G9 Am9 Bm7b5b9'],
  ['Bb', 'sevenths', 'Bbmaj7 Cm7 Dm7 Ebmaj7 F7 Gm7 Am7b5'],
  ['A harmonic minor', 'triads', 'Am Bdim Caug Dm E F G#dim'],
  ['A harmonic minor', 'sevenths', 'Am(maj7) Bm7b5 Cmaj7#5 Dm7 E7 Fmaj7 G#dim7'],
  ['A melodic minor', 'sevenths', 'Am(maj7) Bm7 Cmaj7#5 D7 E7 F#m7b5 G#m7b5'],
] as const)('%s in %s: %s', (text, depth, expected) => expect(symbols(text, depth)).toBe(expected))

// To thirteenths, from theory: each step's thirds counted in the scale.
test.each([
  [
    'C',
    'R 3 5 7 9 11 13|R b3 5 b7 9 11 13|R b3 5 b7 b9 11 b13|R 3 5 7 9 #11 13|R 3 5 b7 9 11 13|R b3 5 b7 9 11 b13|R b3 b5 b7 b9 11 b13',
  ],
  [
    'C harmonic minor',
    'R b3 5 7 9 11 b13|R b3 b5 b7 b9 11 13|R 3 #5 7 9 11 13|R b3 5 b7 9 #11 13|R 3 5 b7 b9 11 b13|R 3 5 7 #9 #11 13|R b3 b5 bb7 b9 b11 b13',
  ],
  [
    'C melodic minor',
    'R b3 5 7 9 11 13|R b3 5 b7 b9 11 13|R 3 #5 7 9 #11 13|R 3 5 b7 9 #11 13|R 3 5 b7 9 11 b13|R b3 b5 b7 9 11 b13|R b3 b5 b7 b9 b11 b13',
  ],
])('%s to thirteenths', (text, expected) => expect(formulas(text)).toEqual(expected.split('|')))

test('kept plain: what rubs is left away and named; a chord whose ninth rubs stays at its seventh', () => {
  expect(symbols('C', 'ninths', 'plain')).toBe('Cmaj9 Dm9 Em7 Fmaj9 G9 Am9 Bm7b5')
  expect(symbols('C', 'thirteenths', 'plain')).toBe('Cmaj13 Dm13 Em7 Fmaj13#11 G13 Am11 Bm7b5')
  const [one, , three] = chordScale(key('C'), 'thirteenths', 'plain')
  expect(one?.left).toEqual([{ degree: '11', above: '3' }])
  expect(three?.left).toEqual([
    { degree: 'b9', above: 'R' },
    { degree: '11', above: 'ninth' },
    { degree: 'b13', above: 'ninth' },
  ])
  // A dominant's ♭9 is a colour.
  expect(symbols('C harmonic minor', 'ninths', 'plain').split(' ')[4]).toBe('G7b9')
})

test('functions and modes of a major key', () => {
  const steps = chordScale(key('Bb'), 'sevenths')
  expect(steps.map(({ function: of }) => of[0]).join('')).toBe('tstsdtd')
  expect(steps.map(({ mode }) => mode.name)).toEqual([
    'major (Ionian)',
    'Dorian',
    'Phrygian',
    'Lydian',
    'Mixolydian',
    'natural minor (Aeolian)',
    'Locrian',
  ])
})

const keys = SCALES.filter(({ degrees }) => degrees.length === 7).flatMap((scale) =>
  NOTE_NAMES.flatMap((tonic) => keyOf(tonic, scale) ?? []),
)
const anyKey = fc.constantFrom(...keys)

test('any key, depth and school: every chord holds only tones of the scale, each on its own letter', () => {
  fc.assert(
    fc.property(anyKey, fc.constantFrom(...DEPTHS), fc.constantFrom(...DEPTH_SCHOOLS), (one, depth, school) => {
      const held = new Set(one.notes.map(pitchClassOf))
      const steps = chordScale(one, depth, school)
      expect(steps.map(({ chord }) => chord.root)).toEqual(one.notes)
      for (const { chord, honest, left } of steps) {
        const letters = honest.map((degree) => (letterIndexOf(chord.root) + stepOf(degree) - 1) % 7)
        expect(new Set(letters).size).toBe(honest.length)
        for (const degree of honest) {
          const note = spellDegree(chord.root, degree)
          expect(one.notes).toContain(note)
          expect(held.has((pitchClassOf(chord.root) + degreePitchClass(degree)) % 12)).toBe(true)
        }
        expect(chord.formula.length + left.length).toBe(honest.length)
      }
    }),
  )
})

test.each([
  ['C', 'sevenths', '6 2 5 1', 'Am7 Dm7 G7 Cmaj7'],
  ['Bb', 'triads', 'ii V I', 'Cm F Bb'],
  ['A', 'triads', '1 4 5', 'A D E'],
  ['C', 'sevenths', 'V/V 5/5 V/ii', 'D7 D7 A7'],
  ['C', 'triads', 'b7 bVII bIII', 'Bb Bb Eb'],
  ['C', 'sevenths', 'ii7 V9 Imaj9', 'Dm7 G9 Cmaj9'],
  ['C', 'triads', 'iv', 'Fm'],
  ['C', 'sevenths', '2– 5 1', 'Dm7 G7 Cmaj7'],
  ['G', 'sevenths', '1, 6, 2, 5', 'Gmaj7 Em7 Am7 D7'],
  ['C', 'sevenths', 'vii° ii/ii', 'Bm7b5 Em7b5'],
] as const)('in %s, %s: %s is %s', (text, depth, numbers, expected) =>
  expect(
    must(readNumbers(numbers, key(text), depth))
      .map((chord) => writeSymbol(chord, { ascii: true }))
      .join(' '),
  ).toBe(expected),
)

test.each([
  ['6 2 9 1', { code: 'not_a_chord_number', at: 4, text: '9' }],
  ['ii Vxyz', { code: 'not_a_suffix', at: 4 }],
  ['V/8', { code: 'not_a_chord_number', at: 2 }],
  ['', { code: 'not_a_chord_number', at: 0 }],
])('%j is refused where it is wrong', (text, error) =>
  expect(readNumbers(text, key('C'), 'triads')).toMatchObject({ ok: false, error }),
)

test('three schools of numbers', () => {
  const told = (school: (typeof NUMBER_SCHOOLS)[number]) =>
    chordScale(key('C'), 'triads')
      .map(({ chord }) => writeStep(chord, key('C'), school))
      .join(' ')
  expect(told('roman')).toBe('I ii iii IV V vi vii°')
  expect(told('capitals')).toBe('I II III IV V VI VII')
  expect(told('plain')).toBe('1 2– 3– 4 5 6– 7°')
})

test('numbers → chords → numbers → chords is the same, in any key, depth and school', () => {
  const number = fc.tuple(
    fc.constantFrom('', '', 'b', '#'),
    fc.constantFrom('1', '2', '3', '4', '5', '6', '7', 'ii', 'V', 'iv', 'VI', 'V/ii', '5/6', '2m7b5', '5sus4', '57b9'),
  )
  fc.assert(
    fc.property(
      anyKey,
      fc.constantFrom(...DEPTHS),
      fc.constantFrom(...NUMBER_SCHOOLS),
      fc.array(number, { minLength: 1, maxLength: 6 }),
      (one, depth, school, list) => {
        const read = readNumbers(
          list.map(([sign, text]) => (text.includes('/') ? text : sign + text)).join(' '),
          one,
          depth,
        )
        if (!read.ok) {
          expect(read.error.code).toBe('number_unspellable')
          return
        }
        const written = read.value.map((chord) => writeNumber(chord, one, depth, school)).join(' ')
        const again = readNumbers(written, one, depth)
        expect([written, again.ok && again.value]).toEqual([written, read.value])
      },
    ),
  )
})
