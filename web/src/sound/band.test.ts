/** Who ends a note, and when: struck ahead of time as it is heard, or all at once as it is rendered. */
import type { ScoreEvent } from '@nestling/core/time'
import fc from 'fast-check'
import { expect, test, vi } from 'vitest'
import { createBand, type ToneLibrary } from './band.ts'

/** A source as the library's: the last word on its end counts. */
class Source {
  static readonly all: Source[] = []
  start = vi.fn((at: number, _offset: number, _length: undefined, gain: number) => {
    this.at = at
    this.gain = gain
  })
  at = 0
  gain = 0
  end = Number.POSITIVE_INFINITY
  onended: () => void = () => undefined
  readonly rate: number
  constructor({ playbackRate }: { readonly playbackRate: number }) {
    this.rate = playbackRate
    Source.all.push(this)
  }
  stop(at: number) {
    this.end = at
  }
  connect() {
    return this
  }
}
class Node {
  readonly volume = { value: 0 }
  readonly gain = { value: 0 }
  connect() {
    return this
  }
  chain() {
    return this
  }
  toDestination() {
    return this
  }
}
const tone = {
  Volume: Node,
  Gain: Node,
  WaveShaper: Node,
  Filter: Node,
  Convolver: Node,
  ToneAudioBuffer: Node,
  ToneBufferSource: Source,
} as unknown as ToneLibrary
const context = { sampleRate: 8000, createBuffer: () => ({ getChannelData: () => new Float32Array(8000) }) }

async function bandOf(events: readonly ScoreEvent[]) {
  Source.all.length = 0
  const band = createBand(tone, context as never, async () => new Float32Array(8))
  await band.prepare(events)
  return band
}
const pluck = (string: number, at: number, length?: number): ScoreEvent =>
  ({ part: 'strings', string, fret: 3, midi: 60, at, loud: 1, length }) as ScoreEvent

test('a note whose string comes back later ends when it should, not when the next one begins', async () => {
  const events = [pluck(2, 0, 0.1), pluck(2, 0.25, 0.1)]
  const band = await bandOf(events)
  for (const event of events) band.strike(event, 10 + event.at, 1)
  expect(Source.all.map(({ at, end }) => [at, end])).toEqual([
    [10, 10.1],
    [10.25, 10.35],
  ])
})

test('a note that rings is ended by the next on its string, and only there', async () => {
  const events = [pluck(2, 0), pluck(1, 0.5), pluck(2, 1)]
  const band = await bandOf(events)
  for (const event of events) band.strike(event, event.at, 1)
  expect(Source.all.map(({ end }) => end)).toEqual([1, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY])
})

test('whatever is played, each note sounds from its start to its own end or to the next on its string, whichever is first', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          string: fc.nat(5),
          gap: fc.integer({ min: 1, max: 8 }),
          length: fc.option(fc.integer({ min: 1, max: 12 })),
        }),
        { maxLength: 40 },
      ),
      async (notes) => {
        let at = 0
        const events = notes.map(({ string, gap, length }) => {
          at += gap / 16
          return pluck(string, at, length === null ? undefined : length / 16)
        })
        const band = await bandOf(events)
        for (const event of events) band.strike(event, event.at, 1)
        for (const [index, event] of events.entries()) {
          if (event.part !== 'strings') continue
          const next = events.slice(index + 1).find((one) => one.part === 'strings' && one.string === event.string)
          const own = event.at + (event.length ?? Number.POSITIVE_INFINITY)
          expect(Source.all[index]?.end).toBeCloseTo(Math.min(own, next?.at ?? Number.POSITIVE_INFINITY), 9)
        }
      },
    ),
  )
})

test('neighbouring strings start in opposite ways, each as loud as it was asked', async () => {
  const events = [0, 1, 2].map((string) => ({ ...pluck(string, 0), loud: 0.8 }))
  const band = await bandOf(events)
  for (const event of events) band.strike(event, 0, 1)
  expect(Source.all.map(({ gain }) => gain)).toEqual([0.8, -0.8, 0.8])
})

test('another timbre is heard from the next piece on; what was prepared goes on until then', async () => {
  const events = [pluck(2, 0)]
  const band = await bandOf(events)
  band.setMix({ all: 70, strings: 80, bass: 80, drums: 60, click: 60, room: false, timbre: 'nylon' })
  expect(() => band.strike(events[0] as ScoreEvent, 0, 1)).not.toThrow()
})

test('a pitch a little beside its fret is the same sound, played a little quicker or slower', async () => {
  const made = vi.fn(async () => new Float32Array(8))
  const events = [60, 60.06, 59.94].map((midi) => ({ ...pluck(2, 0), midi }) as ScoreEvent)
  Source.all.length = 0
  const band = createBand(tone, context as never, made)
  await band.prepare(events)
  expect(made).toHaveBeenCalledOnce()
  for (const event of events) band.strike(event, 0, 1)
  const cents = Source.all.map(({ rate }) => 1200 * Math.log2(rate))
  expect((cents[1] as number) - (cents[0] as number)).toBeCloseTo(6, 6)
  expect((cents[2] as number) - (cents[0] as number)).toBeCloseTo(-6, 6)
  // Its own mistuning is less than is heard as such.
  expect(Math.abs(cents[0] as number)).toBeLessThan(2)
})
