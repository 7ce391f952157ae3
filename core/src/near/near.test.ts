import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, plainestRoot, readSymbol, writeSymbol } from '../chord/index.ts'
import { degreesIn, namesOf } from '../name/index.ts'
import { COMMON_TUNINGS, neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { type Frets, fretsAt, readFrets, searchVoicings, voicingAt, voicingOf, writeFrets } from '../voicing/index.ts'
import { everyChange } from './everyChange.testkit.ts'
import {
  oneToneNeighbours,
  shortestChanges,
  shortestChangesToKind,
  symmetryOf,
  tonesKept,
  twoToneNeighbours,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const shape = (text: string): Frets => must(readFrets(text))
const chord = (symbol: string) => must(readSymbol(symbol))
const formula = (suffix: string) => chord(`C${suffix}`).formula
const voicing = (symbol: string, text: string) => {
  const found = voicingOf(chord(symbol), shape(text), neck)
  if (!found) throw new Error(`${text} is no ${symbol}`)
  return found
}
const _symbols = (text: string, context = {}) =>
  namesOf(shape(text), neck, context).map((name) => writeSymbol(name.chord, { ascii: true }))

describe('symmetry', () => {
  test.each([
    ['dim7', 3],
    ['aug', 4],
    ['dim', 12],
    ['7b5', 6],
    ['maj7', 12],
  ])('C%s sounds the same after %d frets', (suffix, frets) => expect(symmetryOf(formula(suffix))).toBe(frets))
  test('a diminished triad moved three frets keeps two tones of three', () =>
    expect(tonesKept(formula('dim'), 3)).toEqual(['b3', 'b5']))
})

describe('one fret away', () => {
  const near = (symbol: string, text: string) =>
    oneToneNeighbours(voicing(symbol, text), neck).map(({ name, moves: [move] }) =>
      move
        ? `${writeSymbol(name.chord, { ascii: true })}: ${move.fromDegree}→${move.toDegree} ${6 - move.string} ${move.by}`
        : '',
    )

  test.each([
    ['E♭7 by its seventh down', 'Eb7: 7→b7 3 -1'],
    ['E♭maj9 by its root up two, the root left to somebody else', 'Ebmaj9: R→9 5 2'],
    ['E♭maj7♯5 by its fifth up', 'Ebmaj7#5: 5→#5 4 1'],
    ['E♭m(maj7) by its third down', 'Ebm(maj7): 3→b3 2 -1'],
    ['E♭maj13 by its fifth up two', 'Ebmaj13: 5→13 4 2'],
    ['E♭6 by its seventh down two', 'Eb6: 7→6 3 -2'],
    ['E♭maj7sus4 by its third up', 'Ebmaj7sus4: 3→4 2 1'],
  ])('E♭maj7 has %s', (_, expected) => expect(near('Ebmaj7', 'x6878x')).toContain(expected))

  test('D7 with its root raised is E♭dim7', () => {
    expect(near('D7', 'x5453x')).not.toContain('D7b9: R→b9 5 1')
    const [raised] = oneToneNeighbours(voicing('D7', 'x5757x'), neck).filter(
      ({ moves: [move] }) => move?.fromDegree === 'R' && move.by === 1,
    )
    expect(
      raised && writeSymbol({ root: raised.name.chord.root, formula: raised.name.chord.formula }, { ascii: true }),
    ).toBe('Ebdim7')
  })

  test('each neighbour is the shape with one string moved, and is named as it sounds', () => {
    let seen = 0
    for (const { formula } of CATALOGUE.filter((entry) => entry.formula.length === 4)) {
      const start = { root: plainestRoot(7, formula), formula }
      const found = searchVoicings({
        chord: start,
        neck,
        stringSets: [[1, 2, 3, 4]],
        arrangement: { kind: 'any' },
        school: 'drop-fifth',
        doubling: false,
        fretMin: 1,
        fretMax: 12,
        reachLimitMm: 118,
        open: 'never',
      })
      const one = voicingAt(found, 0, start, neck)
      for (const { frets, moves, name } of [
        ...oneToneNeighbours(one, neck),
        ...twoToneNeighbours(one, neck).slice(0, 20),
      ]) {
        const changed = frets.flatMap((fret, string) => (fret === one.frets[string] ? [] : [string]))
        expect(changed).toEqual(moves.map(({ string }) => string))
        expect(name.degrees).toEqual(degreesIn(name.chord, frets, neck))
        for (const move of moves) expect((move.to ?? 99) - (move.from ?? 99)).toBe(move.by)
        seen++
      }
    }
    expect(seen).toBeGreaterThan(200)
  })

  test('two tones make the minor seventh of a major one', () =>
    expect(twoToneNeighbours(voicing('Ebmaj7', 'x6878x'), neck).map(({ name }) => writeSymbol(name.chord))).toContain(
      'E♭m7',
    ))
})

describe('the shortest change', () => {
  test('from C7 to Cdim7 three voices go down one; to any dim7 the root goes up one', () => {
    const start = voicing('C7', 'x3535x')
    const options = { school: 'drop-fifth' as const }
    expect(
      shortestChanges(start, chord('Cdim7'), neck, options).map(({ semitones, moves }) => [
        semitones,
        moves.map(({ string, by }) => [string, by]),
      ]),
    ).toEqual([
      [
        3,
        [
          [2, -1],
          [3, -1],
          [4, -1],
        ],
      ],
    ])
    const nearest = shortestChangesToKind(start, formula('dim7'), neck, options)
    expect(nearest).toHaveLength(4) // one shape, four names
    expect(new Set(nearest.map(({ voicing: { frets } }) => writeFrets(frets)))).toEqual(new Set(['x4535x']))
  })

  test('equals what trying every fret finds', () => {
    let changed = 0
    const kinds = CATALOGUE.filter((entry) => entry.formula.length >= 3 && entry.formula.length <= 5)
    const necks = COMMON_TUNINGS.filter((tuning) => tuning.strings.length === 6).map((tuning) =>
      neckOf({ ...STANDARD_INSTRUMENT, tuning, frets: 12, lastReachableFret: 12 }),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...necks),
        fc.constantFrom(...kinds),
        fc.constantFrom(...kinds),
        fc.nat(11),
        fc.nat(11),
        fc.nat(99),
        (any, from, to, root, targetRoot, pick) => {
          const start = { root: plainestRoot(root, from.formula), formula: from.formula }
          const found = searchVoicings({
            chord: start,
            neck: any,
            stringSets: [
              [0, 2, 3, 4],
              [1, 2, 3],
            ],
            arrangement: { kind: 'any' },
            school: 'drop-fifth',
            doubling: true,
            fretMin: 1,
            fretMax: 12,
            reachLimitMm: 118,
            open: 'never',
          })
          if (found.count === 0) return
          const frets = fretsAt(found, pick % found.count)
          const one = voicingOf(start, frets, any)
          if (!one) throw new Error('the search found no voicing')
          const target = { root: plainestRoot(targetRoot, to.formula), formula: to.formula }
          const options = { school: 'drop-fifth' as const, farthest: 3 }
          const expected = everyChange(frets, target, any, options)
          const changes = shortestChanges(one, target, any, options)
          expect(changes.map(({ voicing: { frets: reached } }) => reached.join()).toSorted()).toEqual(expected.shapes)
          if (changes[0]) expect(changes[0].semitones).toBe(expected.semitones)
          changed += changes.length
        },
      ),
      { numRuns: 150 },
    )
    expect(changed).toBeGreaterThan(50)
  })
})
