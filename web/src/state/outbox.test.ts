/** What is kept while the server is away waits, and is kept once; what was changed elsewhere meanwhile is chosen. */
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { givenServer, givenWindow } from './given.testkit.ts'

const told = vi.hoisted(() => ({
  done: [] as string[],
  problems: [] as string[],
  choices: [] as { words: string; ways: readonly (readonly [string, () => void])[] }[],
}))
vi.mock('./notices.ts', () => ({
  tell: {
    done: (message: string) => told.done.push(message),
    problem: (title: string) => told.problems.push(title),
    choice: (words: string, ways: readonly (readonly [string, () => void])[]) => told.choices.push({ words, ways }),
    hide: () => '',
  },
}))
const { keepShape } = await import('./book.ts')
const { keepTune } = await import('./tunes.ts')
const { deleteSheet, keepSheet, replaceSheet, sendLast } = await import('./sheets.ts')
const { $keptLater, keepOrWait, landedSinceAsked, waitNoLonger } = await import('./outbox.ts')
const { $waitingHere, sendAll, waitingUnder } = await import('./away.ts')

const draft = { name: 'ferry', chord: 'Fm9', frets: 'x8688x', tuning: 'E2,A2,D3,G3,B3,E4', fingers: '', note: '' }
beforeEach(() => {
  waitingUnder('keeps').write(undefined)
  told.choices.length = 0
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

const tune = { title: 'Slow Ferry', tune: { chart: 'C' } }
test('a tune that waits goes over what is there when it is sent; what it knows nothing of stays', async () => {
  givenServer(() => 'no server')
  expect(await keepTune(tune, { id: 7, version: undefined })).toMatchObject({ ok: false, waits: true })
  // Kept once more: one waits, the later one.
  await keepTune({ ...tune, tune: { chart: 'F' } }, { id: 7, version: undefined })
  expect($waitingHere.get()).toBe(1)
  const asked = givenServer(({ method }) => ({
    status: 200,
    body: method === 'GET' ? { ...tune, id: 7, version: 4, remarks: 'of a file' } : { id: 7, version: 5 },
  }))
  await sendAll()
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['GET /api/tunes/7', 'PUT /api/tunes/7'])
  expect(asked[1]?.body).toEqual({ ...tune, tune: { chart: 'F' }, version: 4, remarks: 'of a file' })
  expect($keptLater.get()).toEqual({ path: '/api/tunes/7', value: { id: 7, version: 5 } })
})

test('a tune goes over the version that was seen; one that somebody else has made is not written over', async () => {
  const theirs = { ...tune, title: 'Slow Ferry, theirs', id: 9, version: 3, remarks: '' }
  const asked = givenServer(() => ({ status: 200, body: theirs }))
  const reply = await keepTune({ ...tune, tune: { chart: 'G' } }, { id: 9, version: 2 })
  expect(reply).toMatchObject({ ok: false, status: 409, now: theirs })
  expect(asked.map(({ method }) => method)).toEqual(['GET'])
  expect($waitingHere.get()).toBe(0)
  // What was kept from here is no stranger's, also after a step was taken back.
  let version = 3
  givenServer(({ method }) => ({ status: 200, body: { ...theirs, version: method === 'PUT' ? ++version : version } }))
  expect(await keepTune({ ...tune, tune: { chart: 'G' } }, { id: 9, version: 3 })).toMatchObject({ ok: true })
  expect(await keepTune({ ...tune, tune: { chart: 'A' } }, { id: 9, version: 3 })).toMatchObject({ ok: true })
  // The answer to the same change was lost.
  const again = givenServer(() => ({ status: 200, body: { ...theirs, ...tune, tune: { chart: 'B' }, version: 8 } }))
  expect(await keepTune({ ...tune, tune: { chart: 'B' } }, { id: 9, version: 3 })).toMatchObject({ ok: true })
  expect(again.map(({ method }) => method)).toEqual(['GET'])
})

test('a tune that was deleted meanwhile is kept anew', async () => {
  givenServer(() => 'no server')
  await keepTune(tune, { id: 7, version: undefined })
  const asked = givenServer(({ method }) => (method === 'GET' ? { status: 404 } : { status: 201, body: { id: 8 } }))
  await sendAll()
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['GET /api/tunes/7', 'POST /api/tunes'])
})

const sheet = {
  title: 'Evening',
  paper: 'A4',
  lying: false,
  barsALine: 4,
  necks: 'lying',
  labels: 'none',
  ink: 'colour',
  blocks: [],
} as unknown as Parameters<typeof keepSheet>[0]
const other = { ...sheet, title: 'Evening, otherwise', version: 3 }
test('a sheet that was changed elsewhere while it waited is told with both states; the chosen one is kept', async () => {
  givenServer(() => 'no server')
  expect(await replaceSheet(2, 1, sheet)).toMatchObject({ waits: true })
  // Over the version that the first of them has seen.
  await replaceSheet(2, 1, { ...sheet, title: 'Evening two' })
  const refused = givenServer(() => ({ status: 409, body: { error: 'changed', now: other } }))
  await sendAll()
  expect(refused[0]?.body).toMatchObject({ title: 'Evening two', version: 1 })
  expect(told.choices[0]?.words).toContain('Here: Evening two, 0 blocks. There: Evening, otherwise, 0 blocks.')
  // Until it is chosen it waits, and nobody asks twice.
  await sendAll()
  expect([$waitingHere.get(), told.choices.length]).toEqual([1, 1])
  const asked = givenServer(() => ({ status: 200, body: { ...sheet, version: 4 } }))
  told.choices[0]?.ways[0]?.[1]()
  await vi.waitFor(() => expect(told.done).toEqual(['Saved to Book: Evening two']))
  expect(asked[0]).toMatchObject({ method: 'PUT', body: { title: 'Evening two', version: 3 } })
  expect($waitingHere.get()).toBe(0)
})

