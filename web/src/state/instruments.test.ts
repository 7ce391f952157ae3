/** A new instrument waits, goes on changing, lands or is refused; there is never a second one of it. */
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { draftOf } from '../contracts/instrument.ts'
import { type Answers, givenServer } from './given.testkit.ts'

const problems = vi.hoisted(() => [] as string[])
vi.mock('./notices.ts', () => ({
  tell: {
    done: () => '',
    problem: (title: string) => problems.push(title),
    waits: () => '',
    choice: () => '',
    hide: () => '',
  },
}))
const { addInstrument, addTuning, editInstrument, numberNow, removeInstrument, removeTuning } = await import(
  './instruments.ts'
)
const { $session, chooseInstrument, sessionOf } = await import('./session.ts')
const { $waitingHere, sendAll, waitingUnder } = await import('./away.ts')

const draft = { ...draftOf(STANDARD_INSTRUMENT), name: 'Archtop' }
/** A server that keeps what it is sent under the number 7, unless the name is taken. */
const keeping =
  (taken = ''): Answers =>
  ({ method, body }) => {
    const { name } = (body ?? {}) as { readonly name?: string }
    if (method === 'POST' && name === taken) return { status: 409, body: { error: 'there is one of that name' } }
    const kept = { ...STANDARD_INSTRUMENT, ...(body as object), tuning: STANDARD_INSTRUMENT.tuning, id: 7, version: 1 }
    return { status: 200, body: kept }
  }
const added = async () => {
  const reply = await addInstrument(draft)
  if (!reply.ok) throw new Error(reply.message)
  return reply.value
}

beforeEach(() => {
  waitingUnder('keeps').write(undefined)
  problems.length = 0
  const { settings } = $session.get()
  $session.set(sessionOf(settings, [], []))
})
afterEach(() => vi.unstubAllGlobals())

test('it is in hand while it waits, and has its number when it has landed', async () => {
  givenServer(() => 'no server')
  const waiting = await added()
  await chooseInstrument(waiting.id)
  expect(waiting.id).toBeLessThan(0)
  expect($session.get().instrument).toMatchObject({ id: waiting.id, name: 'Archtop' })
  const sent = givenServer(keeping())
  await sendAll()
  expect($session.get().instruments.map(({ id }) => id)).toEqual([7])
  expect(numberNow(waiting.id)).toBe(7)
  expect(sent.filter(({ method }) => method === 'POST')).toHaveLength(1)
  // The server is asked for it by the number that it has now, never by the page's own.
  expect(sent.find(({ method }) => method === 'PATCH')?.body).toMatchObject({ instrumentId: 7 })
})

test('refused for its name it stays to be named anew, and is then one instrument', async () => {
  givenServer(() => 'no server')
  const waiting = await added()
  givenServer(keeping('Archtop'))
  await sendAll()
  expect(problems).toEqual(['Not kept: Archtop'])
  expect($session.get().instruments).toHaveLength(1)
  const reply = await editInstrument(waiting, { ...draft, name: 'Second archtop' })
  expect(reply).toMatchObject({ ok: true, value: { id: 7 } })
  expect($session.get().instruments.map(({ id, name }) => [id, name])).toEqual([[7, 'Second archtop']])
})

test('taken away while it waits it was never asked for; a tuning neither', async () => {
  givenServer(() => 'no server')
  const waiting = await added()
  const tuning = await addTuning({ name: 'a slip', tuning: 'D2 A2 D3 G3 B3 E4' })
  if (!tuning.ok) throw new Error(tuning.message)
  expect($waitingHere.get()).toBe(2)
  const sent = givenServer(keeping())
  await removeInstrument(waiting.id)
  await removeTuning(tuning.value.id)
  await sendAll()
  expect(sent).toEqual([])
  expect([$session.get().instruments, $session.get().tunings]).toEqual([[], []])
})
