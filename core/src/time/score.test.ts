import { expect, test } from 'vitest'
import { must } from '../result/index.ts'
import {
  bassNote,
  beatLengths,
  beatsInBar,
  clicks,
  drumsFor,
  paceAt,
  pulses,
  readMetre,
  type Score,
  secondsOf,
  withCountIn,
} from './index.ts'

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

test.each([
  ['2/4', [0, 1], [0], [1]],
  ['3/4', [0, 1, 2], [0], [1, 2]],
  ['4/4', [0, 1, 2, 3], [0, 2], [1, 3]],
  ['5/4', [0, 1, 2, 3, 4], [0, 3], [1, 2, 4]],
  ['6/8', [0, 1.5], [0], [1.5]],
  ['7/8', [0, 1, 2], [0, 2], [1, 3]],
  ['12/8', [0, 1.5, 3, 4.5], [0, 3], [1.5, 4.5]],
  ['9/8', [0, 1.5, 3], [0], [1.5, 3]],
])('%s is felt at %j, its kick at %j, its snare at %j, hats in eighths', (text, felt, kick, snare) => {
  const of = metre(text)
  const bar = beatsInBar(of)
  expect(pulses(of)).toEqual(felt)
  // Two bars: the second is like the first.
  const bars = [0, bar].map((at) => ({ at, metre: of }))
  const struck = (drum: string) =>
    drumsFor('straight', bars).flatMap((event) => (event.drum === drum ? [event.at] : []))
  expect(struck('kick')).toEqual([...kick, ...kick.map((at) => at + bar)])
  expect(struck('snare')).toEqual([...snare, ...snare.map((at) => at + bar)])
  expect(struck('hat')).toHaveLength(4 * bar)
  // The beats that are felt are louder than what lies between them.
  const louds = clicks(bar, of)
  for (const { at, loud } of louds) expect(loud > 0.5).toBe(felt.includes(at))
})

test('the lengths of a bar’s beats fill it, in any metre', () => {
  for (const unit of [2, 4, 8] as const)
    for (let count = 1; count <= 16; count++)
      expect(beatLengths({ count, unit }).reduce((sum, length) => sum + length, 0)).toBe(count)
})

test('the bass stays below the guitar, also where that is tuned low', () => {
  for (let pitchClass = 0; pitchClass < 12; pitchClass++)
    for (const lowest of [40, 38, 36, 35, 33]) expect(bassNote(pitchClass, lowest)).toBeLessThan(lowest)
  expect(bassNote(4, 40)).toBe(28)
  expect(bassNote(11, 35)).toBe(23)
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

test('a change of tempo holds from its beat on; the count-in goes at the first one', () => {
  const score: Score = {
    metre: metre('4/4'),
    countIn: 0,
    beats: 8,
    loop: false,
    events: [],
    paces: [
      { at: 0, factor: 2 },
      { at: 4, factor: 0.5 },
    ],
  }
  expect([0, 3.99, 4, 7].map((beat) => paceAt(score, beat))).toEqual([2, 2, 0.5, 0.5])
  // Four beats at 120 and four at 30.
  expect(secondsOf(score, 60)).toBeCloseTo(2 + 8, 9)
  const counted = withCountIn(score, 1)
  expect([0, 4, 8].map((beat) => paceAt(counted, beat))).toEqual([2, 2, 0.5])
  expect(secondsOf(counted, 60)).toBeCloseTo(2 + 2 + 8, 9)
  expect(secondsOf({ beats: 6 }, 90)).toBeCloseTo(4, 9)
  expect(paceAt({}, 3)).toBe(1)
})
