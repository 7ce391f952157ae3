import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type NamingSystem, NOTE_NAMES } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { CATALOGUE, readSymbol, type SymbolSchool, writeSymbol } from './index.ts'

const formulaIn = (symbol: string) => must(readSymbol(symbol)).formula.join(' ')

/** Each formula with every usual way of writing it over C. */
const WAYS: Readonly<Record<string, readonly string[]>> = {
  'R 3 5': ['C', 'C-Dur', 'C dur', 'C major', 'C majeur', 'CM', 'Cmaj', 'Cmajor'],
  'R b3 5': ['Cm', 'C moll', 'C-moll', 'C minor', 'C mineur', 'Cmin', 'C-', 'Cmi', 'CMIN', 'c-'],
  'R 3 5 7': [
    'C7M',
    'C^7',
    'C^',
    'Cmaj(7)',
    'CΔ(7)',
    'C major seventh',
    'C major 7',
    'Cmaj7',
    'CM7',
    'CΔ',
    'CΔ7',
    'Cma7',
    'C maj7',
    'CMaj7',
    'CMA7',
    'C(maj7)',
  ],
  'R b3 5 b7': ['Cm7', 'Cmin7', 'C-7', 'CMI7', 'C–7'],
  'R 3 5 b7': ['C dominant', 'Cdom', 'C dominant seventh', 'C7', 'Cdom7', 'C 7'],
  'R b3 b5 b7': [
    'C half diminished',
    'Chalf-dim7',
    'C minor 7 flat 5',
    'Cø',
    'Cø7',
    'Cm7b5',
    'C-7b5',
    'Cmin7(b5)',
    'Cm7♭5',
    'Cm7-5',
    'C–7♭5',
  ],
  'R b3 b5': ['C°', 'Co', 'Cdim', 'CDIM'],
  'R b3 b5 bb7': ['Cdim(7)', 'C°(7)', 'C[R b3 b5 6]', 'C diminished seventh', 'C°7', 'Cdim7', 'Co7'],
  'R 3 #5': ['C+', 'Caug', 'C(#5)'],
  'R 3 #5 b7': ['C+7', 'C7#5', 'Caug7', 'C7+', 'C7(♯5)', 'C7+5'],
  'R 4 5': ['Csus', 'Csus4'],
  'R 2 5': ['Csus2'],
  'R 4 5 b7': ['C7sus', 'C7sus4', 'Csus7'],
  'R 4 5 b7 9': ['C9sus', 'C9sus4', 'Csus9'],
  'R 2 4 5': ['Csus24', 'Csus2/4', 'Csus4/2'],
  'R 3 5 9': ['Cadd9', 'Cadd2', 'C(add9)'],
  'R b3 5 9': ['Cmadd9', 'Cm(add9)', 'C-add9'],
  'R 3 5 11': ['Cadd11', 'Cadd4'],
  'R 3 5 6': ['C6', 'CM6', 'Cadd6'],
  'R b3 5 6': ['Cm6', 'C-6'],
  'R 3 5 6 9': ['C6/9', 'C69', 'C6(9)', 'C6add9', 'C6⁄9', 'C9/6'],
  'R b3 5 6 9': ['Cm69', 'Cm6/9'],
  'R b3 5 7': ['Cm7M', 'Cm/maj7', 'C minor major seventh', 'CmM7', 'Cm(maj7)', 'C-Δ7', 'Cmmaj7', 'C–MA7', 'CmΔ7'],
  'R b3 5 7 9': ['Cm9(maj7)', 'Cm(maj9)'],
  'R 3 5 b7 9': ['C7/9', 'C9', 'C7(9)', 'C7add9'],
  'R 3 5 b7 9 11': ['C11'],
  'R 3 5 b7 9 13': ['C13', 'C13(no11)', 'C thirteenth', 'C7/9/13'],
  'R 3 5 b7 9 11 13': ['C13add11'],
  'R 3 5 b7 13': ['C7/13', 'C7(13)'],
  'R b3 5 b7 11': ['Cm7/11'],
  'R 3 5 7 9': ['Cmaj7/9', 'Cmaj(9)', 'Cmaj9', 'CM9', 'CΔ9'],
  'R 3 5 7 9 13': ['Cmaj13'],
  'R 4 5 b7 9 13': ['C13sus', 'C13sus4', 'Csus13'],
  'R b3 5 b7 9': ['Cm9', 'C-9'],
  'R b3 5 b7 9 11': ['Cm11'],
  'R b3 5 b7 9 11 13': ['Cm13'],
  'R 3 5 b7 b9': ['C7[b9]', 'C7/b9', 'C7 flat 9', 'C7b9', 'C7-9', 'C7(♭9)'],
  'R 3 5 b7 #9': ['C7#9', 'C7+9'],
  'R 3 5 b7 b9 b13': ['C7b9/b13', 'C7b9b13', 'C7(b9,b13)', 'C7 (b9 b13)'],
  'R 3 5 b7 #11': ['C7#11', 'C7(#11)', 'C7#4'],
  'R 3 5 b7 9 #11 13': ['C13#11'],
  'R 3 5 7 #11': ['Cmaj7#11', 'CΔ#11'],
  'R 3 #5 7': ['Cmaj(7#5)', 'Cmaj7#5', 'C+maj7', 'CΔ7#5'],
  'R 3': ['Comit5', 'Cno5'],
  'R 5': ['C5', 'Cno3'],
  'R 3 b7': ['C7no5', 'C7omit5', 'C7(no5)'],
  'R 3 b5': ['C(b5)'],
}

