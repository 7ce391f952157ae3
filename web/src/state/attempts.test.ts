import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { AttemptDraft } from '../contracts/practice.ts'

const draft = (id: string): AttemptDraft => ({
  id,
  kind: 'run',
  run: null,
  card: '',
  at: '2026-11-23T18:00:00.000Z',
  day: '2026-11-23',
  material: 'm7',
  suffix: 'm7',
  root: 'E',
  string: 5,
  frets: 'x7978x',
  tuning: 'E2,A2,D3,G3,B3,E4',
  tempo: 80,
  grade: 'had',
  judge: 'player',
  shown: false,
  seconds: 3,
  faults: '',
  instrument: 'Archtop',
})

/** A browser's storage, and a server that can be away. */
let kept: Map<string, string>
let sent: string[]
let server: 'up' | 'away' | 'refuses'
beforeEach(() => {
  kept = new Map()
  sent = []
  server = 'up'
  vi.useFakeTimers()
  vi.stubGlobal('localStorage', {
    get length() {
      return kept.size
    },
    key: (index: number) => [...kept.keys()][index] ?? null,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  })
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    if (server === 'away') throw new Error('connection refused')
    if (server === 'refuses') return new Response(JSON.stringify({ error: 'not a day' }), { status: 400 })
    sent.push((JSON.parse(body) as AttemptDraft).id)
    return new Response('{}', { status: 201 })
  })
  vi.resetModules()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const open = () => import('./attempts.ts')

test('what is kept is sent at once, and leaves nothing behind', async () => {
  const { keepAttempt, $waiting } = await open()
  expect(await keepAttempt(draft('first-one'))).toMatchObject({ ok: true })
  expect([sent, kept.size, $waiting.get()]).toEqual([['first-one'], 0, 0])
})

test('with the server away it waits in the browser, is told, and is sent again by itself', async () => {
  const { keepAttempt, $waiting } = await open()
  server = 'away'
  await keepAttempt(draft('first-one'))
  await keepAttempt(draft('second-one'))
  expect([kept.size, $waiting.get()]).toEqual([2, 2])
  server = 'up'
  await vi.advanceTimersByTimeAsync(6000)
  expect([sent, kept.size, $waiting.get()]).toEqual([['first-one', 'second-one'], 0, 0])
})

test('a page that was closed with something waiting: the next page sends it', async () => {
  server = 'away'
  await (await open()).keepAttempt(draft('of-the-closed-page'))
  vi.clearAllTimers()
  vi.resetModules()
  server = 'up'
  await (await open()).sendWaiting()
  expect([sent, kept.size]).toEqual([['of-the-closed-page'], 0])
})

test('what the server refuses does not wait for ever', async () => {
  const { keepAttempt, $waiting } = await open()
  server = 'refuses'
  expect(await keepAttempt(draft('first-one'))).toMatchObject({ ok: false, status: 400 })
  expect([kept.size, $waiting.get()]).toEqual([0, 0])
})

test('without storage it waits in the page', async () => {
  vi.stubGlobal('localStorage', undefined)
  const { keepAttempt, $waiting, sendWaiting } = await open()
  server = 'away'
  await keepAttempt(draft('first-one'))
  expect($waiting.get()).toBe(1)
  server = 'up'
  await sendWaiting()
  expect([sent, $waiting.get()]).toEqual([['first-one'], 0])
})
