import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { writtenBars } from '@nestling/core/time'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf, withoutBeat } from '../../contracts/settings.ts'
import { readPlan } from './address.ts'
import { lineOf } from './plan.ts'
import { scoreOf, writtenScore } from './toScore.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const QUIET = withoutBeat(DEFAULT_SETTINGS)
const planned = (params: Record<string, string>) => {
  const { plan } = readPlan({ chord: 'Cmaj7', position: '7', octaves: '1', ...params }, player)
  return { plan, line: lineOf(plan, player) }
}

test('eighths follow one another by half a beat, each damped as the next begins, on their own strings', () => {
  const { plan, line } = planned({ direction: 'up' })
  const { events } = scoreOf(line, plan, QUIET, false)
  expect(events.map((event) => event.part === 'strings' && [event.at, event.length, event.midi, event.mark])).toEqual([
    [0, 0.5, 48, 0],
    [0.5, 0.5, 52, 1],
    [1, 0.5, 55, 2],
    [1.5, 0.5, 59, 3],
    [2, 0.5, 60, 4],
  ])
})

test('a loop is whole bars long, whatever the line is, and the count-in comes before it', () => {
  const { plan, line } = planned({ time: '3/4', value: 'triplet' })
  const score = scoreOf(line, plan, { ...QUIET, countInBars: 2, metronome: true }, true)
  expect([score.countIn, (score.beats - score.countIn) % 3, score.loop]).toEqual([6, 0, true])
  expect(Math.min(...score.events.flatMap(({ part, at }) => (part === 'strings' ? [at] : [])))).toBe(6)
})

test('accents are louder, the band joins when it is asked', () => {
  const { plan, line } = planned({ accent: 'root' })
  const louds = scoreOf(line, plan, QUIET, false).events.map(({ loud }) => loud)
  expect(louds.filter((loud) => loud === 1).length).toBe(3)
  const parts = scoreOf(line, plan, { ...QUIET, drums: true, bassStandIn: true }, false).events.map(({ part }) => part)
  expect(new Set(parts)).toEqual(new Set(['strings', 'drums', 'bass']))
})

test('notes are written as they sound, with their string and fret', () => {
  const { plan, line } = planned({ direction: 'up' })
  const events = writtenBars(writtenScore(line, plan)).flatMap((bar) => bar.events)
  expect(
    events.flatMap(({ notes }) =>
      notes.map(({ pitch, string, fret, finger }) => `${pitch.name}${pitch.octave} ${6 - string}:${fret} ${finger}`),
    ),
  ).toEqual(['C3 6:8 2', 'E3 5:7 1', 'G3 5:10 4', 'B3 4:9 3', 'C4 4:10 4'])
  // Five eighths, one to close the beat, and the rest of the bar in one sign.
  expect(events.map(({ value, notes }) => `${notes.length === 0 ? 'rest ' : ''}${value}`)).toEqual([
    'eighth',
    'eighth',
    'eighth',
    'eighth',
    'eighth',
    'rest eighth',
    'rest quarter',
  ])
})

test('the strings of the voicing in hand are its own', () => {
  const { line } = planned({ chord: 'Ebmaj7', shape: 'x6878x', way: 'strings' })
  expect(new Set(line.notes.map(({ string }) => string))).toEqual(new Set([1, 2, 3, 4]))
})
