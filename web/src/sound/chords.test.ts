import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { soundedNotes } from '@nestling/core/time'
import { describe, expect, test } from 'vitest'
import { chordScore, type Manner, onsetsOf } from './chords.ts'
import { decibels } from './decibels.ts'

const manner = (changes: Partial<Manner>): Manner => ({ style: 'strum', strum: 'down', strumMs: 30, ...changes })
const notes = (...frets: readonly (number | null)[]) => soundedNotes(frets, neckOf(STANDARD_INSTRUMENT))

describe('chords', () => {
  test.each([
    ['from the lowest', {}, [0, 0.03, 0.06, 0.09]],
    ['from the highest', { strum: 'up' as const }, [0.09, 0.06, 0.03, 0]],
    ['all at once', { style: 'together' as const }, [0, 0, 0, 0]],
  ])('a strum %s', (_, changes, onsets) =>
    expect(onsetsOf(4, manner(changes))).toEqual(onsets.map((at) => expect.closeTo(at, 9))),
  )

  test('an arpeggio takes its tones one by one, low to high', () => {
    const onsets = onsetsOf(5, manner({ style: 'arpeggio' }))
    for (let index = 1; index < 5; index++) expect(onsets[index]).toBeGreaterThan((onsets[index - 1] ?? 9) + 0.1)
  })

  test('a row of chords: each ends before the next begins, the last one rings; every note keeps its string and fret', () => {
    const row = [{ notes: notes(null, 3, 2) }, { notes: notes(null, 5, 3), bass: 38 }]
    const { events, beats } = chordScore(row, manner({ apart: 2 }))
    const strings = events.flatMap((event) => (event.part === 'strings' ? [event] : []))
    expect(strings.map(({ mark, string, fret, midi }) => [mark, string, fret, midi])).toEqual([
      [0, 1, 3, 48],
      [0, 2, 2, 52],
      [1, 1, 5, 50],
      [1, 2, 3, 53],
    ])
    for (const event of strings.slice(0, 2)) expect(event.at + (event.length ?? 9)).toBeLessThan(2)
    expect(strings.slice(2).every(({ length }) => length === undefined)).toBe(true)
    expect(beats).toBeGreaterThan(4)
  })
})

test('volume: 70 is as it was made, nothing is silence, more is louder', () => {
  expect(decibels(70)).toBeCloseTo(0)
  expect(decibels(0)).toBe(Number.NEGATIVE_INFINITY)
  expect(decibels(100)).toBeGreaterThan(decibels(71))
})
