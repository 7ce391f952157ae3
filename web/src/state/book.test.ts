/** A shape that is kept while the server is away waits, and is kept once. */
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { givenServer } from './given.testkit.ts'

const told = vi.hoisted(() => ({ done: [] as string[], problems: [] as string[] }))
vi.mock('./notices.ts', () => ({
  tell: {
    done: (message: string) => told.done.push(message),
    problem: (title: string) => told.problems.push(title),
    hide: () => '',
  },
}))
const { keepShape } = await import('./book.ts')
const { $waitingHere, sendAll, waitingUnder } = await import('./away.ts')

const draft = { name: 'ferry', chord: 'Fm9', frets: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4', fingers: '', note: '' }
beforeEach(() => {
  waitingUnder('shapes').write(undefined)
  told.done.length = 0
  told.problems.length = 0
})
afterEach(() => vi.unstubAllGlobals())

test('it waits, is sent when the server is back, and that is said', async () => {
  givenServer(() => 'no server')
  expect(await keepShape(draft)).toMatchObject({ ok: false, waits: true })
  expect(await keepShape({ ...draft, name: 'quay' })).toMatchObject({ ok: false, waits: true })
  expect($waitingHere.get()).toBe(2)
  const asked = givenServer(({ method }) =>
    method === 'GET' ? { status: 200, body: { shapes: [] } } : { status: 201, body: { id: 1, same: [] } },
  )
  await sendAll()
  expect(asked.filter(({ method }) => method === 'POST').map(({ body }) => (body as typeof draft).name)).toEqual([
    'ferry',
    'quay',
  ])
  expect(told.done).toEqual(['Saved to Book: ferry', 'Saved to Book: quay'])
  expect($waitingHere.get()).toBe(0)
})

test('one whose answer was lost on the way is found there and not kept twice', async () => {
  givenServer(() => 'no server')
  await keepShape(draft)
  const asked = givenServer(() => ({
    status: 200,
    body: { shapes: [{ ...draft, createdAt: new Date(Date.now() + 5).toISOString() }] },
  }))
  await sendAll()
  expect(asked.map(({ method }) => method)).toEqual(['GET'])
  expect($waitingHere.get()).toBe(0)
})

test('one that is refused is told and does not wait any longer', async () => {
  givenServer(() => 'no server')
  await keepShape(draft)
  givenServer(({ method }) =>
    method === 'GET' ? { status: 200, body: { shapes: [] } } : { status: 400, body: { error: 'no' } },
  )
  await sendAll()
  expect(told.problems).toEqual(['Not kept: ferry'])
  expect($waitingHere.get()).toBe(0)
})
