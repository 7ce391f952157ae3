import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol, writeSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import {
  completeLine,
  type FieldError,
  type Question,
  type QuestionTexts,
  questionAround,
  readQuestion,
  readTypedLine,
  writeQuestion,
} from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must, type Result } from '../result/index.ts'
import { fretsAt, readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { answerTo, playableCount, shapesFor } from './index.ts'

const question = (text: string, before?: Question): Question => {
  const read = readTypedLine(text, PLAYER, before)
  if (!read.ok) throw new Error(read.error.code)
  return read.value.question
}
const error = (read: Result<unknown, FieldError>) => (read.ok ? undefined : read.error)
const params = (text: string, before?: Question) => writeQuestion(question(text, before), 6)

describe('a typed line', () => {
  test.each([
    ['Ebmaj7', { chord: 'Ebmaj7' }],
    ['Ebmaj9 drop2 5432 3rd bass', { chord: 'Ebmaj9', arrangement: 'drop-2', strings: '5432', bass: '3' }],
    ['F#m7b5 drop 3 on 6 4 3 2', { chord: 'F#m7b5', arrangement: 'drop-3', strings: '6432' }],
    ['Cm7 third in the bass', { chord: 'Cm7', bass: 'b3' }],
    ['Cm7 close 4321 7th on top', { chord: 'Cm7', arrangement: 'close', strings: '4321', top: 'b7' }],
    ['G9 no 5', { chord: 'G9', omit: '5' }],
    ['G9 leaving out nothing', { chord: 'G9', omit: 'none' }],
    ['C m7 b5 any', { chord: 'Cm7b5' }],
    ['D open doubled', { chord: 'D', doubling: 'true', manner: 'open', open: 'allow' }],
    ['D/F#', { chord: 'D/F#' }],
    ['C minor 7 flat 5 drop2', { chord: 'Cm7b5', arrangement: 'drop-2' }],
    ['C half diminished 5432', { chord: 'Cm7b5', strings: '5432' }],
    ['do majeur close 432', { chord: 'C', arrangement: 'close', strings: '432' }],
    ['G R b3 b5 6', { chord: 'Gdim7' }],
    ['Eb R 3 5 7 drop2', { chord: 'Ebmaj7', arrangement: 'drop-2' }],
    ['C 1 b3 5 b7 5432', { chord: 'Cm7', strings: '5432' }],
    ['C m3 m3 M3', { chord: 'Cm7b5' }],
    ['A M3 M3', { chord: 'Aaug' }],
    ['D in dadgad', { chord: 'D', tuning: 'D2,A2,D3,G3,A3,D4' }],
    ['D7 3rd in the bass in D A D G B E', { chord: 'D7', bass: '3', tuning: 'D2,A2,D3,G3,B3,E4' }],
  ])('%s', (text, expected) => expect(params(text)).toEqual(expected))

  test('what it does not name stays as it was, but for the tones of the chord before', () =>
    expect(params('Am7', question('Ebmaj7 drop2 5432 3rd bass'))).toEqual({
      chord: 'Am7',
      arrangement: 'drop-2',
      strings: '5432',
    }))

  test('any strings frees the strings that were named before', () =>
    expect(params('Am7 any strings', question('Ebmaj7 drop2 5432'))).toEqual({ chord: 'Am7', arrangement: 'drop-2' }))

  test.each([
    ['C7x9', 'chord', 2],
    ['', 'chord', 0],
    ['Cmaj7 drop2 sideways', 'line', 12],
    ['Cmaj7 9876', 'strings', 6],
  ])('%s is refused in %s at %d', (text, field, at) =>
    expect(error(readTypedLine(text, PLAYER))).toMatchObject({ field, at }),
  )

  test('no text makes the reader throw', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200, unit: 'grapheme' }), (text) => {
        const read = readTypedLine(text, PLAYER)
        if (!read.ok) expect(read.error.at).toBeLessThanOrEqual(text.length)
      }),
    )
  })
})

describe('a question as an address', () => {
  test('is read back as it was written', () => {
    const text = fc
      .record({
        entry: fc.constantFrom(...CATALOGUE),
        arrangement: fc.constantFrom('', 'drop2', 'close', 'spread'),
        strings: fc.constantFrom('', '5432', '4321', '6432'),
        bass: fc.constantFrom('', 'root bass', '5th bass'),
        more: fc.constantFrom('', 'doubled', 'open', 'no R'),
      })
      .map(({ entry, arrangement, strings, bass, more }) =>
        [writeSymbol({ root: 'G', formula: entry.formula }, { ascii: true }), arrangement, strings, bass, more].join(
          ' ',
        ),
      )
    let read = 0
    fc.assert(
      fc.property(text, (line) => {
        const made = readTypedLine(line, PLAYER)
        if (!made.ok) return
        const again = must(readQuestion(writeQuestion(made.value.question, 6), PLAYER) as Result<Question, never>)
        expect({ ...again, symbol: '' }).toEqual({ ...made.value.question, symbol: '' })
        read++
      }),
    )
    expect(read).toBeGreaterThan(30)
  })

  test.each([
    [{ chord: 'C', bass: '7' }, 'bass'],
    [{ chord: 'C', omit: 'b7' }, 'omit'],
    [{ chord: 'C', fretMin: '9', fretMax: '3' }, 'fretMax'],
    [{ chord: 'C', open: 'maybe' }, 'open'],
    [{ chord: 'C', span: 'wide' }, 'span'],
  ])('%o is refused', (fields, field) => expect(error(readQuestion(fields, PLAYER))).toMatchObject({ field }))
})

