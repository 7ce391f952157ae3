import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readSymbol, writeSymbol } from '../chord/index.ts'
import { readKey, writeKey } from '../key/index.ts'
import { must } from '../result/index.ts'
import { THREE_FOUR } from '../time/index.ts'
import { anyChart } from './chart.testkit.ts'
import {
  type Chart,
  type ChartBar,
  guessKey,
  keysFor,
  MOST_CHART_TEXT,
  playedChart,
  readChart,
  readChartHead,
  transposedChart,
  withChord,
  withChordAfter,
  withChordJoined,
  withChordsSwapped,
  withoutChord,
  writeChart,
} from './index.ts'

const read = (text: string): Chart => {
  const { chart, errors } = readChart(text)
  expect(errors).toEqual([])
  return chart
}
/** Chords with their beats, a bar after another. */
const played = (text: string) =>
  playedChart(read(text))
    .chords.map(({ chord, beats }) => `${writeSymbol(chord, { ascii: true })}:${Number(beats.toFixed(3))}`)
    .join(' ')
const roots = (text: string) =>
  playedChart(read(text))
    .chords.map(({ chord }) => chord.root)
    .join('')

describe('reading', () => {
  test.each([
    ['| Fm9 | Bbm7 | Eb13 | Abmaj9 |', 'Fm9:4 Bbm7:4 Eb13:4 Abmaj9:4'],
    // Chords share a bar evenly; dots hold a beat.
    ['| C F | Dm7 G7 C6 |', 'C:2 F:2 Dm7:1.333 G7:1.333 C6:1.333'],
    ['| C . . G7 | . F . . |', 'C:3 G7:2 F:3'],
    ['3/4\n| C | F . G |\n4/4\n| C |', 'C:3 F:2 G:1 C:4'],
    ['| C | % | F G | % |', 'C:4 C:4 F:2 G:2 F:2 G:2'],
    ['| C | N.C. | F N.C. |', 'C:4 F:2'],
    ['Dm7 G7 Cmaj7', 'Dm7:4 G7:4 Cmaj7:4'],
    ['key: Ab\n| 2 5 | 1 | V/V | bVII7 |', 'Bbm7:2 Eb7:2 Abmaj7:4 Bb7:4 Gb7:4'],
    ['key: Am\n| i | iv7 | V7 |', 'Am7:4 Dm7:4 E7:4'],
    ['| C[R b9 5] | D/F# |', 'C5addb9:4 D/F#:4'],
  ])('%j', (text, expected) => expect(played(text)).toBe(expected))

  test('title, key, metre, style and tempo, each where it stands', () => {
    const chart = read('title: Low Tide Waltz\nkey: Bb\n3/4 waltz =96\n[A] | Bbmaj7 | Cm7 |\n=120\n[B] | F7 |')
    expect(chart).toMatchObject({ title: 'Low Tide Waltz', metre: THREE_FOUR, style: 'waltz', tempoBpm: 96 })
    expect(writeKey(chart.key ?? must(readKey('C')))).toBe('B♭ major')
    expect(chart.bars.map(({ part, tempoBpm }) => [part, tempoBpm])).toEqual([
      ['A', undefined],
      [undefined, undefined],
      ['B', 120],
    ])
    expect(playedChart(chart).bars.map(({ tempoBpm, at }) => [tempoBpm, at])).toEqual([
      [96, 0],
      [96, 3],
      [120, 6],
    ])
  })

  test.each([
    ['|: C | D :| E |', 'CDCDE'],
    ['C | D :| E |', 'CDCDE'],
    ['|: C | 1. D :| 2. E | F |', 'CDCEF'],
    ['|: C | 1. D :| 2. E :| 3. F | G |', 'CDCECFG'],
    ['|: C | 1. D | E :| 2. F | A |: G :|', 'CDECFAGG'],
    ['|: C :|: D :|', 'CCDD'],
    ['[A] |: C | D :| [B] | E |', 'CDCDE'],
  ])('%s is played %s', (text, expected) => expect(roots(text)).toBe(expected))
})

