import { describe, expect, test } from 'vitest'
import { degreeAlteration, type NoteName, stepOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import {
  bassDegreeOf,
  CATALOGUE,
  type Formula,
  familyOf,
  notesOf,
  omittableDegrees,
  plainestRoot,
  readFormula,
  readSymbol,
  readThirds,
  soundingSets,
  stackedThirds,
  writeFormula,
} from './index.ts'

const formula = (text: string): Formula => must(readFormula(text))

describe('stacked thirds', () => {
  test.each([
    ['R 3 5', 'M3 m3'], // major: a major third below a minor one
    ['R b3 5', 'm3 M3'],
    ['R b3 b5', 'm3 m3'],
    ['R 3 #5', 'M3 M3'],
    ['R b3 b5 b7', 'm3 m3 M3'],
    ['R b3 b5 bb7', 'm3 m3 m3'],
    ['R 3 5 7 9', 'M3 m3 M3 m3'],
    ['R 4 5', 'P4 M2'], // not tertian, and said so
    ['R 3 b5 b7', 'M3 d3 M3'],
  ])('%s is %s', (degrees, thirds) =>
    expect(
      stackedThirds(formula(degrees))
        .map((step) => step.interval)
        .join(' '),
    ).toBe(thirds),
  )

  test.each(['m3 m3 M3', 'M3 m3 M3 m3', 'm3 M3 m3', 'M3 M3', 'm3 m3 m3'])(
    'typed as %s it is the same stack again',
    (thirds) =>
      expect(
        stackedThirds(must(readThirds(thirds)))
          .map((step) => step.interval)
          .join(' '),
      ).toBe(thirds),
  )
  test('m3 m3 M3 is the half-diminished seventh', () =>
    expect(must(readThirds('m3 m3 M3'))).toEqual(['R', 'b3', 'b5', 'b7']))
  test('a word that is no third is refused with its place', () =>
    expect(readThirds('m3 P4')).toMatchObject({ ok: false, error: { at: 3, code: 'not_a_third' } }))
})

describe('formulas typed as degrees', () => {
  test.each([
    ['1 ♭3 5 ♭7', 'R b3 5 b7'],
    ['R,3,5', 'R 3 5'],
    ['R 5 3', 'R 3 5'], // told in order
    ['R 2 3 5', 'R 3 5 9'], // a second beside a third is a ninth
    ['R b3 3 5 b7', 'R 3 5 b7 #9'],
    ['R 3 5 6 b7', 'R 3 5 b7 13'],
    ['R 3 #4 5 7', 'R 3 5 7 #11'],
  ])('%s is %s', (typed, told) => expect(writeFormula(formula(typed))).toBe(told))

  test.each([
    ['R 3 5 8', 6, 'unknown_degree'],
    ['3 5 7', 0, 'no_root_degree'],
    ['R 3 3', 4, 'named_twice'],
    ['R', 0, 'too_few_degrees'],
    ['R b5 #11', 5, 'sounds_as'],
    ['R b4', 2, 'not_a_chord_degree'],
  ])('%s is refused at %d as %s', (typed, at, code) =>
    expect(readFormula(typed)).toMatchObject({ ok: false, error: { at, code } }),
  )

  test.each(CATALOGUE.map((entry) => writeFormula(entry.formula)))('%s is read back as written', (text) =>
    expect(writeFormula(formula(text))).toBe(text),
  )
})

test.each([
  ['Cmaj7', 'major'],
  ['C6', 'major'],
  ['Cm9', 'minor'],
  ['C13', 'dominant'],
  ['C7#5', 'dominant'],
  ['Cm7b5', 'half-diminished'],
  ['Cdim7', 'diminished'],
  ['Caug', 'augmented'],
  ['C9sus4', 'suspended'],
  ['C5', 'power'],
])('%s belongs to the %s family', (symbol, family) => expect(familyOf(must(readSymbol(symbol)).formula)).toBe(family))

describe('the catalogue spelled on the fifteen usual roots', () => {
  /** The fifteen major scales, written out: the source of every spelling here. */
  const MAJOR_SCALES = [
    'C D E F G A B',
    'G A B C D E F#',
    'D E F# G A B C#',
    'A B C# D E F# G#',
    'E F# G# A B C# D#',
    'B C# D# E F# G# A#',
    'F# G# A# B C# D# E#',
    'C# D# E# F# G# A# B#',
    'F G A Bb C D E',
    'Bb C D Eb F G A',
    'Eb F G Ab Bb C D',
    'Ab Bb C Db Eb F G',
    'Db Eb F Gb Ab Bb C',
    'Gb Ab Bb Cb Db Eb F',
    'Cb Db Eb Fb Gb Ab Bb',
  ]

  /** Alters a note of the scale by hand: each sharp takes away a flat or adds a sharp. */
  const altered = (note: string, by: number): string => {
    const sharps = [...note.slice(1)].reduce((sum, sign) => sum + (sign === '#' ? 1 : -1), 0) + by
    return note[0] + (sharps < 0 ? 'b'.repeat(-sharps) : '#'.repeat(sharps))
  }

  test.each(MAJOR_SCALES)('over %s', (scale) => {
    const notes = scale.split(' ')
    for (const { formula: degrees, suffix } of CATALOGUE) {
      const expected = degrees.map((degree) =>
        altered(notes[(stepOf(degree) - 1) % 7] as string, degreeAlteration(degree)),
      )
      if (expected.some((note) => note.length > 3)) continue // three accidentals: the root gives way, tested elsewhere
      expect([suffix, ...notesOf({ root: notes[0] as NoteName, formula: degrees })]).toEqual([suffix, ...expected])
    }
  })
})

describe('what may be left out', () => {
  test.each([
    ['C7', '5 R'],
    ['C', '5'],
    ['Cm7b5', 'R'], // the altered fifth defines it
    ['C13', '5 R 9'],
    ['C11', '5 R 3'],
    ['Cm11', '5 R 9'],
    ['C7#5', 'R'],
  ])('%s may lose %s', (symbol, degrees) =>
    expect(omittableDegrees(must(readSymbol(symbol)).formula).join(' ')).toBe(degrees),
  )

  test.each([
    ['C9', 4, 'drop-fifth', ['R 3 b7 9']],
    ['C9', 4, 'drop-root', ['3 5 b7 9']],
    ['C9', 3, 'shell', ['R 3 b7']],
    ['C9', 4, 'shell', ['R 3 b7 9']],
    ['C13', 4, 'drop-fifth', ['R 3 b7 13']],
    ['C7', 4, 'drop-fifth', ['R 3 5 b7']],
    ['C7', 3, 'drop-root', ['3 5 b7']],
    ['Cm7b5', 3, 'drop-fifth', []], // nothing can go: three strings are too few
  ] as const)('%s on %d voices, %s: %j', (symbol, voices, school, sets) =>
    expect(
      soundingSets(must(readSymbol(symbol)).formula, voices, { school, doubling: false }).map((set) => set.join(' ')),
    ).toEqual(sets),
  )

  test('with doubling a triad may fill five strings, with or without its fifth', () => {
    const sets = soundingSets(['R', '3', '5'], 5, { school: 'drop-fifth', doubling: true })
    expect(sets.map((set) => set.join(' '))).toEqual(['R 3 5', 'R 3'])
  })
})

test('the plainest root takes the fewest accidentals', () => {
  expect(plainestRoot(3, ['R', '3', '5'])).toBe('Eb')
  expect(plainestRoot(1, ['R', 'b3', '5'])).toBe('C#')
  expect(plainestRoot(1, ['R', '3', '5'])).toBe('Db')
})

test.each([
  ['D/F#', '3'],
  ['C/Bb', 'b7'],
  ['C7/Bb', 'b7'],
  ['F/G', '9'],
])('the bass of %s is its %s', (symbol, degree) => expect(bassDegreeOf(must(readSymbol(symbol)))).toBe(degree))
