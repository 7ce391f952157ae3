import { describe, expect, test } from 'vitest'
import { chordScore, type Manner, onsetsOf } from './chords.ts'
import { bassNote, clicks, decibels, plainBeat, type Score, withCountIn } from './score.ts'

const manner = (changes: Partial<Manner>): Manner => ({ style: 'strum', strum: 'down', strumMs: 30, ...changes })

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

  test('a row of chords: each ends before the next begins, the last one rings', () => {
    const { events, beats } = chordScore([{ midis: [48, 52] }, { midis: [50, 53], bass: 38 }], manner({ apart: 2 }))
    const strings = events.flatMap((event) => (event.part === 'strings' ? [event] : []))
    expect(strings.map(({ mark }) => mark)).toEqual([0, 0, 1, 1])
    for (const event of strings.slice(0, 2)) expect(event.at + (event.length ?? 9)).toBeLessThan(2)
    expect(strings.slice(2).every(({ length }) => length === undefined)).toBe(true)
    expect(beats).toBeGreaterThan(4)
  })
})

test('the bass stand-in plays where a double bass would, E1 to D♯2', () => {
  const notes = Array.from({ length: 12 }, (_, pitchClass) => bassNote(pitchClass))
  expect(notes.map((midi) => midi % 12)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
  expect([Math.min(...notes), Math.max(...notes)]).toEqual([28, 39])
})

test.each([
  [4, 'Xxxx'],
  [3, 'Xxx'],
])('clicks in %d accent the first beat', (bar, expected) =>
  expect(
    clicks(bar * 2, bar)
      .map(({ accent }) => (accent ? 'X' : 'x'))
      .join(''),
  ).toBe(expected + expected),
)

test('a plain beat in four: kick on one and three, snare on two and four', () => {
  const struck = (drum: string) => plainBeat(4, 4).flatMap((event) => (event.drum === drum ? [event.at] : []))
  expect([struck('kick'), struck('snare'), struck('hat').length]).toEqual([[0, 2], [1, 3], 8])
})

test('a count-in comes before everything, and only clicks are in it', () => {
  const score: Score = { events: [{ part: 'bass', at: 0, loud: 1, midi: 40 }], beats: 4, loop: true }
  const counted = withCountIn(score, 2, 3)
  expect([counted.countIn, counted.beats]).toEqual([6, 10])
  expect(counted.events.filter(({ at }) => at < 6).every(({ part }) => part === 'click')).toBe(true)
  expect(counted.events.at(-1)).toMatchObject({ part: 'bass', at: 6 })
})

test('volume: 70 is as it was made, nothing is silence, more is louder', () => {
  expect(decibels(70)).toBeCloseTo(0)
  expect(decibels(0)).toBe(Number.NEGATIVE_INFINITY)
  expect(decibels(100)).toBeGreaterThan(decibels(71))
})
