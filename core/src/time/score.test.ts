import { expect, test } from 'vitest'
import { must } from '../result/index.ts'
import { bassNote, clicks, plainBeat, readMetre, type Score, withCountIn } from './index.ts'

const metre = (text: string) => must(readMetre(text))

test('the bass stand-in plays where a double bass would, E1 to D♯2', () => {
  const notes = Array.from({ length: 12 }, (_, pitchClass) => bassNote(pitchClass))
  expect(notes.map((midi) => midi % 12)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
  expect([Math.min(...notes), Math.max(...notes)]).toEqual([28, 39])
})

test.each([
  ['4/4', 8, 'XxxxXxxx', 7],
  ['3/4', 6, 'XxxXxx', 5],
  ['6/8', 6, 'XxxxxxXxxxxx', 5.5],
])('clicks in %s accent the first beat of each bar', (text, beats, expected, last) => {
  const struck = clicks(beats, metre(text))
  expect(struck.map(({ accent }) => (accent ? 'X' : 'x')).join('')).toBe(expected)
  expect(struck.at(-1)?.at).toBe(last)
})

test('a plain beat in four: kick on one and three, snare on two and four', () => {
  const struck = (drum: string) =>
    plainBeat(4, metre('4/4')).flatMap((event) => (event.drum === drum ? [event.at] : []))
  expect([struck('kick'), struck('snare'), struck('hat').length]).toEqual([[0, 2], [1, 3], 8])
})

test('a count-in comes before everything, and only clicks are in it', () => {
  const score: Score = {
    metre: metre('3/4'),
    countIn: 0,
    beats: 4,
    loop: true,
    events: [{ part: 'bass', at: 0, loud: 1, midi: 40 }],
  }
  const counted = withCountIn(score, 2)
  expect([counted.countIn, counted.beats]).toEqual([6, 10])
  expect(counted.events.filter(({ at }) => at < 6).every(({ part }) => part === 'click')).toBe(true)
  expect(counted.events.at(-1)).toMatchObject({ part: 'bass', at: 6 })
})
