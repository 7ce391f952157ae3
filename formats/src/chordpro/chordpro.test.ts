import { readChart } from '@nestling/core/chart'
import { writeSymbol } from '@nestling/core/chord'
import { STANDARD_TUNING } from '@nestling/core/neck'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anyTune, heard, onlyTune } from '../tune/tunes.testkit.ts'
import { readChordPro, writeChordPro } from './index.ts'

const tunesIn = (text: string) => {
  const read = readChordPro(text)
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}

describe('ChordPro', () => {
  test('a tune comes back with its time, marks and shapes', () =>
    fc.assert(
      fc.property(anyTune, (tune) => {
        const read = tunesIn(writeChordPro({ tune, remarks: ['# of the Lantern Room', '{capo: 2}'] }))
        expect(read.left).toEqual([])
        expect(read.tunes[0]?.remarks).toEqual(['# of the Lantern Room', '{capo: 2}'])
        expect(heard(onlyTune(read.tunes))).toEqual(heard(tune))
      }),
    ))

  test('repeats and endings are grid lines, shapes are definitions from their base fret', () => {
    const { chart } = readChart('title: Slow Ferry\n[A] |: Fm9 | 1. Db9 :| 2. Eb7 |')
    const held = { frets: [null, 8, 6, 8, 8, null], fingers: [null, 3, 1, 3, 4, null] } as const
    const text = writeChordPro({
      tune: { chart, tuning: STANDARD_TUNING, shapes: [[held], [undefined], [undefined]] },
      remarks: [],
    })
    expect(text).toContain('{define: Fm9 base-fret 6 frets x 3 1 3 3 x fingers - 3 1 3 4 -}')
    expect(text).toContain('{start_of_grid: label="A"}\n|: Fm9 |1 Db9 :|2 Eb7 |\n{end_of_grid}')
    expect(tunesIn(text).tunes[0]?.tune.shapes[0]?.[0]).toEqual(held)
  })

  test('of a song in words the chords are taken, a bar each, and the words are told as left', () => {
    const read = tunesIn('{t: Kettle Song}\n{key: F#m}\n[F#m7]on and [Bm7]on\n[H]no chord')
    expect(
      read.tunes[0]?.tune.chart.bars.map(
        ({ slots: [slot] }) => slot?.kind === 'chord' && writeSymbol(slot.chord, { ascii: true }),
      ),
    ).toEqual(['F#m7', 'Bm7'])
    expect(read.left).toEqual([
      { code: 'not_a_chord', line: 4, text: 'H' },
      { code: 'words_left', line: 0, text: '2' },
      { code: 'no_bars', line: 0, text: '' },
    ])
  })

  test.each([
    ['{key: Blue}\n{sog}\n| C |', 'not_a_key', 1],
    ['{time: waltz}\n{sog}\n| C |', 'not_a_metre', 1],
    ['{tempo: fast}\n{sog}\n| C |', 'not_a_tempo', 1],
    ['{sog}\n| C |\n{define: C frets 1 2}', 'not_a_definition', 3],
    ['{sog}\n| C | Zz9 |', 'not_a_chord', 2],
  ])('%j tells %s in line %d and reads the rest', (text, code, line) => {
    const read = tunesIn(text)
    expect(read.left[0]).toMatchObject({ code, line })
    expect(read.tunes).toHaveLength(1)
  })

  test('without a chord it is refused; definitions alone are shapes', () => {
    expect(readChordPro('{title: Nothing}')).toMatchObject({ ok: false, error: { code: 'no_chords' } })
    expect(tunesIn('{define: Ebmaj7 base-fret 6 frets x 1 3 2 3 x}').shapes).toMatchObject([
      { name: expect.stringContaining('Eb'), shape: { frets: [null, 6, 8, 7, 8, null] } },
    ])
  })
})