describe('every usual way of writing a chord is read', () => {
  for (const [formula, ways] of Object.entries(WAYS))
    test.each(ways)(`%s is ${formula}`, (symbol) => expect(formulaIn(symbol)).toBe(formula))
})

test.each([
  ['D/F#', 'D', 'F#'],
  ['C6/9/E', 'C', 'E'],
  ['Am7/G', 'A', 'G'],
  ['B♭maj7 / D', 'Bb', 'D'],
] as const)('%s stands over a bass of its own', (symbol, root, bass) =>
  expect(must(readSymbol(symbol))).toMatchObject({ root, bass }),
)

test('7alt is a dominant whose alterations are to be chosen', () => {
  const { choices, formula } = must(readSymbol('C7alt'))
  expect(choices).toContainEqual(['R', '3', 'b5', 'b7', 'b9'])
  expect(choices).toContainEqual(['R', '3', 'b7', '#9', 'b13'])
  expect(choices[0]).toEqual(formula)
  expect(
    choices.every(
      (choice) => choice.includes('3') && choice.includes('b7') && choice.some((degree) => /[b#]9/.test(degree)),
    ),
  ).toBe(true)
})

test('a root whose spelling would need triple accidentals gives way to its twin', () => {
  expect(must(readSymbol('D##'))).toMatchObject({ root: 'E', respelledFrom: 'D##' })
  expect(must(readSymbol('Fbdim7'))).toMatchObject({ root: 'E', respelledFrom: 'Fb' })
})

describe('a text that is no chord says what is wrong and where', () => {
  test.each([
    ['C7x9', 2, 'not_a_tension'],
    ['C7b9b9', 4, 'named_twice'],
    ['C7b5#11', 4, 'sounds_as'],
    ['', 0, 'no_symbol'],
    ['xyz', 0, 'no_root_note'],
    ['C7(b9', 2, 'bracket_unclosed'],
    ['C2', 1, 'ambiguous_number'],
    ['C/', 2, 'no_bass_note'],
    ['C7/Q', 3, 'no_bass_note'],
  ])('%s: at %d, %s', (symbol, at, code) =>
    expect(readSymbol(symbol)).toMatchObject({ ok: false, error: { at, code } }),
  )

  test.each([
    ['5,000 letters', 'C'.repeat(5000)],
    ['control characters', 'C\u0000\u0007\u001b[31m'],
    ['emoji', 'C7🎸'],
    ['markup', 'C<script>alert(1)</script>'],
    ['piled alterations', `C7${'b9'.repeat(20)}`],
    ['a bracket that opens only', `C${'('.repeat(40)}`],
  ])('%s are refused with a short piece of the text', (_, text) => {
    const read = readSymbol(text)
    expect(read.ok).toBe(false)
    expect(read.ok ? 99 : [...read.error.text].length).toBeLessThanOrEqual(12)
  })

  test('no text at all makes the reader throw, and a refusal points into the text', () => {
    const piece = fc.constantFrom(
      'C',
      'b',
      '#',
      '7',
      'maj',
      'm',
      'sus',
      '(',
      ')',
      '/',
      'x9',
      'alt',
      '♭',
      'no',
      'add',
      '13',
      ' ',
      '°',
      'Δ',
      '\u0000',
      '🎸',
    )
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(piece, { maxLength: 9 }).map((parts) => parts.join('')),
        ),
        (text) => {
          const read = readSymbol(text)
          if (!read.ok) {
            expect(read.error.at).toBeGreaterThanOrEqual(0)
            expect(read.error.at).toBeLessThanOrEqual(text.length)
          }
        },
      ),
      { numRuns: 600 },
    )
  })
})

