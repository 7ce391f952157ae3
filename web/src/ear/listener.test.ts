import { type HeardNote, judge } from '@nestling/core/ear'
import { pitchAt, plainName } from '@nestling/core/pitch'
import { FOUR_FOUR, type Score, stringEvents } from '@nestling/core/time'
import { describe, expect, test } from 'vitest'
import { renderSound } from '../sound/renderSound.ts'
import { createListener, WINDOW } from './listener.ts'
import { PLAYS, type Plays, simulated } from './simulatedPlayer.ts'

const RATE = 44_100
const HOP = 441

/** Notes mixed into one stream, each damped after `length` seconds. */
function stream(
  seconds: number,
  notes: readonly { readonly at: number; readonly midi: number; readonly length?: number }[],
) {
  const samples = new Float32Array(seconds * RATE)
  for (const { at, midi, length = 3 } of notes) {
    const sound = renderSound(`pluck ${midi} archtop`, RATE)
    const end = Math.min(sound.length, Math.floor(length * RATE))
    for (let index = 0; index < end; index++) {
      const place = Math.round(at * RATE) + index
      if (place < samples.length)
        samples[place] = (samples[place] as number) + 0.4 * (sound[index] as number) * Math.min(1, (end - index) / 600)
    }
  }
  return samples
}
function listen(samples: Float32Array) {
  const listener = createListener(RATE)
  const heard: HeardNote[] = []
  for (let end = WINDOW; end <= samples.length; end += HOP) {
    const note = listener.feed(samples.subarray(end - WINDOW, end), end / RATE)
    if (note) heard.push(note)
  }
  return { heard, overheard: listener.overheard() }
}
const line = [40, 45, 52, 55, 59, 64, 67, 71, 76]

test('every note of a line is heard once, in tune, within 15 ms of when it came', () => {
  const notes = line.map((midi, index) => ({ at: 0.2 + index * 0.3, midi, length: 0.3 }))
  const { heard } = listen(stream(3.4, notes))
  expect(heard.map(({ midi }) => midi)).toEqual(line)
  for (const [index, { at, cents }] of heard.entries()) {
    expect(Math.abs(at - (notes[index]?.at ?? 0))).toBeLessThan(0.015)
    expect(Math.abs(cents)).toBeLessThan(12)
  }
})

describe('a player 20 dB quieter, in a room that is', () => {
  /** Steady noise of a room, so many dB below full scale. */
  const roomNoise = (length: number, db: number) => {
    let state = 7
    return Float32Array.from({ length }, () => {
      state = (state * 48_271) % 2_147_483_647
      return 10 ** (db / 20) * (state / 1_073_741_824 - 1)
    })
  }
  const notes = line.map((midi, index) => ({ at: 0.2 + index * 0.3, midi, length: 0.3 }))
  const heardIn = (noiseDb: number, settles: boolean) => {
    const noise = roomNoise(5 * RATE, noiseDb)
    const samples = stream(3.4, notes).map((sample, index) => 0.1 * sample + (noise[index] as number))
    const listener = createListener(RATE)
    if (settles)
      for (let end = WINDOW; end < RATE; end += HOP)
        listener.hearRoom(noise.subarray(3.5 * RATE + end - WINDOW, 3.5 * RATE + end))
    const heard: HeardNote[] = []
    for (let end = WINDOW; end <= samples.length; end += HOP) {
      const note = listener.feed(samples.subarray(end - WINDOW, end), end / RATE)
      if (note) heard.push(note)
    }
    return heard.map(({ midi }) => midi)
  }
  test('is heard note for note once the room was heard', () => expect(heardIn(-75, true)).toEqual(line))
  test('without that some of it is lost: the count-in is what tells', () =>
    expect(heardIn(-75, false)).not.toEqual(line))
})

test('the same note twice is two notes', () => {
  const { heard } = listen(
    stream(1.6, [
      { at: 0.2, midi: 57, length: 0.5 },
      { at: 0.7, midi: 57, length: 0.5 },
    ]),
  )
  expect(heard.map(({ midi }) => midi)).toEqual([57, 57])
})

test('silence is no note, and noise has no pitch', () => {
  expect(listen(new Float32Array(RATE))).toMatchObject({ heard: [], overheard: { loud: 0 } })
  let state = 1
  const noise = Float32Array.from({ length: RATE }, () => {
    state = (state * 48_271) % 2_147_483_647
    return 0.4 * (state / 1_073_741_824 - 1)
  })
  const { heard, overheard } = listen(noise)
  expect(heard.length).toBeLessThanOrEqual(1)
  expect(overheard.unclear).toBeGreaterThan(0.8 * overheard.loud)
})

describe('the simulated player', () => {
  const score: Score = {
    metre: FOUR_FOUR,
    countIn: 0,
    events: line.map((midi, index) => ({
      part: 'strings' as const,
      at: index * 0.5,
      loud: 1,
      midi,
      pitch: pitchAt(plainName(midi % 12), midi),
      string: index % 6,
      fret: 5,
    })),
    beats: 5,
    loop: false,
  }
  const marks = (plays: Plays) => {
    const seconds = 60 / 100
    const events = simulated(score, plays, 100)
    const samples = stream(
      4,
      events.map(({ at, midi, length }) => ({
        at: 0.3 + at * seconds,
        midi,
        ...(length === undefined ? {} : { length: length * seconds }),
      })),
    )
    return judge(
      stringEvents(score).map(({ at, midi }) => ({ at: 0.3 + at * seconds, midi })),
      listen(samples).heard,
    ).marks
  }
  test.each([
    ['right', 9, 0],
    ['wrong note', 8, 1],
    ['leaves out', 8, 0],
    ['silent', 0, 0],
  ] as const)('who plays %s has %d notes right and %d wrong', (plays, right, wrong) => {
    const all = marks(plays)
    expect(all.filter(({ kind }) => kind === 'right').length).toBe(right)
    expect(all.filter(({ kind }) => kind === 'wrong').length).toBe(wrong)
  })
  test('who plays late is late by as much', () => {
    for (const mark of marks('late')) expect(mark.kind === 'right' && Math.abs(mark.lateMs - 120) < 20).toBe(true)
  })
  test('every way of playing keeps to the line', () => {
    for (const plays of PLAYS) expect(simulated(score, plays, 100).length).toBeLessThanOrEqual(line.length)
  })
})