describe('what is wrong is told with its place, and the rest stands', () => {
  test.each([
    ['| C | Xm7 | F |', 6, 'no_root_note', 'CF'],
    ['| C | 5 | F |', 6, 'number_without_key', 'CF'],
    ['| C . G7 |', 2, 'bar_beats', 'CG'],
    ['% | C |', 0, 'nothing_to_repeat', 'C'],
    [':| C |', 0, 'nothing_to_repeat', 'C'],
    ['| C [B] D |', 4, 'part_in_bar', 'CD'],
    ['| C | % F |', 8, 'not_in_a_chart', 'CC'],
    ['key: Q\n| C |', 5, 'not_a_key', 'C'],
    ['tempo: fast\n| C |', 7, 'not_a_tempo', 'C'],
    ['99/4\n| C |', 0, 'not_a_metre', 'C'],
    ['=9\n| C |', 0, 'not_a_tempo', 'C'],
  ])('%j at %d', (text, at, code, rest) => {
    const { chart, errors } = readChart(text)
    expect(errors.map((error) => [error.code, error.at])).toEqual([[code, at]])
    expect(
      playedChart(chart)
        .chords.map(({ chord }) => chord.root)
        .join(''),
    ).toBe(rest)
  })

  test('a wrong word stays where it stands, and is written back', () => {
    const { chart } = readChart('| C | Xm7 | F |')
    expect(chart.bars[1]?.slots).toEqual([{ kind: 'wrong', text: 'Xm7' }])
    expect(writeChart(chart)).toBe('4/4\n| C | Xm7 | F |')
  })

  test('a text that is too long is refused whole, a tune that never ends is cut and says so', () => {
    expect(readChart('C '.repeat(MOST_CHART_TEXT)).errors).toMatchObject([
      { code: 'chart_too_long', at: MOST_CHART_TEXT },
    ])
    expect(readChart('| C '.repeat(600)).errors).toMatchObject([{ code: 'chart_too_long', at: 2 + 4 * 512 }])
    const long: Chart = {
      ...read('|: C :|'),
      bars: Array.from({ length: 600 }, (): ChartBar => ({ slots: [], opens: true, closes: true })),
    }
    expect(playedChart(long)).toMatchObject({ cut: true })
  })
})

test('every slot tells where it stands in the text', () => {
  const text = 'key: C\n[A] |: Dm7 G7 | % | N.C. . . 1 :|'
  const { places } = readChart(text)
  expect(places.map((bar) => bar.map(({ from, to }) => text.slice(from, to)))).toEqual([
    ['Dm7', 'G7'],
    [],
    ['N.C.', '.', '.', '1'],
  ])
})

test('any chart is written, and reads back the same', () =>
  fc.assert(
    fc.property(anyChart, (any) => {
      const text = writeChart(any)
      const again = readChart(text)
      expect(again.errors).toEqual([])
      expect(writeChart(again.chart)).toBe(text)
      expect(playedChart(again.chart)).toEqual(playedChart(any))
    }),
  ))

test('the head alone is read as with the bars, of lines in any order', () => {
  const lines = [
    'key: Bb',
    'title: Low Tide',
    '3/4 waltz =96',
    '=120',
    'bossa',
    '7/8',
    '| C |',
    '[A]',
    '[A] |',
    '|: % |',
    '% F',
    ':|',
    '1.',
    '.',
    'N.C.',
    'C F',
    'tempo: 90',
    'tempo: x',
    'key: H',
    '|',
  ]
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...lines), { maxLength: 7 }), (some) => {
      const text = some.join('\n')
      const { bars: _bars, ...head } = readChart(text).chart
      expect(readChartHead(text)).toEqual(head)
    }),
  )
})

test('in any way of naming a chart is written, and reads back the same', () => {
  const tune = read('key: Bb\n| Bbmaj7 | Bm7b5 E7b9 | Am7 | Ebm6 |')
  for (const naming of ['letters', 'german', 'syllables'] as const)
    expect(readChart(writeChart(tune, { naming }), [naming]).chart).toEqual(tune)
})

