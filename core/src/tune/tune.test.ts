import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { playedChart, readChart, writeChart } from '../chart/index.ts'
import { readKnownTuning, STANDARD_TUNING } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { readFrets } from '../voicing/index.ts'
import { chordsOf, readTune, type Tune, type TuneTexts, tuneOfEarlier, withChart, writeTune } from './index.ts'
import { anyTune, strings } from './tune.testkit.ts'

const frets = (text: string) => must(readFrets(text, 6))
test('any tune is written, in texts and as JSON, and reads back equal', () =>
  fc.assert(
    fc.property(anyTune, (any) => {
      const texts = writeTune(any, STANDARD_TUNING)
      const { tune, errors } = readTune(JSON.parse(JSON.stringify(texts)) as TuneTexts, STANDARD_TUNING)
      expect(errors).toEqual([])
      expect({ ...tune, chart: any.chart }).toEqual(any)
      expect(playedChart(tune.chart)).toEqual(playedChart(any.chart))
      expect(writeTune(tune, STANDARD_TUNING)).toEqual(texts)
      const address = new URLSearchParams(texts as Record<string, string>)
      const linked = Object.fromEntries(new URLSearchParams(address.toString())) as TuneTexts
      expect(readTune(linked, STANDARD_TUNING).tune).toEqual(tune)
    }),
    { numRuns: 300 },
  ))

test('only what differs from the usual is written', () => {
  const { tune } = readTune({ chart: 'Dm7 G7' })
  expect(writeTune(tune, STANDARD_TUNING)).toEqual({ chart: '4/4\n| Dm7 | G7 |' })
  const changed: Tune = {
    ...tune,
    wishes: { ...tune.wishes, fretMax: 9 },
    loop: false,
    way: [frets('x5756x'), undefined],
  }
  expect(writeTune(changed, STANDARD_TUNING)).toEqual({
    chart: '4/4\n| Dm7 | G7 |',
    frets: '1-9',
    loop: '0',
    way: 'x5756x,none',
  })
})

describe('what can’t be read', () => {
  test.each([
    ['chart', 'Dm7 Hmaj', 'Hmaj', 4],
    ['manner', 'polka', 'polka', 0],
    ['strings', '5432,97', '97', 5],
    ['voices', '9', '9', 0],
    ['frets', '9-2', '9-2', 0],
    ['open', 'require', 'require', 0],
    ['leaving', 'drop-third', 'drop-third', 0],
    ['roots', '5,7', '7', 2],
    ['ways', 'top,sideways', 'sideways', 4],
    ['bass', 'busy', 'busy', 0],
    ['weights', 'hand:1,speed:2', 'speed:2', 7],
    ['loop', 'twice', 'twice', 0],
    ['hold', '1:x5756x,2:x57', '2:x57', 9],
    ['top', '1:64,0:64', '0:64', 5],
    ['hand', 'z', 'z', 0],
    ['line', 'slow', 'slow', 0],
    ['tuning', 'E2,A2,what', 'what', 6],
    ['way', 'x5756x,what', 'what', 7],
  ] as const)('in %s: %s', (field, text, wrong, at) => {
    const { tune, errors } = readTune({ chart: 'Dm7 G7', [field]: text }, STANDARD_TUNING)
    expect(errors).toHaveLength(1)
    expect(errors[0]).toMatchObject({ field, text: wrong, at })
    // The rest stands, and what is wrong is as usual.
    const [good] = text.split(',')
    const kept = text.includes(',') && field !== 'tuning' ? { [field]: field === 'way' ? 'x5756x,none' : good } : {}
    const chart = field === 'chart' ? tune.chart : readChart('Dm7 G7').chart
    expect({ ...tune, chart }).toEqual({ ...readTune({ chart: 'Dm7 G7', ...kept }, STANDARD_TUNING).tune, chart })
  })
})

test('an address of earlier forms is the same tune, with the shapes that stood beside it', () => {
  const parse = (query: string) => new URLSearchParams(query)
  const query = 'chart=Dm7+G7&strings=5432,6432&hold=1:x5756x&at=2&tune=4&of=1&part=1-2&manner='
  const chords = [
    { symbol: 'Dm7', frets: 'x5756x' },
    { symbol: 'G7', frets: null },
  ]
  const row = tuneOfEarlier({ title: 'Slow Ferry', query, chords }, parse) as { readonly tune: TuneTexts }
  const texts = row.tune
  expect(row).toMatchObject({ title: 'Slow Ferry' })
  expect(Object.keys(row)).toEqual(['title', 'tune'])
  expect(chordsOf(texts)).toEqual(chords)
  expect(texts).toEqual({ chart: 'Dm7 G7', strings: '5432,6432', hold: '1:x5756x', way: 'x5756x,none' })
  const { tune, errors } = readTune(texts, STANDARD_TUNING)
  expect(errors).toEqual([])
  expect(tune.wishes.strings).toEqual([strings(5, 4, 3, 2), strings(6, 4, 3, 2)])
  expect(tune.way).toEqual([frets('x5756x'), undefined])
  expect(tuneOfEarlier({ query: 'strings=5432', chords: 'torn' }, parse)).toEqual({
    tune: { chart: '', strings: '5432' },
  })
  // What is no such row stays.
  for (const one of [row, null, 'text', { title: 'no address' }]) expect(tuneOfEarlier(one, parse)).toBe(one)
})

test('strings from ten on are written with dots between them', () => {
  const ten = must(readKnownTuning('E1,A1,D2,G2,C3,F3,A#3,D#4,G#4,C#5'))
  const { tune } = readTune({ chart: 'C', strings: '10.9.8' }, ten)
  expect(tune.wishes.strings).toEqual([[0, 1, 2]])
  expect(writeTune(tune, ten).strings).toBe('10.9.8')
})

test('held shapes and top tones follow their chords through a change of the chart', () => {
  const places = (before: string, after: string) => {
    const held = [0, 1, 3].map((chord) => ({ chord, frets: [] }))
    const tune = { chart: readChart(before).chart, held, melody: [{ chord: 3, midi: 64 }] }
    const changed = withChart(tune, readChart(after).chart)
    expect(writeChart(changed.chart)).toBe(writeChart(readChart(after).chart))
    return [changed.held.map(({ chord }) => chord), changed.melody.map(({ chord }) => chord)]
  }
  expect(places('Dm7 G7 C A7', 'Dm7 G7 Db7 C A7')).toEqual([[0, 1, 4], [4]])
  expect(places('Dm7 G7 C A7', 'Dm7 C A7')).toEqual([[0, 2], [2]])
  expect(places('Dm7 G7 C A7', 'Dm7 G7 C E7')).toEqual([[0, 1], []])
  expect(places('Dm7 G7 C A7', 'Em7 G7 C A7')).toEqual([[1, 3], [3]])
})
