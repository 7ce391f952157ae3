import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { chosenIn, cookieOf } from '../contracts/chosenCookie.ts'
import { DEFAULT_SETTINGS } from '../contracts/settings.ts'
import { givenCookies, givenServer } from './given.testkit.ts'

const told = vi.hoisted(() => ({
  problems: [] as string[],
  choices: [] as { words: string; ways: readonly (readonly [string, () => void])[] }[],
}))
vi.mock('./notices.ts', () => ({
  tell: {
    done: () => '',
    problem: (_: string, message: string) => told.problems.push(message),
    waits: (_: string, message: string) => told.problems.push(message),
    choice: (words: string, ways: readonly (readonly [string, () => void])[]) => told.choices.push({ words, ways }),
    hide: () => '',
  },
}))
const { $player, $session, changeSettings, openSession, openWaitingSettings, sessionOf } = await import('./session.ts')
const { $waitingHere, sendAll, WAITS, waitingUnder } = await import('./away.ts')

const archtop = { ...STANDARD_INSTRUMENT, name: 'Archtop', id: 1, version: 1 }
const baritone = { ...STANDARD_INSTRUMENT, name: 'Baritone', id: 2, version: 1 }

beforeEach(() => {
  waitingUnder('settings').write(undefined)
  openSession(sessionOf(DEFAULT_SETTINGS, [archtop, baritone], []))
  told.problems.length = 0
  told.choices.length = 0
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

test('a refused setting goes back alone; what was changed beside it, or again, stays', async () => {
  givenServer(({ body }) =>
    (body as { volume?: number }).volume === 200
      ? { status: 400, body: { error: 'at most 100' } }
      : { status: 200, body: {} },
  )
  const refused = changeSettings({ volume: 200 })
  void changeSettings({ tempo: 120 })
  await refused
  await changeSettings({ labels: 'note' })
  expect($session.get().settings).toMatchObject({ volume: DEFAULT_SETTINGS.volume, tempo: 120, labels: 'note' })
})

test('without a server a change waits in the browser with those after it, and is sent when it is back', async () => {
  let away = true
  const asked = givenServer(() => (away ? 'no server' : { status: 200, body: {} }))
  await changeSettings({ naming: 'german' })
  await changeSettings({ tempo: 90 })
  expect($session.get().settings).toMatchObject({ naming: 'german', tempo: 90 })
  expect(told.problems).toEqual([WAITS])
  expect($waitingHere.get()).toBe(2)
  // Another page begins with what the server has, and shows what waits.
  openSession(sessionOf(DEFAULT_SETTINGS, [archtop], []))
  openWaitingSettings()
  expect($session.get().settings.naming).toBe('german')
  away = false
  await sendAll()
  // With what they were when they were chosen.
  expect(asked.at(-1)?.body).toEqual({ naming: 'german', tempo: 90, seen: { naming: 'letters', tempo: 80 } })
  expect($waitingHere.get()).toBe(0)
})

test('what waited and was changed elsewhere meanwhile is asked about, alone, over a reload too', async () => {
  let away = true
  const now = { ...DEFAULT_SETTINGS, tempo: 120, volume: 10 }
  const asked = givenServer(({ body }) => {
    if (away) return 'no server'
    const { seen } = body as { seen?: { tempo?: number } }
    return seen?.tempo === 80
      ? { status: 409, body: { error: 'changed meanwhile: tempo', now } }
      : { status: 200, body: {} }
  })
  await changeSettings({ tempo: 90 })
  await changeSettings({ naming: 'german', wishedTempo: 140 })
  away = false
  await sendAll()
  // The others are kept; nobody is asked twice.
  expect(asked.at(-1)?.body).toEqual({
    naming: 'german',
    wishedTempo: 140,
    seen: { naming: 'letters', wishedTempo: 100 },
  })
  await sendAll()
  expect(told.choices.map(({ words }) => words)).toEqual([
    'Changed on another page while it waited here. tempo: 90 here, 120 there.',
  ])
  expect([$waitingHere.get(), $session.get().settings.tempo]).toEqual([1, 90])
  told.choices[0]?.ways[1]?.[1]()
  await vi.waitFor(() => expect($waitingHere.get()).toBe(0))
  await vi.waitFor(() => expect(asked.at(-1)?.body).toEqual({ tempo: 120 }))
  expect($session.get().settings.tempo).toBe(120)
})

test('an answer that is cut short is no answer: the change waits, and later ones are sent', async () => {
  vi.stubGlobal('fetch', async () => new Response('{"tem'))
  await changeSettings({ tempo: 90 })
  expect([told.problems, $waitingHere.get()]).toEqual([[WAITS], 1])
  const asked = givenServer(() => ({ status: 200, body: {} }))
  await changeSettings({ volume: 20 })
  expect(asked.at(-1)?.body).toMatchObject({ tempo: 90, volume: 20 })
})

test('what is not answered yet is told with the next page, which shows it and sends it again', async () => {
  const jar = givenCookies()
  const answers: ((response: Response) => void)[] = []
  vi.stubGlobal('fetch', () => new Promise((resolve) => answers.push(resolve)))
  const first = changeSettings({ labels: 'note' })
  const second = changeSettings({ restDays: [1] })
  expect(chosenIn(jar.all())).toEqual({ labels: 'note', restDays: [1] })
  await vi.waitFor(() => expect(answers).toHaveLength(1))
  answers[0]?.(Response.json({}))
  await first
  expect(chosenIn(jar.all())).toEqual({ restDays: [1] })
  await vi.waitFor(() => expect(answers).toHaveLength(2))
  answers[1]?.(Response.json({}))
  await second

  // The page goes; the one after it is given what the server has, and what it was told.
  const asked = givenServer(() => ({ status: 400, body: { error: 'not on a Monday' } }))
  openSession(sessionOf({ ...DEFAULT_SETTINGS, labels: 'note' }, [archtop], []), { restDays: [1] })
  expect($session.get().settings).toMatchObject({ labels: 'note', restDays: [1] })
  openWaitingSettings()
  expect(chosenIn(jar.all())).toEqual({ restDays: [1] })
  await vi.waitFor(() => expect(chosenIn(jar.all())).toBeUndefined())
  expect([asked.map(({ body }) => body), told.problems]).toEqual([[{ restDays: [1] }], ['not on a Monday']])
  expect($session.get().settings.restDays).toEqual([])
})

test('what was kept all the same is told no longer than to the next page', () => {
  const jar = givenCookies()
  jar.write(cookieOf({ labels: 'note' }))
  openSession(sessionOf({ ...DEFAULT_SETTINGS, labels: 'note' }, [archtop], []))
  openWaitingSettings()
  expect(chosenIn(jar.all())).toBeUndefined()
})

test('what an earlier version of the page left waiting is shown and sent', async () => {
  const asked = givenServer(() => ({ status: 200, body: {} }))
  const left = new Map([['nestling.waiting.settings', '{"tempo":90}']])
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => left.get(key) ?? null,
    setItem: (key: string, text: string) => left.set(key, text),
    removeItem: (key: string) => left.delete(key),
  })
  openWaitingSettings()
  expect($session.get().settings.tempo).toBe(90)
  await sendAll()
  expect(asked.map(({ body }) => body)).toEqual([{ tempo: 90 }])
  expect($waitingHere.get()).toBe(0)
})

test('chosen anew it holds, whoever changed it before, and nothing is asked any more', async () => {
  let away = true
  const asked = givenServer(() => (away ? 'no server' : { status: 200, body: {} }))
  await changeSettings({ tempo: 90 })
  away = false
  await changeSettings({ tempo: 100 })
  expect(asked.at(-1)?.body).toEqual({ tempo: 100 })
  expect($waitingHere.get()).toBe(0)
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
