import fc from 'fast-check'
import { expect, test } from 'vitest'
import { keysFor, playedChart, readChart, writeChart } from '../chart/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { readKey } from '../key/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { readFrets, voicingOf, writeFrets } from '../voicing/index.ts'
import { type HeldTune, transposedTune } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const key = (text: string) => must(readKey(text))
const tune = (text: string, held: Readonly<Record<number, string>>, melody: HeldTune['melody'] = []): HeldTune => ({
  chart: readChart(text).chart,
  held: Object.entries(held).map(([chord, frets]) => ({ chord: Number(chord), frets: must(readFrets(frets, 6)) })),
  melody,
})
const moved = (of: HeldTune, from: string, to: string) => transposedTune(of, key(from), key(to), neck, MEDIUM_HAND)
const frets = ({ held }: Pick<HeldTune, 'held'>) => held.map((one) => `${one.chord} ${writeFrets(one.frets)}`)

test('held shapes and top tones go along', () => {
  const there = moved(
    tune('| Dm7 | G7 | Cmaj7 | % |', { 0: 'x5756x', 1: '3x343x', 2: 'x3545x' }, [{ chord: 1, midi: 64 }]),
    'C',
    'Eb',
  )
  expect(frets(there)).toEqual(['0 x-8-10-8-9-x', '1 6x676x', '2 x6878x'])
  expect(there.melody).toEqual([{ chord: 1, midi: 67 }])
  expect(there.changed).toEqual([])
  expect(writeChart(there.chart)).toContain('| Fm7 | Bb7 | Ebmaj7 | % |')
})

test('down where up would leave the neck; an open shape is the same form, stopped', () => {
  expect(frets(moved(tune('| C | F |', { 0: 'x-15-17-17-17-15', 1: '13-15-15-14-13-13' }), 'C', 'E'))).toEqual([
    '0 x79997',
    '1 577655',
  ])
  expect(frets(moved(tune('| E |', { 0: '022100' }), 'E', 'G'))).toEqual(['0 355433'])
})

test('what goes nowhere near is told: an octave elsewhere, or its chord is free again', () => {
  const there = moved(tune('| Em | Am |', { 0: '022000', 1: 'x-12-14-14-13-12' }), 'E minor', 'D minor')
  expect(there.changed).toEqual([
    { what: 'shape', chord: 0, from: must(readFrets('022000', 6)), to: must(readFrets('10-12-12-10-10-10', 6)) },
  ])
  const wide = moved(tune('| C |', { 0: 'x32013' }), 'C', 'C#')
  expect([wide.held, wide.changed]).toEqual([
    [],
    [{ what: 'shape', chord: 0, from: must(readFrets('x32013', 6)), to: undefined }],
  ])
})

test('through every key and home again it is the same tune, as far as nothing was told', () => {
  const shapes = ['x3545x', '3x343x', '577655', 'xx5767', 'x5756x', '1x221x', 'x7978x', '8x898x', 'xx1333']
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(...shapes), { minLength: 1, maxLength: 4 }),
      fc.constantFrom(...keysFor(key('C'))),
      (held, to) => {
        const own = tune('| Cmaj7 | C#dim7 | Dm7 | Db7 |', { ...held }, [{ chord: 0, midi: 67 }])
        const there = transposedTune(own, key('C'), to, neck, MEDIUM_HAND)
        const chords = playedChart(there.chart).chords.map(({ chord }) => chord)
        expect(chords).toHaveLength(4)
        expect(there.held.length).toBe(
          held.length - there.changed.filter((one) => one.what === 'shape' && !one.to).length,
        )
        if (there.changed.length > 0) return
        const back = transposedTune(there, to, key('C'), neck, MEDIUM_HAND)
        if (back.changed.length === 0)
          expect(back).toEqual({ ...own, chart: { ...own.chart, key: undefined }, changed: [] })
      },
    ),
  )
})

test('a shape that went along plays the chord that it was of', () => {
  const own = tune('| Cmaj7 | G7 | Dm7 |', { 0: 'x3545x', 1: '3x343x', 2: 'x5756x' })
  for (const to of keysFor(key('C'))) {
    const there = transposedTune(own, key('C'), to, neck, MEDIUM_HAND)
    const chords = playedChart(there.chart).chords
    for (const one of there.held) {
      const of = chords[one.chord]
      expect(of && voicingOf(of.chord, one.frets, neck)).toBeDefined()
    }
  }
})
