import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { soundedNotes } from '@nestling/core/time'
import { beforeEach, expect, test, vi } from 'vitest'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'

const done = vi.hoisted(() => ({ played: [] as unknown[], told: [] as string[] }))
vi.mock('../sound/transport.ts', () => ({
  play: async (score: unknown, options: unknown) => done.played.push({ score, options }),
  setSwing: () => undefined,
  setTempo: () => undefined,
  setMix: () => undefined,
}))
vi.mock('./notices.ts', () => ({
  tell: { done: (words: string) => done.told.push(words), problem: () => '', hide: () => '' },
}))
const { hearChords, soundingOf } = await import('./playback.ts')
const { $session, sessionOf } = await import('./session.ts')

const notes = soundedNotes([null, 3, 2, 0, 1, 0], neckOf(STANDARD_INSTRUMENT))
const withSettings = (changes: object) => $session.set(sessionOf({ ...DEFAULT_SETTINGS, ...changes }, [], []))

beforeEach(() => {
  done.played.length = 0
  done.told.length = 0
})

test('a chord is played with the player’s volume and strum', () => {
  withSettings({ volume: 30, strumMs: 50 })
  hearChords([{ notes }], 'strum', 'test')
  expect(done.played).toMatchObject([{ options: { owner: 'test', mix: { all: 30 } } }])
  const [{ score }] = done.played as [{ score: { events: { at: number }[] } }]
  expect(score.events[1]?.at).toBeCloseTo(0.05)
})

test('while sound is off nothing is played, and it is said why', () => {
  withSettings({ muted: true })
  hearChords([{ notes }], 'strum', 'test')
  expect(done.played).toEqual([])
  expect(done.told[0]).toMatch(/Sound is off/)
})

test('nothing to sound is not played', () => {
  withSettings({})
  hearChords([{ notes: [] }], 'strum', 'test')
  expect(done.played).toEqual([])
})

test('the bass stand-in joins when it is on, with the chord’s own bass', () => {
  withSettings({ bassStandIn: true })
  const dOverFSharp = { root: 'D', formula: ['R', '3', '5'], bass: 'F#' } as const
  expect(soundingOf(dOverFSharp, notes)).toEqual({ notes, bass: 30 })
  withSettings({})
  expect(soundingOf(dOverFSharp, notes)).toEqual({ notes })
})
