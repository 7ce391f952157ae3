import { readShape } from '@nestling/core/shape'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { EMPTY_TRAY, MOST_STEPS, type Tray } from '../contracts/progression.ts'
import { givenBrowser, givenServer, givenWindow } from './given.testkit.ts'

const told = vi.hoisted(() => ({ problems: [] as string[] }))
vi.mock('./notices.ts', () => ({
  tell: {
    done: () => '',
    problem: (title: string) => told.problems.push(title),
    waits: (title: string) => told.problems.push(title),
    hide: () => '',
    settled: () => '',
  },
}))
const {
  $tray,
  $trayConflict,
  $trayKept,
  addToTray,
  chooseTray,
  moveInTray,
  nameTray,
  openTray,
  openWaitingTray,
  putBack,
  redoTray,
  removeFromTray,
  replaceTray,
  shownStep,
  undoTray,
} = await import('./tray.ts')
const { $waitingHere, sendAll, waitingUnder } = await import('./away.ts')

const shape = (frets: string, fingers = '') => {
  const read = readShape({ chord: 'Fm9', frets, tuning: 'E2,A2,D3,G3,B3,E4', fingers })
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}
const kept = (body: unknown, version: number) => ({ status: 200, body: { ...(body as Tray), version } })

beforeEach(() => {
  waitingUnder('tray').write(undefined)
  $trayConflict.set(undefined)
  openTray(EMPTY_TRAY)
  $trayKept.set('kept')
  told.problems.length = 0
})
afterEach(() => vi.unstubAllGlobals())

test('each change is sent over the version that the one before has made', async () => {
  let version = 0
  const asked = givenServer(({ body }) => kept(body, ++version))
  void addToTray([shape('x8688x')])
  void nameTray('Slow Ferry')
  await moveInTray(0, 0)
  expect(asked.map(({ body }) => (body as Tray).version)).toEqual([0, 1, 2])
  expect($tray.get()).toMatchObject({ title: 'Slow Ferry', version: 3 })
  expect($trayKept.get()).toBe('kept')
})

test('a shape goes in with the fingering that was chosen, as a step of its own', async () => {
  givenServer(({ body }) => kept(body, 1))
  await addToTray([shape('x8688x', 'x3124x'), shape('x8688x')])
  const { steps } = $tray.get()
  expect(steps.map((step) => step.shape?.fingers)).toEqual(['x3124x', ''])
  expect(new Set(steps.map(({ id }) => id)).size).toBe(2)
  const [first] = steps
  expect(first && shownStep(first).shape?.fingers).toEqual([null, 3, 1, 2, 4, null])
})

/** Another page has made this of the tray. */
const elsewhere = (there: Tray) => {
  let version = there.version
  return givenServer(({ method, body }) => {
    if (method === 'GET') return { status: 200, body: there }
    return (body as Tray).version < version ? { status: 409, body: { error: 'stale' } } : kept(body, ++version)
  })
}
const other = { id: 'other', beats: 4, chord: 'Dm7', shape: null, held: false }

test('what two pages added is joined and kept, and nobody is asked', async () => {
  elsewhere({ ...EMPTY_TRAY, steps: [other], version: 9 })
  await addToTray([shape('x8688x')])
  await vi.waitFor(() => expect($trayKept.get()).toBe('kept'))
  expect($tray.get()).toMatchObject({ version: 10, steps: [{ id: 'other' }, { chord: 'Fm9' }] })
  expect(told.problems).toEqual([])
})

test('what can’t be joined is shown both, nothing is written until one is chosen, and the other comes back by undo', async () => {
  const asked = elsewhere({ ...EMPTY_TRAY, title: 'theirs', steps: [other], version: 9 })
  await nameTray('mine')
  await vi.waitFor(() =>
    expect($trayConflict.get()).toMatchObject({ mine: { title: 'mine' }, theirs: { title: 'theirs' } }),
  )
  const puts = () => asked.filter(({ method }) => method === 'PUT').length
  const before = puts()
  await addToTray([shape('x8688x')])
  expect(puts()).toBe(before)
  await chooseTray('theirs')
  expect($tray.get()).toMatchObject({ title: 'theirs', steps: [{ id: 'other' }] })
  expect($trayConflict.get()).toBeUndefined()
  await undoTray()
  expect($tray.get()).toMatchObject({ title: 'mine' })
  expect($trayKept.get()).toBe('kept')
})