test('what is changed while it is sent is not lost: it goes over the version that was made', async () => {
  givenServer(() => 'no server')
  await replaceSheet(2, 1, sheet)
  let later: Promise<unknown> | undefined
  const asked = givenServer(({ body }) => {
    later ??= replaceSheet(2, 1, { ...sheet, title: 'Later' })
    return { status: 200, body: { ...sheet, version: (body as { version: number }).version + 1 } }
  })
  await sendAll()
  await later
  await sendAll()
  expect(asked.map(({ body }) => body)).toMatchObject([
    { title: 'Evening', version: 1 },
    { title: 'Later', version: 2 },
  ])
  expect($waitingHere.get()).toBe(0)
})

test('what another page of this browser has made of it is no change of somebody else’s', async () => {
  givenServer(() => 'no server')
  await replaceSheet(3, 1, sheet)
  givenServer(() => ({ status: 200, body: { ...sheet, version: 2 } }))
  await sendAll()
  // It saw the one that waited for a moment longer than it did.
  givenServer(() => 'no server')
  await replaceSheet(3, 1, { ...sheet, title: 'Later' })
  const asked = givenServer(({ body }) =>
    (body as { version: number }).version === 2
      ? { status: 200, body: { ...sheet, title: 'Later', version: 3 } }
      : { status: 409, body: { error: 'changed', now: { ...sheet, version: 2 } } },
  )
  await sendAll()
  await sendAll()
  expect(asked.map(({ body }) => (body as { version: number }).version)).toEqual([1, 2])
  expect([$waitingHere.get(), told.choices]).toEqual([0, []])
})

test('the last change of a page that was left waits as well; when it has landed by itself nobody is asked', async () => {
  givenServer(() => ({ status: 200 }))
  sendLast(2, 1, sheet)
  expect($waitingHere.get()).toBe(1)
  givenServer(() => ({ status: 409, body: { error: 'changed', now: { ...sheet, version: 2 } } }))
  await sendAll()
  expect([$waitingHere.get(), told.choices, told.problems, told.done]).toEqual([0, [], [], []])
  // The next page may have been drawn before it landed.
  expect($keptLater.get()).toEqual({ path: '/api/sheets/2', value: { ...sheet, version: 2 } })
})

test('a sheet that is deleted while its own last change is still on the way is deleted as it was left', async () => {
  givenServer(() => ({ status: 200 }))
  sendLast(5, 1, sheet)
  const asked = givenServer(({ method }) =>
    method === 'PUT' ? { status: 409, body: { error: 'changed', now: { ...sheet, version: 2 } } } : { status: 200 },
  )
  // The list was made before the change landed.
  await deleteSheet({ id: 5, version: 1 })
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
    'PUT /api/sheets/5',
    'DELETE /api/sheets/5?version=2',
  ])
  // What others have changed is not deleted unseen.
  await deleteSheet({ id: 6, version: 1 })
  expect(asked.at(-1)?.path).toBe('/api/sheets/6?version=1')
})

test('a sheet kept by the page before, after this one was asked for, is known as that page left it', async () => {
  givenWindow()
  givenServer(() => ({ status: 200, body: { ...sheet, version: 5 } }))
  await replaceSheet(7, 4, sheet)
  expect(landedSinceAsked('/api/sheets/7')).toMatchObject({ version: 5 })
  const asked = givenServer(() => ({ status: 200 }))
  await deleteSheet({ id: 7, version: 4 })
  await deleteSheet({ id: 8, version: 4 })
  expect(asked.map(({ path }) => path)).toEqual(['/api/sheets/7?version=5', '/api/sheets/8?version=4'])
  // A page that was asked for later has read it; what others have done since is theirs.
  vi.stubGlobal('performance', { timeOrigin: Date.now() + 1000 })
  expect(landedSinceAsked('/api/sheets/7')).toBeUndefined()
})

test('a new thing that waits goes on changing: it is kept once, as it was last; what is changed while it is sent goes over it', async () => {
  const asked = (scale: number) =>
    keepOrWait({ method: 'POST', path: '/api/instruments', body: { scale }, name: 'Archtop', as: 'instrument -1' })
  givenServer(() => 'no server')
  for (const scale of [628, 640]) expect(await asked(scale)).toMatchObject({ ok: false, waits: true })
  expect($waitingHere.get()).toBe(1)
  const later: unknown[] = []
  const leave = $keptLater.listen((one) => later.push(one))
  let meanwhile: Promise<unknown> | undefined
  const sent = givenServer(({ method }) => {
    meanwhile ??= asked(650)
    return { status: 200, body: { id: 7, version: method === 'POST' ? 1 : 2 } }
  })
  await sendAll()
  await meanwhile
  await sendAll()
  leave()
  expect(sent.map(({ method, path, body }) => [method, path, body])).toEqual([
    ['POST', '/api/instruments', { scale: 640 }],
    ['PUT', '/api/instruments/7', { scale: 650, version: 1 }],
  ])
  expect(later[0]).toMatchObject({ as: 'instrument -1', value: { id: 7 } })
  expect($waitingHere.get()).toBe(0)
})

test('a new thing that waits is taken away again, and nothing is sent', async () => {
  givenServer(() => 'no server')
  await keepOrWait({ method: 'POST', path: '/api/instruments', body: {}, name: 'Archtop', as: 'instrument -1' })
  waitNoLonger('instrument -1')
  expect($waitingHere.get()).toBe(0)
  const sent = givenServer(() => ({ status: 200, body: {} }))
  await sendAll()
  expect(sent).toEqual([])
})
