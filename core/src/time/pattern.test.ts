import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import {
  beatsOf,
  type Pattern,
  PLUCKS,
  patternEvents,
  readPattern,
  STROKE_PATTERNS,
  type Stroke,
  soundedNotes,
  struckBy,
  writePattern,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const am7 = must(readSymbol('Am7'))
const notes = soundedNotes([5, null, 5, 5, 5, null], neck, am7)
const strings = (pattern: string, since = 0, beats = 4) =>
  patternEvents(must(readPattern(pattern)), notes, { at: 8, beats, since, mark: 1 }).map(
    ({ at, string }) => `${at}:${string}`,
  )

test.each([
  ['1/8 p i m a m i m i', '8:0 8.5:2 9:3 9.5:4 10:3 10.5:2 11:3 11.5:2'],
  ['1/4 b c c', '8:0 9:2 9:3 9:4 10:2 10:3 10:4 11:0'],
  ['1/2 p (ima)', '8:0 10:2 10:3 10:4'],
  ['1/2 ↓ ↑', '8:0 8.035:2 8.07:3 8.105:4 10:4 10.035:3 10.07:2 10.105:0'],
  ['1/4 . * . *', '9:0 9:2 9:3 9:4 11:0 11:2 11:3 11:4'],
])('%s strikes at these beats on these strings', (pattern, expected) =>
  expect(strings(pattern).join(' ')).toBe(expected),
)

test('a shape that begins in the middle of a bar goes on in the pattern', () =>
  expect(strings('1/4 b c b c', 3, 2).join(' ')).toBe('8:2 8:3 8:4 9:0'))

test('a chord that gets no stroke of the bar’s pattern begins it anew', () =>
  expect(strings('1/1 *', 2, 1).join(' ')).toBe('8:0 8:2 8:3 8:4'))

test('a note is held until its own string is struck anew, and never past its shape', () => {
  const events = patternEvents(must(readPattern('1/4 b c b c')), notes, { at: 0, beats: 4, since: 0, mark: 0 })
  expect(events.filter(({ string }) => string === 0).map(({ at, length }) => [at, length])).toEqual([
    [0, 2],
    [2, 2],
  ])
  expect(events.filter(({ string }) => string === 2).map(({ at, length }) => [at, length])).toEqual([
    [1, 2],
    [3, 1],
  ])
})

test('with three strings i m a share the upper two, with one all fingers play it', () => {
  const under = (finger: string, of: readonly string[]) => struckBy(must(readPattern(finger))[0]?.stroke as Stroke, of)
  expect(PLUCKS.map((finger) => under(finger, ['low', 'mid', 'top']).join())).toEqual(['low', 'mid', 'top', 'top'])
  expect(PLUCKS.map((finger) => under(finger, ['one']).join())).toEqual(['one', 'one', 'one', 'one'])
})

test.each([
  ['p x i', 2, 'x', 'not_a_stroke'],
  ['1/8 (pp)', 4, '(pp)', 'not_a_stroke'],
  ['1/0 p', 0, '1/0', 'not_a_stroke'],
  ['pi', 0, 'pi', 'not_a_stroke'],
  ['. .', 0, '. .', 'no_strokes'],
  ['', 0, '', 'no_strokes'],
])('%j is refused at %d', (text, at, word, code) =>
  expect(readPattern(text)).toMatchObject({ ok: false, error: { at, text: word, code } }),
)

test('the plain patterns are written as they are read, and fill a bar of their metre', () => {
  for (const [name, text] of Object.entries(STROKE_PATTERNS)) {
    expect(writePattern(must(readPattern(text)))).toBe(text)
    expect(beatsOf(must(readPattern(text)))).toBe(name === 'waltz' ? 3 : 4)
  }
})

const stroke: fc.Arbitrary<Stroke> = fc.oneof(
  fc.constantFrom<Stroke>(
    { kind: 'all' },
    { kind: 'bass' },
    { kind: 'chord' },
    { kind: 'across', towards: 'high' },
    { kind: 'across', towards: 'low' },
  ),
  fc
    .uniqueArray(fc.constantFrom(...PLUCKS), { minLength: 1, maxLength: 4 })
    .map((fingers): Stroke => ({ kind: 'fingers', fingers })),
)
const pattern: fc.Arbitrary<Pattern> = fc.array(
  fc.record({ stroke, beats: fc.constantFrom(4, 2, 1, 0.5, 0.25, 1 / 3, 2 / 3, 1 / 6) }),
  { minLength: 1, maxLength: 12 },
)
test('any pattern is written and read back, and every event lies within its shape', () =>
  fc.assert(
    fc.property(pattern, fc.integer({ min: 0, max: 7 }), fc.integer({ min: 1, max: 8 }), (any, since, beats) => {
      const again = must(readPattern(writePattern(any)))
      expect(again.map(({ stroke: one }) => one)).toEqual(any.map(({ stroke: one }) => one))
      for (const [index, { beats: each }] of again.entries()) expect(each).toBeCloseTo(any[index]?.beats ?? 0, 9)
      for (const { at, length = 0 } of patternEvents(any, notes, { at: 3, beats, since, mark: 0 })) {
        expect(at).toBeGreaterThanOrEqual(3 - 1e-9)
        expect(at + length).toBeLessThanOrEqual(3 + beats + 1e-9)
      }
    }),
  ))