test('what is added while nobody has chosen is part of one’s own state, and over a reload both are still there', async () => {
  elsewhere({ ...EMPTY_TRAY, title: 'theirs', steps: [other], version: 9 })
  await nameTray('mine')
  await vi.waitFor(() => expect($trayConflict.get()).toBeDefined())
  await addToTray([shape('x8688x')])
  expect($trayConflict.get()?.mine.steps).toHaveLength(1)
  // Another page, with what the server gives it.
  $trayConflict.set(undefined)
  $trayKept.set('kept')
  openTray({ ...EMPTY_TRAY, title: 'theirs', steps: [other], version: 9 })
  openWaitingTray()
  expect($trayConflict.get()).toMatchObject({
    mine: { title: 'mine', steps: [{ chord: 'Fm9' }] },
    theirs: { title: 'theirs' },
  })
  await chooseTray('mine')
  expect($tray.get()).toMatchObject({ title: 'mine', version: 10, steps: [{ chord: 'Fm9' }] })
})

test('while the server is away the tray waits in the browser, and is sent when it is back', async () => {
  let away = true
  let version = 0
  const asked = givenServer(({ body }) => (away ? 'no server' : kept(body, ++version)))
  await addToTray([shape('x8688x')])
  await nameTray('Slow Ferry')
  expect($tray.get().steps).toHaveLength(1)
  expect($trayKept.get()).toBe('waiting for the server')
  expect(told.problems).toEqual(['The tray waits'])
  expect($waitingHere.get()).toBe(1)
  away = false
  await sendAll()
  expect($trayKept.get()).toBe('kept')
  expect($waitingHere.get()).toBe(0)
  expect(asked.at(-1)?.body).toMatchObject({ title: 'Slow Ferry', steps: [{ chord: 'Fm9' }] })
})

test('what an earlier page could not send is joined with what the server has now', async () => {
  givenServer(() => 'no server')
  await addToTray([shape('x8688x')])
  // Another page, with what the server gives it.
  openTray({ ...EMPTY_TRAY, steps: [other], version: 4 })
  openWaitingTray()
  expect($tray.get().steps.map(({ chord }) => chord)).toEqual(['Dm7', 'Fm9'])
  const asked = givenServer(({ body }) => kept(body, 5))
  await sendAll()
  expect(asked[0]?.body).toMatchObject({ version: 4, steps: { length: 2 } })
  expect($trayKept.get()).toBe('kept')
})

/** What another page of the browser left waiting, before it was closed. */
const leftBehind = (steps: Tray['steps']) =>
  waitingUnder('tray').write({ base: EMPTY_TRAY, mine: { ...EMPTY_TRAY, steps } })

test('whoever sends reads what waits: another page’s tray is joined and not overwritten', async () => {
  givenBrowser()
  const asked = elsewhere(EMPTY_TRAY)
  const sentSteps = () => (asked.at(-1)?.body as Tray | undefined)?.steps
  leftBehind([other])
  await sendAll()
  expect($tray.get().steps).toEqual([other])
  expect(sentSteps()).toEqual([other])
  expect($waitingHere.get()).toBe(0)
  leftBehind([other, { ...other, id: 'another' }])
  await addToTray([shape('x8688x')])
  expect(sentSteps()?.map(({ id }) => id)).toContain('another')
  expect($tray.get().steps).toHaveLength(3)
})