describe('what is written is read back', () => {
  const schools: readonly SymbolSchool[] = ['words', 'signs', 'dashes']
  const systems: readonly NamingSystem[] = ['letters', 'syllables', 'german']

  test.each(CATALOGUE.map((entry) => [entry.suffix, entry.formula] as const))(
    'C%s in every school and naming system',
    (_, formula) => {
      for (const school of schools)
        for (const naming of systems) {
          const symbol = writeSymbol({ root: 'Bb', formula, bass: 'F#' }, { school, naming })
          const back = must(readSymbol(symbol, [naming, 'letters']))
          expect({ symbol, ...back }).toMatchObject({ symbol, root: 'Bb', formula, bass: 'F#' })
        }
    },
  )

  test('any formula over any root, in any school and naming system', () => {
    const degrees = fc.subarray(
      ['3', 'b3', '4', '2', 'b5', '5', '#5', '6', 'b7', '7', 'b9', '9', '#9', '11', '#11', 'b13', '13'] as const,
      { minLength: 1 },
    )
    let compared = 0
    fc.assert(
      fc.property(
        degrees,
        fc.constantFrom(...NOTE_NAMES),
        fc.constantFrom(...schools),
        fc.constantFrom(...systems),
        (chosen, root, school, naming) => {
          const read = readSymbol(`${root}[R ${chosen.join(' ')}]`)
          fc.pre(read.ok)
          const chord = must(read)
          const back = must(readSymbol(writeSymbol(chord, { school, naming }), [naming, 'letters']))
          expect([back.root, back.formula]).toEqual([chord.root, chord.formula])
          compared++
        },
      ),
      { numRuns: 800 },
    )
    expect(compared).toBeGreaterThan(100)
  })

  test('the catalogue names each set of tones once', () => {
    expect(new Set(CATALOGUE.map((entry) => entry.mask)).size).toBe(CATALOGUE.length)
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(80)
  })

  test.each([
    ['Cm7b5', 'Cm7♭5', 'Cø7', 'C–7♭5'],
    ['Cmaj7', 'Cmaj7', 'CΔ7', 'CMA7'],
    ['Cdim7', 'Cdim7', 'C°7', 'C°7'],
    ['F#m(maj7)', 'F♯m(maj7)', 'F♯mΔ7', 'F♯–MA7'],
  ])('%s is %s in words, %s in signs, %s in dashes', (symbol, words, signs, dashes) => {
    const chord = must(readSymbol(symbol))
    expect(schools.map((school) => writeSymbol(chord, { school }))).toEqual([words, signs, dashes])
  })
})

describe('the same symbol in other naming systems', () => {
  test.each([
    ['Fis7', ['german', 'letters'], 'F#', 'R 3 5 b7'],
    ['Hm7b5', ['german', 'letters'], 'B', 'R b3 b5 b7'],
    ['Esus4', ['german', 'letters'], 'E', 'R 4 5'], // not E♭ followed by nonsense
    ['Es', ['german', 'letters'], 'Eb', 'R 3 5'],
    // What says its own language is read in it, whatever the player's is.
    ['do majeur', ['letters'], 'C', 'R 3 5'],
    ['la mineur', ['letters'], 'A', 'R b3 5'],
    ['A moll', ['letters'], 'A', 'R b3 5'],
    ['C-Dur', ['letters'], 'C', 'R 3 5'],
    ['H-Dur', ['letters'], 'B', 'R 3 5'],
    ['B-Dur', ['letters'], 'Bb', 'R 3 5'],
    ['Solmaj7', ['syllables', 'letters'], 'G', 'R 3 5 7'],
    ['lam7', ['syllables', 'letters'], 'A', 'R b3 5 b7'],
    ['si♭6', ['syllables', 'letters'], 'Bb', 'R 3 5 6'],
    ['Fadd9', ['syllables', 'letters'], 'F', 'R 3 5 9'], // not fa followed by nonsense
  ] as const)('%s with %j', (symbol, systems, root, formula) => {
    const chord = must(readSymbol(symbol, systems))
    expect([chord.root, chord.formula.join(' ')]).toEqual([root, formula])
  })
})
