import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { givenServer } from './given.testkit.ts'

const told = vi.hoisted(() => ({ problems: [] as string[] }))
vi.mock('./notices.ts', () => ({
  tell: { done: () => '', problem: (_: string, message: string) => told.problems.push(message), hide: () => '' },
}))
const { $player, $session, changeSettings, sessionOf } = await import('./session.ts')

const archtop = { ...STANDARD_INSTRUMENT, name: 'Archtop', id: 1, version: 1 }
const baritone = { ...STANDARD_INSTRUMENT, name: 'Baritone', id: 2, version: 1 }

beforeEach(() => {
  $session.set(sessionOf(DEFAULT_SETTINGS, [archtop, baritone], []))
  told.problems.length = 0
})
afterEach(() => vi.unstubAllGlobals())

test('a change shows at once and stays when it is kept', async () => {
  givenServer(() => ({ status: 200, body: {} }))
  const kept = changeSettings({ labels: 'note' })
  expect($session.get().settings.labels).toBe('note')
  await kept
  expect($session.get().settings.labels).toBe('note')
})

test('a change that is refused is taken back, and the reason told', async () => {
  givenServer(() => ({ status: 400, body: { error: 'at most 100' } }))
  await changeSettings({ volume: 200 })
  expect($session.get().settings).toEqual(DEFAULT_SETTINGS)
  expect(told.problems).toEqual(['at most 100'])
})

test('without a server a change is taken back too', async () => {
  givenServer(() => 'no server')
  await changeSettings({ naming: 'german' })
  expect($session.get().settings.naming).toBe('letters')
  expect(told.problems[0]).toMatch(/does not answer/)
})

test('the instrument in hand is the chosen one; a new volume is no new player, another instrument is', async () => {
  givenServer(() => ({ status: 200, body: {} }))
  const before = $player.get()
  await changeSettings({ volume: 10 })
  expect($player.get()).toBe(before)
  await changeSettings({ instrumentId: 2 })
  expect($session.get().instrument.name).toBe('Baritone')
  expect($player.get()).not.toBe(before)
})
