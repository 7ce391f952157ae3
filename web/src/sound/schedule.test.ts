import { FOUR_FOUR, type Score, STRAIGHT } from '@nestling/core/time'
import { expect, test } from 'vitest'
import type { Band } from './band.ts'
import { type Clock, scheduleScore } from './schedule.ts'

/** A clock that remembers what it was told, 192 ticks a beat. */
function fakeClock() {
  const scheduled: { readonly ticks: string; readonly act: (time: number) => void }[] = []
  const loopPoints: string[] = []
  const changes: (readonly [number, number])[] = []
  const clock = {
    bpm: { value: 0, setValueAtTime: (value: number, time: number) => changes.push([value, time]) },
    loop: false,
    PPQ: 192,
    setLoopPoints: (from: string, to: string) => loopPoints.push(from, to),
    schedule: (act: (time: number) => void, ticks: string) => scheduled.push({ act, ticks }),
  }
  return { clock: clock as unknown as Clock, plain: clock, scheduled, loopPoints, changes }
}

test('every event is struck at its own tick; a loop leaves the count-in out', () => {
  const { clock, plain, scheduled, loopPoints } = fakeClock()
  const score: Score = {
    metre: FOUR_FOUR,
    countIn: 4,
    beats: 8,
    loop: true,
    events: [
      { part: 'click', at: 0, loud: 1, accent: true },
      { part: 'bass', at: 4.5, loud: 1, midi: 40 },
    ],
  }
  const struck: unknown[] = []
  const band = { strike: (...given: unknown[]) => struck.push(given) } as unknown as Band
  scheduleScore(clock, band, score, { tempo: 120, swing: STRAIGHT })
  expect(scheduled.map(({ ticks }) => ticks)).toEqual(['0i', '864i'])
  expect([plain.bpm.value, plain.loop, ...loopPoints]).toEqual([120, true, '768i', '1536i'])
  scheduled[1]?.act(7)
  expect(struck).toEqual([[score.events[1], 7, 0.5]])
  // The clock tells a tick on the edge of two looks twice; the next round of the loop is another.
  scheduled[1]?.act(7 + 1e-14)
  expect(struck.length).toBe(1)
  scheduled[1]?.act(9)
  expect(struck.length).toBe(2)
})

test('the tempo changes where the score says, in the proportion that it says, whatever the tempo is by then', () => {
  const { clock, plain, scheduled, changes } = fakeClock()
  const score: Score = {
    metre: FOUR_FOUR,
    countIn: 0,
    beats: 8,
    loop: true,
    events: [{ part: 'bass', at: 4, loud: 1, midi: 40 }],
    paces: [
      { at: 0, factor: 1 },
      { at: 4, factor: 0.5 },
    ],
  }
  const lengths: unknown[] = []
  const band = { strike: (_event: unknown, _time: number, beat: number) => lengths.push(beat) } as unknown as Band
  const { setTempo } = scheduleScore(clock, band, score, {
    tempo: 120,
    swing: STRAIGHT,
    onRound: (rounds, tempo) => tempo + 10 * rounds,
  })
  const [round, first, second, note] = scheduled
  round?.act(1)
  expect([plain.bpm.value, changes]).toEqual([120, []])
  second?.act(3)
  note?.act(3)
  expect([changes.at(-1), lengths]).toEqual([[60, 3], [1]])
  setTempo(80)
  expect(plain.bpm.value).toBe(40)
  // The next round: ten quicker, and at the first pace again.
  round?.act(7)
  first?.act(7)
  expect(changes.at(-1)).toEqual([90, 7])
})

test('a swung eighth is struck a sixth of a beat later and so much shorter, and straight again at once when that is asked', () => {
  const { clock, scheduled } = fakeClock()
  const note = { part: 'strings', at: 0.5, length: 0.5, loud: 1, midi: 60 } as unknown as Score['events'][number]
  const struck: [{ readonly length?: number }, number][] = []
  const band = { strike: (event: object, time: number) => struck.push([event, time]) } as unknown as Band
  const score: Score = {
    metre: FOUR_FOUR,
    countIn: 0,
    beats: 4,
    loop: false,
    events: [note],
    cues: [{ at: 0.5, mark: 3 }],
  }
  const cues: number[] = []
  const { setSwing } = scheduleScore(clock, band, score, {
    tempo: 60,
    swing: { percent: 100, of: 'eighths' },
    onCue: (_, time) => cues.push(time),
  })
  for (const { act } of scheduled) act(10)
  setSwing(STRAIGHT)
  for (const { act } of scheduled) act(20)
  expect(struck.map(([, time]) => time)).toEqual([expect.closeTo(10 + 1 / 6, 6), 20])
  expect(struck.map(([{ length }]) => length)).toEqual([expect.closeTo(0.5 - 1 / 6, 6), 0.5])
  expect(cues).toEqual([expect.closeTo(10 + 1 / 6, 6), 20])
})
