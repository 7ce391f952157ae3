import { readShape } from '@nestling/core/shape'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { EMPTY_TRAY, MOST_STEPS, type Tray } from '../contracts/progression.ts'
import { givenServer } from './given.testkit.ts'

const told = vi.hoisted(() => ({ problems: [] as string[] }))
vi.mock('./notices.ts', () => ({
  tell: { done: () => '', problem: (title: string) => told.problems.push(title), hide: () => '', settled: () => '' },
}))
const {
  $tray,
  $trayKept,
  addToTray,
  moveInTray,
  nameTray,
  putBack,
  redoTray,
  removeFromTray,
  replaceTray,
  shownStep,
  undoTray,
} = await import('./tray.ts')

const shape = (frets: string, fingers = '') => {
  const read = readShape({ chord: 'Fm9', frets, tuning: 'E2,A2,D3,G3,B3,E4', fingers })
  if (!read.ok) throw new Error(read.error.code)
  return read.value
}
const kept = (body: unknown, version: number) => ({ status: 200, body: { ...(body as Tray), version } })

beforeEach(() => {
  $tray.set(EMPTY_TRAY)
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

test('what is refused as stale is told, and the tray shows what is there', async () => {
  const there: Tray = { ...EMPTY_TRAY, title: 'of another page', version: 9 }
  givenServer(({ method }) =>
    method === 'PUT' ? { status: 409, body: { error: 'stale' } } : { status: 200, body: there },
  )
  await nameTray('mine')
  expect($tray.get()).toEqual(there)
  expect($trayKept.get()).toBe('not kept')
  expect(told.problems).toEqual(['The tray is not kept'])
})

test('without a server what was collected stays on the page', async () => {
  givenServer(() => 'no server')
  await addToTray([shape('x8688x')])
  expect($tray.get().steps).toHaveLength(1)
  expect($trayKept.get()).toBe('not kept')
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