describe('the key of a tune', () => {
  test.each([
    ['Dm7 G7 Cmaj7', 'C major'],
    ['Fm9 Bbm7 Eb13 Abmaj9', 'A♭ major'],
    ['F#m7 Bm7 C#7b9 F#m7', 'F♯ minor'],
    ['Eb7 Ab7 Eb7 Bb7 Eb7', 'E♭ major'],
    ['Am F C G Am', 'A minor'],
  ])('%s: %s', (text, key) => {
    const guess = guessKey(playedChart(read(text)).chords)
    expect(guess && writeKey(guess.key)).toBe(key)
  })
  test('where two are as good, both are told; without chords there is none', () => {
    expect(guessKey(playedChart(read('G7sus4 Bm7b5')).chords)?.orElse).toBeDefined()
    expect(guessKey(playedChart(read('Dm7 G7 Cmaj7')).chords)?.orElse).toBeUndefined()
    expect(guessKey([])).toBeUndefined()
  })
  test('one chord alone is spelled as it is written', () =>
    expect(guessKey([{ chord: must(readSymbol('Gb')), beats: 4 }])?.key.tonic).toBe('Gb'))
})

describe('changes', () => {
  const bars = (tune: Chart) => writeChart(tune).split('\n').slice(1).join(' ')
  const g7 = must(readSymbol('G7'))
  test.each([
    ['behind a chord it shares the bar', '| C | F |', withChordAfter, { bar: 0, slot: 0 }, '| C G7 | F |'],
    ['in a bar of beats it takes the second half', '| C . . F |', withChordAfter, { bar: 0, slot: 0 }, '| C . G7 F |'],
    ['another chord in its place', '| C F | F |', withChord, { bar: 0, slot: 1 }, '| C G7 | F |'],
  ])('%s', (_, text, change, place, expected) => expect(bars(change(read(text), place, g7))).toBe(expected))
  test.each([
    ['| C G7 | F |', { bar: 0, slot: 1 }, '| C | F |'],
    ['| C . . F |', { bar: 0, slot: 3 }, '| C . . . |'],
    ['| C . F . |', { bar: 0, slot: 0 }, '| N.C. . F . |'],
    ['[A] |: C | F :|', { bar: 0, slot: 0 }, '[A] |: F :|'],
  ])('%s without %j', (text, place, expected) => expect(bars(withoutChord(read(text), place))).toBe(expected))
  test.each([
    ['| C G7 | F |', { bar: 0, slot: 1 }, '| C | F |'],
    ['| C . . F |', { bar: 0, slot: 3 }, '| C . . . |'],
    ['| C | F | G7 |', { bar: 1, slot: 0 }, '| C | . | G7 |'],
    ['| C | F G7 |', { bar: 1, slot: 0 }, '| C | . . G7 . |'],
    ['| C | F . G7 . |', { bar: 1, slot: 0 }, '| C | . . G7 . |'],
  ])('%s with %j joined to the one before', (text, place, expected) => {
    const joined = withChordJoined(read(text), place)
    expect(bars(joined)).toBe(expected)
    // The tune stays as long, and is read back.
    expect(playedChart(joined).beats).toBe(playedChart(read(text)).beats)
    expect(readChart(writeChart(joined)).errors).toEqual([])
  })
  test('two chords change places; what is no chord stays', () => {
    expect(bars(withChordsSwapped(read('| C F | G |'), { bar: 0, slot: 0 }, { bar: 1, slot: 0 }))).toBe('| G F | C |')
    expect(bars(withChordsSwapped(read('| C N.C. | G |'), { bar: 0, slot: 1 }, { bar: 1, slot: 0 }))).toBe(
      '| C N.C. | G |',
    )
  })
  test('in all keys: the same numbers, and after twelve fourths the same tune', () => {
    const tune = read('key: Ab\n| Fm9 | Bbm7 | Eb13 | Abmaj9/C | Gm7b5 C7b9 |')
    const key = tune.key as NonNullable<Chart['key']>
    expect(writeChart(transposedChart(tune, key, must(readKey('A'))))).toBe(
      'key: A major\n4/4\n| F#m9 | Bm7 | E13 | Amaj9/C# |\n| G#m7b5 C#7b9 |',
    )
    expect(keysFor(key).length).toBe(12)
    for (const other of keysFor(key))
      expect(transposedChart(transposedChart(tune, key, other), other, key)).toEqual(tune)
  })
})
