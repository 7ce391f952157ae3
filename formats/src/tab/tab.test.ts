import { readChart } from '@nestling/core/chart'
import { STANDARD_TUNING } from '@nestling/core/neck'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anyTune, heard, onlyTune } from '../tune/tunes.testkit.ts'
import { readTab, writeTab } from './index.ts'

const read = (text: string) => {
  const reading = readTab(text)
  if (!reading.ok) throw new Error(reading.error.code)
  return reading.value
}

describe('plain text TAB', () => {
  test('a tune comes back with its time, marks, names and shapes', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const { tunes, left } = read(writeTab({ tune, remarks: ['of the Lantern Room'] }))
        expect(left).toEqual([])
        expect(tunes[0]?.remarks).toEqual(['of the Lantern Room'])
        expect(heard(onlyTune(tunes))).toEqual(heard(tune))
      }),
    ))

  test('it stands as players write it: the highest string above, numbers under one another', () => {
    const { chart } = readChart('title: Slow Ferry\n4/4 =112\n|: Fm9 | 1. Bbm7 :| 2. N.C. |')
    const shapes = [[{ frets: [null, 8, 6, 8, 8, null] }], [{ frets: [6, null, 6, 6, 6, null] }], [undefined]]
    expect(writeTab({ tune: { chart, tuning: STANDARD_TUNING, shapes }, remarks: [] })).toBe(
      [
        'title: Slow Ferry',
        '4/4 =112',
        'tuning: E2,A2,D3,G3,B3,E4',
        '',
        '    Fm9 1.Bbm7  2.N.C.',
        'E|:-----|------:|------|',
        'B|:-8---|-6----:|------|',
        'G|:-8---|-6----:|------|',
        'D|:-6---|-6----:|------|',
        'A|:-8---|------:|------|',
        'E|:-----|-6----:|------|',
        '',
      ].join('\n'),
    )
  })

  test('a TAB from elsewhere: shapes without names are named by their tones, strums are held, single notes are told', () => {
    const text = [
      'A song',
      '',
      'e|-0---0---|---3---|',
      'B|-1---1---|-------|',
      'G|-0---0---|-------|',
      'D|-2---2---|-------|',
      'A|-3---3---|-------|',
      'E|---------|-------|',
    ].join('\n')
    const { tunes, left } = read(text)
    expect(tunes[0]?.tune.chart.bars[0]?.slots).toMatchObject([
      { kind: 'chord', chord: { root: 'C', formula: ['R', '3', '5'] } },
    ])
    expect(tunes[0]?.tune.shapes[0]?.[0]).toEqual({ frets: [null, 3, 2, 0, 1, 0] })
    expect(left.map(({ code, text }) => [code, text])).toEqual([
      ['guessed_chord', 'x 3 2 0 1 0'],
      ['notes_left', '1'],
      ['words_left', '1'],
    ])
  })

  test('seven strings take a tuning of seven; a text without TAB is refused', () => {
    const lines = ['e', 'B', 'G', 'D', 'A', 'E', 'B'].map((name, at) => `${name}|-${at > 4 ? '2' : '-'}---|`)
    expect(read(lines.join('\n')).tunes[0]?.tune.tuning.strings).toHaveLength(7)
    expect(readTab('only words\nand no strings')).toMatchObject({ ok: false, error: { code: 'unknown_format' } })
  })
})
