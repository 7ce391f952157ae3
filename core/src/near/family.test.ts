import { describe, expect, test } from 'vitest'
import { readSymbol, writeFormula, writeSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { type Extension, extended, familyRow, shellShape, waysToExtend } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const voicing = (symbol: string, text: string) => {
  const found = voicingOf(must(readSymbol(symbol)), must(readFrets(text)), neck)
  if (!found) throw new Error(`${text} is no ${symbol}`)
  return found
}

test('a major seventh’s family darkens one tone at a time', () =>
  expect(
    familyRow(voicing('Ebmaj7', 'x6878x'), neck).map((one) => `${writeSymbol(one.chord)} ${writeFrets(one.frets)}`),
  ).toEqual([
    'E♭maj7♯5 x6978x',
    'E♭maj7 x6878x',
    'E♭7 x6868x',
    'E♭m7 x6867x',
    'E♭m7♭5 x6767x',
    'E♭dim7 x6757x',
    'E♭6 x6858x',
    'E♭m6 x6857x',
  ]))
test('a triad’s family has its suspensions', () =>
  expect(familyRow(voicing('C', 'x3555x'), neck).map((one) => writeFrets(one.frets))).toEqual([
    'x3655x',
    'x3556x',
    'x3555x',
    'x3553x',
    'x3554x',
    'x3454x',
  ]))

test.each([
  ['C7', '9', 'R 3 5 b7 9'],
  ['C7', '13', 'R 3 5 b7 9 13'],
  ['Cm7', '13', 'R b3 5 b7 9 11 13'],
  ['C7b9', '13', 'R 3 5 b7 b9 13'],
  ['C7', '#5', 'R 3 #5 b7'],
  ['C', '13', 'R 3 5 6'],
  ['C7b9', '9', 'R 3 5 b7 9'],
] as const)('%s with %s is %s', (symbol, extension, expected) =>
  expect(writeFormula(extended(must(readSymbol(symbol)).formula, extension as Extension))).toBe(expected),
)

describe('adding a ninth to E♭maj7', () => {
  const ways = waysToExtend(voicing('Ebmaj7', 'x6878x'), neck)
  const told = (extension: Extension) =>
    ways
      .filter((one) => one.extension === extension)
      .map(({ way, change }) => `${way} ${writeFrets(change.voicing.frets)} ${change.semitones}`)
  test('the root moves up two frets, or stays and the fifth gives way', () =>
    expect(told('9')).toEqual(['root-moves x8878x 2', 'fifth-gives-way x6378x 5']))
  test('every way sounds its tone, and the root only where it is to stay', () => {
    expect(ways.length).toBeGreaterThan(8)
    for (const { extension, way, change } of ways) {
      const { degrees } = change.voicing
      expect(degrees.includes(extension)).toBe(true)
      expect(degrees.includes('R')).toBe(way === 'fifth-gives-way')
    }
  })
  test('what the chord has already is not offered', () =>
    expect(waysToExtend(voicing('Cm7', 'x3534x'), neck).map(({ extension }) => extension)).not.toContain('#9'))
})

test.each([
  ['Ebmaj7', 'x6878x', 'x6x78x'],
  ['G13', '3x345x', '3x34xx'],
  ['C7', 'x3x3xx', undefined],
  ['C', 'x3201x', undefined],
])('the shell of %s %s is %s', (symbol, shape, expected) => {
  const shell =
    voicingOf(must(readSymbol(symbol)), must(readFrets(shape)), neck) && shellShape(voicing(symbol, shape), neck)
  expect(shell && writeFrets(shell.frets)).toBe(expected)
})

describe('adding a tone', () => {
  test('the root moves only where the root’s own voice does, and nothing is doubled on the way', () => {
    let seen = 0
    for (const [symbol, text] of [
      ['Ebmaj7', 'x6878x'],
      ['C7', 'x3535x'],
      ['Gm7', '3x333x'],
      ['F#m7b5', 'xx4555'],
      ['C', 'x3555x'],
    ] as const)
      for (const { way, extension, change } of waysToExtend(voicing(symbol, text), neck)) {
        const before = voicing(symbol, text).degrees
        const after = change.voicing.degrees
        const sounded = after.filter((degree) => degree !== null)
        expect(new Set(sounded).size).toBe(sounded.length)
        if (way === 'root-moves')
          expect(before.some((degree, string) => degree === 'R' && after[string] === extension)).toBe(true)
        seen++
      }
    expect(seen).toBeGreaterThan(12)
  })

  test('a natural eleventh over a major third is offered with its rub', () => {
    const eleventh = waysToExtend(voicing('C7', 'x3535x'), neck).filter(({ extension }) => extension === '11')
    for (const { rubs, change } of eleventh) expect(rubs.includes('3')).toBe(change.voicing.degrees.includes('3'))
    const ninth = waysToExtend(voicing('Cmaj7', 'x3545x'), neck).filter(({ extension }) => extension === '9')
    expect(ninth.map(({ rubs }) => rubs)).toEqual(ninth.map(() => []))
  })
})
