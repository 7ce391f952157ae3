import { FOUR_FOUR, type Score } from '@nestling/core/time'
import { expect, test } from 'vitest'
import type { Band } from './band.ts'
import { type Clock, scheduleScore, setSwingOf } from './schedule.ts'

/** A clock that remembers what it was told, 192 ticks a beat. */
function fakeClock() {
  const scheduled: { readonly ticks: string; readonly act: (time: number) => void }[] = []
  const loopPoints: string[] = []
  const clock = {
    bpm: { value: 0 },
    swing: 0,
    swingSubdivision: '',
    loop: false,
    PPQ: 192,
    setLoopPoints: (from: string, to: string) => loopPoints.push(from, to),
    schedule: (act: (time: number) => void, ticks: string) => scheduled.push({ act, ticks }),
  }
  return { clock: clock as unknown as Clock, plain: clock, scheduled, loopPoints }
}

test.each([
  [0, 0],
  [50, 0.25],
  [100, 0.5],
])('swing of %d in the hundred is %d to the clock, whose 1 is twice a triplet', (percent, swing) => {
  const { clock, plain } = fakeClock()
  setSwingOf(clock, percent)
  expect([plain.swing, plain.swingSubdivision]).toEqual([swing, '8n'])
})

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
  scheduleScore(clock, band, score, { tempo: 120, swing: 0 })
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