describe('the answer', () => {
  const asked = question('Gm9 5432')
  test('tells every shape that the search finds, easiest first, with its chord among the names', () => {
    const whole = answerTo(asked, PLAYER)
    expect(whole.shapes.map(({ frets }) => writeFrets(frets))).toEqual(
      Array.from({ length: shapesFor(asked, PLAYER).shown }, (_, row) =>
        writeFrets(fretsAt(shapesFor(asked, PLAYER), row)),
      ),
    )
    expect(whole.count).toBe(whole.shapes.length)
    expect(whole.count).toBeGreaterThan(3)
    for (const { names, voicing } of whole.shapes) {
      expect(names.map(({ chord }) => writeSymbol({ root: chord.root, formula: chord.formula }))).toContain('Gm9')
      expect(voicing.chord.formula).toEqual(['R', 'b3', '5', 'b7', '9'])
    }
  })
  test('says that it is cut', () => {
    const cut = answerTo(asked, PLAYER, { limit: 2 })
    expect(cut.shapes).toHaveLength(2)
    expect(cut.cut).toBe('limit')
    expect(cut.count).toBeGreaterThan(2)
  })
})

test('what is told ends with the clock, and says so', () => {
  const asked = question('C7')
  const whole = answerTo(asked, PLAYER)
  expect(whole.count).toBeGreaterThan(130)
  const looks: number[] = []
  const part = answerTo(asked, PLAYER, { isOver: () => looks.push(1) > 1 })
  expect(part).toMatchObject({ count: whole.count, cut: 'time' })
  expect(part.shapes).toEqual(whole.shapes.slice(0, part.shapes.length))
  expect(part.shapes.length).toBe(127)
})

describe('the question around a shape made by hand', () => {
  const neck = neckOf(STANDARD_INSTRUMENT)
  const made = (symbol: string, shape: string) => {
    const voicing = voicingOf(must(readSymbol(symbol)), must(readFrets(shape)), neck)
    if (!voicing) throw new Error(shape)
    return voicing
  }
  test.each([
    ['Ebmaj7 drop2 5432', 'Eb7', 'x6868x'],
    ['Ebmaj7 drop2 5432 root bass', 'Ebmaj9', 'x8878x'],
    ['Ebmaj7', 'Eb5', 'x68xxx'],
    ['C close 432', 'C', 'x3x01x'],
    ['Am7 drop3 6432', 'Am7b5', '5x55xx'],
  ])('after %s, %s as %s is among the answers', (before, symbol, shape) => {
    const around = questionAround(made(symbol, shape), question(before))
    const found = shapesFor(around, PLAYER)
    expect(Array.from({ length: found.shown }, (_, row) => writeFrets(fretsAt(found, row)))).toContain(shape)
  })
})

test('how many a hand can hold is what the list says', () => {
  for (const line of ['Gm9 5432', 'C7', 'Dadd9 open'])
    expect(playableCount(question(line), PLAYER)).toBe(shapesFor(question(line), PLAYER).playable)
})

test.each([
  ['dadgad', 'D2,A2,D3,G3,A3,D4'],
  ['all fourths', 'E2,A2,D3,G3,C4,F4'],
  ['D2,A2,D3,F#3,A3,D4', 'D2,A2,D3,F#3,A3,D4'],
])('a question in the tuning %s is played there', (tuning, pitches) => {
  const read = readQuestion({ chord: 'D', tuning, strings: '654' }, PLAYER)
  expect(read.ok && writeQuestion(read.value, 6)).toEqual({ chord: 'D', strings: '654', tuning: pitches })
})

test('any strings are asked for by name or by silence', () => {
  const read = (fields: QuestionTexts) => readQuestion({ chord: 'D', ...fields }, PLAYER)
  expect(read({ strings: 'any' })).toEqual(read({}))
  expect(read({ strings: 'an' })).toMatchObject({ error: { field: 'strings' } })
})

describe('a half-typed line goes on', () => {
  const lines = (text: string) => completeLine(text, PLAYER)
  test.each([
    ['Ebmaj', 'Ebmaj7'],
    ['F#m7', 'F#m7b5'],
    ['C', 'C R b3 5 b7'],
    ['Ebmaj7 dr', 'Ebmaj7 drop 2'],
    ['Ebmaj7 drop2 54', 'Ebmaj7 drop2 5432'],
    ['Ebmaj7 3', 'Ebmaj7 3rd bass'],
    ['G9 no', 'G9 no 5'],
    ['D i', 'D in standard'],
  ])('%s with %s', (text, expected) => expect(lines(text)).toContain(expected))
  test('every line that is offered can be read, and there are never more than eight', () => {
    let offered = 0
    for (const text of ['C', 'Bb', 'Am', 'Ebmaj7 ', 'Ebmaj7 d', 'Gm9 5', 'F#7 drop2 ', 'D in'])
      for (const line of completeLine(text, PLAYER)) {
        expect(readTypedLine(line, PLAYER).ok).toBe(true)
        offered++
      }
    expect(offered).toBeGreaterThan(20)
    expect(completeLine('C', PLAYER).length).toBeLessThanOrEqual(8)
  })
  test('what is no chord is not gone on with', () => expect(lines('Q')).toEqual([]))
})