test('where the two can’t be joined both are shown, and nothing is written', async () => {
  givenBrowser()
  openTray({ ...EMPTY_TRAY, title: 'mine here' })
  const asked = elsewhere({ ...EMPTY_TRAY, title: 'mine here' })
  waitingUnder('tray').write({ base: EMPTY_TRAY, mine: { ...EMPTY_TRAY, title: 'left there' } })
  await sendAll()
  expect($trayConflict.get()).toMatchObject({ mine: { title: 'left there' }, theirs: { title: 'mine here' } })
  expect(asked.filter(({ method }) => method === 'PUT')).toEqual([])
})

test('a page that was drawn before this window’s last answer asks once more', async () => {
  givenWindow()
  const now = { ...EMPTY_TRAY, title: 'now', version: 7 }
  const asked = givenServer(({ method, body }) => (method === 'GET' ? { status: 200, body: now } : kept(body, 7)))
  await nameTray('now')
  openTray({ ...EMPTY_TRAY, version: 7 })
  openWaitingTray()
  expect(asked.map(({ method }) => method)).toEqual(['PUT'])
  openTray({ ...EMPTY_TRAY, version: 6 })
  openWaitingTray()
  await vi.waitFor(() => expect($tray.get().title).toBe('now'))
})

test('a full disk is no refusal: the tray waits', async () => {
  givenServer(() => ({ status: 507, body: { error: 'The disk is full. Nothing was kept.' } }))
  await addToTray([shape('x8688x')])
  expect($trayKept.get()).toBe('waiting for the server')
})

test('a full tray takes what fits and says what does not', async () => {
  givenServer(({ body }) => kept(body, 1))
  await addToTray(Array.from({ length: MOST_STEPS - 1 }, () => shape('x8688x')))
  await addToTray([shape('x8688x'), shape('x8688x')])
  expect($tray.get().steps).toHaveLength(MOST_STEPS)
  expect(told.problems).toEqual(['The tray is full'])
})

test('moved, taken out and put back, a step stays itself', async () => {
  let version = 0
  givenServer(({ body }) => kept(body, ++version))
  await addToTray([shape('x8688x'), shape('x3133x')])
  const before = $tray.get()
  await moveInTray(0, 1)
  expect($tray.get().steps).toEqual(before.steps.toReversed())
  await removeFromTray(before.steps[0]?.id ?? '')
  expect($tray.get().steps).toEqual([before.steps[1]])
  await replaceTray(before)
  expect($tray.get().steps).toEqual(before.steps)
  expect($tray.get().version).toBe(version)
})

test('a step that can’t be read is told by its texts and not lost', () => {
  const broken = { id: 'x', beats: 4, chord: 'not a chord', shape: null, held: true }
  expect(shownStep(broken)).toMatchObject({ chord: undefined, shape: undefined, texts: broken })
})

test('what was done to the tray is undone step by step, and done again', async () => {
  givenServer(({ body }) => kept(body, 1))
  await addToTray([shape('x8688x')])
  await addToTray([shape('x6458x')])
  const both = $tray.get().steps
  await removeFromTray(both[0]?.id ?? '')
  expect($tray.get().steps).toHaveLength(1)
  await undoTray()
  expect($tray.get().steps).toEqual(both)
  await undoTray()
  expect($tray.get().steps).toEqual(both.slice(0, 1))
  await redoTray()
  expect($tray.get().steps).toEqual(both)
})

test('what was removed comes back where it stood, beside what was added meanwhile', async () => {
  givenServer(({ body }) => kept(body, 1))
  await addToTray([shape('x8688x'), shape('x6458x')])
  const [first, second] = $tray.get().steps
  if (!first || !second) throw new Error('two were added')
  await removeFromTray(first.id)
  await addToTray([shape('8x688x')])
  await putBack([first], 0)
  expect(
    $tray
      .get()
      .steps.map(({ id }) => id)
      .slice(0, 2),
  ).toEqual([first.id, second.id])
  expect($tray.get().steps).toHaveLength(3)
  await putBack([first], 0)
  expect($tray.get().steps).toHaveLength(3)
})
