import { MEDIUM_HAND } from '@nestling/core/hand'
import { readKey, readNumbers } from '@nestling/core/key'
import { keyOnNeck } from '@nestling/core/lane'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { STROKE_PATTERNS, stringEvents } from '@nestling/core/time'
import { writeFrets } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf, withoutBeat } from '../../contracts/settings.ts'
import { readPlan } from './address.ts'
import { scoreOf, turnsGoing, turnsWritten, walkOf } from './toScore.ts'
import type { KeyAnswer, KeyPlan } from './types.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const answer = (changes: Partial<KeyPlan> = {}): KeyAnswer => {
  const plan = { ...readPlan({ key: 'Bb' }, playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)).plan, ...changes }
  return { plan, neck, ...keyOnNeck(plan, neck, MEDIUM_HAND) }
}
const steps = (one: KeyAnswer) =>
  turnsGoing(one)
    .map(({ step, lane }) => `${lane}${step}`)
    .join(' ')

test('a lane goes up, down, up and down, and the two in turn', () => {
  expect(steps(answer({ lane: 1 }))).toBe('11 12 13 14 15 16 17')
  expect(steps(answer({ going: 'down' }))).toBe('07 06 05 04 03 02 01')
  expect(steps(answer({ going: 'up-down' }))).toBe('01 02 03 04 05 06 07 06 05 04 03 02 01')
  expect(steps(answer({ going: 'turns' }))).toBe('01 02 03 04 05 06 07 17 16 15 14 13 12 11')
})

test('written chords take the nearest place of the lanes; one that no lane has is left out', () => {
  const written = must(readNumbers('2 5 1 V/2', must(readKey('Bb')), 'sevenths'))
  const turns = turnsWritten(answer({ written }))
  // The first at the first lane's place, then the nearest by the hand.
  expect(turns.map(({ frets }) => writeFrets(frets))).toEqual(['8x888x', 'x-8-10-8-10-x', '6x776x'])
  expect(walkOf(turns)).toBe(4)
  expect(walkOf([])).toBe(0)
})

test('a bar each or a beat each, whole bars, each chord marked; the bass plays its root', () => {
  const one = answer()
  const quiet = { ...withoutBeat(DEFAULT_SETTINGS), bassStandIn: true }
  const bars = scoreOf(turnsGoing(one), neck, { lasting: 'bar', pattern: STROKE_PATTERNS.together }, quiet, false)
  expect(bars.beats).toBe(28)
  expect([...new Set(stringEvents(bars).map(({ at, mark }) => `${mark}@${at}`))].slice(0, 3)).toEqual([
    '0@0',
    '1@4',
    '2@8',
  ])
  expect(bars.events.filter(({ part }) => part === 'bass')).toHaveLength(7)
  const beats = scoreOf(
    turnsGoing(one),
    neck,
    { lasting: 'beat', pattern: '1/16 p i m a' },
    { ...quiet, countInBars: 1 },
    true,
  )
  // Seven beats are two bars; a bar is counted before.
  expect(beats).toMatchObject({ beats: 12, countIn: 4, loop: true })
  const [first, second] = stringEvents(beats)
  expect((second?.at ?? 0) - (first?.at ?? 0)).toBeCloseTo(0.25, 6)
})

test('the band plays the line and the style that were chosen, below the guitar, and leads round a loop', () => {
  const band = {
    ...withoutBeat(DEFAULT_SETTINGS),
    bassStandIn: true,
    drums: true,
    drumStyle: 'bossa',
    bassLine: 'walking',
  } as const
  const { events, beats } = scoreOf(
    turnsGoing(answer()),
    neck,
    { lasting: 'bar', pattern: STROKE_PATTERNS.together },
    band,
    true,
  )
  const bass = events.flatMap((event) => (event.part === 'bass' ? [event.midi] : []))
  expect(bass).toHaveLength(beats)
  expect(Math.max(...bass)).toBeLessThan(Math.min(...neck.open))
  const kicks = events.flatMap((event) => (event.part === 'drums' && event.drum === 'kick' ? [event.at] : []))
  expect(kicks.slice(0, 4)).toEqual([0, 1.5, 2, 3.5])
})
