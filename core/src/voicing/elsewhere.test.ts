import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol } from '../chord/index.ts'
import { COMMON_TUNINGS, neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import {
  carry,
  morph,
  readFrets,
  relocate,
  sameFingers,
  samePitches,
  samePitchesIn,
  searchVoicings,
  voicingAt,
  voicingOf,
  writeFrets,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const voicing = (symbol: string, shape: string) => {
  const found = voicingOf(must(readSymbol(symbol)), must(readFrets(shape)), neck)
  if (!found) throw new Error(`${shape} is no ${symbol}`)
  return found
}
const tuned = (name: string) => {
  const tuning = COMMON_TUNINGS.find((one) => one.name === name)
  if (!tuning) throw new Error(name)
  return neckOf({ ...STANDARD_INSTRUMENT, tuning })
}

describe('carrying a shape to another string set', () => {
  test.each([
    // Across the third between strings 3 and 2 a voice moves one fret more.
    ['Ebmaj7', 'x6878x', [2, 3, 4, 5], 'xx1333 x-x-13-15-15-15'],
    ['Am7', '5x555x', [1, 3, 4, 5], 'x-12-x-12-13-12'],
    ['C', 'x3201x', [0, 1, 2, 3], '8755xx'],
  ])('%s %s', (symbol, shape, to, expected) =>
    expect(
      carry(voicing(symbol, shape), to, neck, 118)
        .map(({ frets }) => writeFrets(frets))
        .join(' '),
    ).toBe(expected),
  )

  test('keeps the arrangement, the inversion and the chord', () => {
    let carried = 0
    for (const { formula } of CATALOGUE.filter((entry) => entry.formula.length === 4)) {
      const query = {
        chord: { root: 'G' as const, formula },
        neck,
        stringSets: [[1, 2, 3, 4]],
        arrangement: { kind: 'any' as const },
        school: 'drop-fifth' as const,
        doubling: false,
        fretMin: 1,
        fretMax: 15,
        reachLimitMm: 118,
        open: 'never' as const,
      }
      const found = searchVoicings(query)
      for (let row = 0; row < found.count; row++) {
        const start = voicingAt(found, row, query.chord, neck)
        for (const other of [...carry(start, [0, 1, 2, 3], neck, 118), ...carry(start, [2, 3, 4, 5], neck, 118)]) {
          expect(other.arrangement).toEqual(start.arrangement)
          expect(other.inversion).toBe(start.inversion)
          carried++
        }
      }
    }
    expect(carried).toBeGreaterThan(50)
  })
})

describe('the same pitches elsewhere', () => {
  test('C as x3555x lies on lower strings too, with the very same pitches', () => {
    const start = voicing('C', 'x3555x')
    const others = relocate(start, neck, { reachLimitMm: 118, open: false })
    expect(others.map(({ frets }) => writeFrets(frets))).toEqual(['8-10-10-9-x-x', '8x555x'])
    for (const other of others)
      expect(other.midis.filter((midi) => midi !== null).toSorted()).toEqual(
        start.midis.filter((midi) => midi !== null).toSorted(),
      )
  })

  test('every way is found: as many as trying each string for each pitch', () => {
    const pitches = fc.uniqueArray(fc.integer({ min: 41, max: 76 }), { minLength: 2, maxLength: 4 })
    let found = 0
    fc.assert(
      fc.property(pitches, (midis) => {
        const brute = new Set<string>()
        const walk = (voice: number, frets: (number | null)[]) => {
          if (voice === midis.length) {
            const pressed = frets.filter((fret): fret is number => fret !== null)
            const place = (fret: number) =>
              648 * (1 - 2 ** (-fret / 12)) * 0.7 + 648 * (1 - 2 ** (-(fret - 1) / 12)) * 0.3
            if (place(Math.max(...pressed)) - place(Math.min(...pressed)) <= 118) brute.add(writeFrets(frets))
            return
          }
          for (const [string, open] of neck.open.entries()) {
            const fret = (midis[voice] as number) - open
            if (frets[string] === null && fret >= 1 && fret <= neck.lastFret) walk(voice + 1, frets.with(string, fret))
          }
        }
        walk(
          0,
          neck.open.map(() => null),
        )
        const shapes = samePitches(midis, neck, { reachLimitMm: 118, open: false }).map(writeFrets)
        expect(shapes.toSorted()).toEqual([...brute].sort())
        found += shapes.length
      }),
    )
    expect(found).toBeGreaterThan(50)
  })
})

describe('another tuning', () => {
  test('the same fingers sound the strings of the other tuning', () =>
    expect(sameFingers(must(readFrets('x32010')), tuned('seven strings, low B'))).toEqual([null, null, 3, 2, 0, 1, 0]))
  test('a string that is not there can’t be pressed', () =>
    expect(sameFingers(must(readFrets('3x0003')), tuned('four strings, D G B E'))).toBeUndefined())
  test('the same pitches go where the other tuning has them', () => {
    const { shapes, unreachable } = samePitchesIn([48, 52, 55, 60, 64], tuned('D A D G A D'), {
      reachLimitMm: 118,
      open: true,
    })
    expect(unreachable).toEqual([])
    // C E G C E in D A D G A D: the C on string 5, E on 4, G open, C on 2, E on 1.
    expect(shapes.map(writeFrets)).toContain('x32032')
  })
  test('a pitch below every string is told', () =>
    expect(samePitchesIn([40, 47], tuned('four strings, D G B E'), { reachLimitMm: 118, open: true })).toEqual({
      shapes: [],
      unreachable: [40, 47],
    }))
})

describe('morphing into another formula', () => {
  test.each([
    ['Ebmaj7', 'x6878x', '7', 'x6868x'],
    ['Ebmaj7', 'x6878x', 'm7', 'x6867x'],
    ['Ebmaj7', 'x6878x', 'm7b5', 'x6767x'],
    ['Ebmaj7', 'x6878x', 'dim7', 'x6757x'],
    ['Ebmaj7', 'x6878x', '6', 'x6858x'],
    ['C', 'x3555x', 'sus4', 'x3556x'],
    ['C', 'x3555x', 'aug', 'x3655x'],
  ])('%s %s as %s is %s', (symbol, shape, suffix, expected) => {
    const target = must(readSymbol(`C${suffix}`)).formula
    const morphed = morph(voicing(symbol, shape), target, neck)
    expect(morphed && writeFrets(morphed.frets)).toBe(expected)
  })
  test('a tone without a counterpart can’t go along', () =>
    expect(morph(voicing('Ebmaj7', 'x6878x'), must(readSymbol('C')).formula, neck)).toBeUndefined())
  test('there and back is the same shape', () => {
    const start = voicing('Ebmaj7', 'x6878x')
    for (const { formula } of CATALOGUE.filter((entry) => entry.formula.length === 4)) {
      const there = morph(start, formula, neck)
      const back = there && morph(there, start.chord.formula, neck)
      if (back) expect(writeFrets(back.frets)).toBe('x6878x')
    }
  })
})
