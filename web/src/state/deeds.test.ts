import { notifications } from '@mantine/notifications'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { type Answers, givenServer, givenWindow } from './given.testkit.ts'

/** A window's storage, which its pages share: each `page()` is one more of them. */
beforeEach(() => void givenWindow())
afterEach(() => vi.unstubAllGlobals())

async function page() {
  vi.resetModules()
  const [deeds, { undoLast, viewStandsAt }] = await Promise.all([import('./deeds.ts'), import('./undoOrder.ts')])
  deeds.openDeeds()
  return { ...deeds, undo: () => undoLast(undefined) as Promise<void>, undoLast, viewStandsAt }
}
const fine: Answers = () => ({ status: 200, body: {} })

test('what one page deleted is brought back from the next one, the last first', async () => {
  const asked = givenServer(fine)
  const book = await page()
  book.did('Deleted: Dm9', book.restoring('shape', 7))
  book.did('Deleted: Slow Ferry', book.restoring('tune', 3))
  const build = await page()
  await build.undo()
  await build.undo()
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
    'POST /api/tunes/3/restore',
    'POST /api/shapes/7/restore',
  ])
  const key = await page()
  await key.undo()
  expect(asked).toHaveLength(2)
})

test('a page that comes back as it was left does not take back once more what another one took back', async () => {
  const asked = givenServer(fine)
  const book = await page()
  book.did('Deleted: Dm9', book.restoring('shape', 7))
  const build = await page()
  await build.undo()
  book.lookAtDeedsAgain()
  await book.undo()
  expect(asked).toHaveLength(1)
})

test('the view goes first when it did something later', async () => {
  const asked = givenServer(fine)
  const { did, restoring, undoLast, viewStandsAt } = await page()
  did('Deleted: Dm9', restoring('shape', 7))
  viewStandsAt(Number.POSITIVE_INFINITY)
  const view = vi.fn()
  undoLast(view)
  expect(view).toHaveBeenCalledOnce()
  expect(asked).toHaveLength(0)
})

test('two edits of one shape are taken back one after another, each over the version that stands there', async () => {
  let version = 3
  const asked = givenServer(({ body }) => {
    if ((body as { version: number }).version !== version) return { status: 409, body: { error: 'it was changed' } }
    version += 1
    return { status: 200, body: { version } }
  })
  const { did, undo } = await page()
  did('Renamed: low', { method: 'PATCH', path: '/api/shapes/7', body: { name: 'first', version: 2 } })
  did('Renamed: lower', { method: 'PATCH', path: '/api/shapes/7', body: { name: 'low', version: 3 } })
  await undo()
  await undo()
  expect(asked.map(({ body }) => body)).toEqual([
    { name: 'low', version: 3 },
    { name: 'first', version: 4 },
  ])
  expect(version).toBe(5)
})

test('what somebody else changed in between is not written over', async () => {
  // Versions 3 and 4 are another window's.
  const asked = givenServer(() => ({ status: 200, body: { version: 6 } }))
  const { did, undo } = await page()
  did('Renamed: low', { method: 'PATCH', path: '/api/shapes/7', body: { name: 'first', version: 2 } })
  did('Renamed: lower', { method: 'PATCH', path: '/api/shapes/7', body: { name: 'theirs', version: 5 } })
  await undo()
  await undo()
  expect(asked.map(({ body }) => (body as { version: number }).version)).toEqual([5, 2])
})

test('while the server is away the way back stays; what is refused is told and gone', async () => {
  let answers: ReturnType<Answers> = 'no server'
  const asked = givenServer(() => answers)
  const told = vi.spyOn(notifications, 'show')
  const { did, undo, restoring, $takenBack } = await page()
  did('Deleted: Dm9', restoring('shape', 7))
  await undo()
  answers = { status: 409, body: { error: 'Dm9 was changed meanwhile' } }
  await undo()
  await undo()
  expect(asked).toHaveLength(2)
  expect(told).toHaveBeenCalledWith(expect.objectContaining({ message: 'Dm9 was changed meanwhile', role: 'alert' }))
  expect($takenBack.get()).toBe(2)
})

test('a tuning that comes back is in the session at once', async () => {
  givenServer(({ path }) => ({
    status: 200,
    body: path === '/api/tunings' ? { tunings: [{ id: 9, name: 'Night Heron', strings: [] }] } : { instruments: [] },
  }))
  const { did, undo } = await page()
  const { $session } = await import('./session.ts')
  did('Deleted: Night Heron', { method: 'POST', path: '/api/tunings', body: { name: 'Night Heron', tuning: 'C2,G2' } })
  await undo()
  expect($session.get().tunings.map(({ name }) => name)).toEqual(['Night Heron'])
})
