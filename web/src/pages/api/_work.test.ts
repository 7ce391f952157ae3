/** Work on threads: the same answers, nobody held up, ended with who asked for it, begun again after a thread has died. */
import type { APIRoute } from 'astro'
import { afterAll, expect, test } from 'vitest'
import { endThreads } from './_work.ts'
import { GET as names, work as namesWork } from './names.ts'
import { POST as path } from './path.ts'
import { GET as voicings, work as voicingsWork } from './voicings.ts'

afterAll(endThreads)

const TEN = 'E1,A1,D2,G2,C3,F3,A3,D4,G4,C5'
/** As much as may be asked: ten strings, anything goes. */
const WORST = `/api/voicings?chord=C13%2311&tuning=${TEN}&arrangement=any&open=allow&doubling=free&limit=200`

const asked = (path: string, init: RequestInit = {}) => {
  const url = new URL(path, 'http://127.0.0.1:4321')
  return { url, request: new Request(url, init) } as unknown as Parameters<APIRoute>[0]
}

test('a thread gives the answer that the endpoint’s own work gives, refusals too', async () => {
  for (const query of ['/api/names?frets=x68786', '/api/names?frets=x6878', '/api/names?frets=x6878x&frets=x'])
    for (const [route, work] of [[names, namesWork]] as const) {
      const [there, here] = [await route(asked(query)), await work(asked(query) as never)]
      expect(there.status).toBe(here.status)
      expect(await there.json()).toEqual(await here.json())
    }
})

test('while the longest search goes on others are answered, and its answer says where it was cut', async () => {
  // Begun before: a thread takes its time to begin.
  await Promise.all([voicings(asked('/api/voicings?chord=C')), names(asked('/api/names?frets=x3545x'))])
  const order: string[] = []
  const longest = (async () => {
    const answer = await voicings(asked(WORST))
    order.push('longest')
    return answer
  })()
  expect((await names(asked('/api/names?frets=x3545x'))).status).toBe(200)
  order.push('names')
  const answer = await longest
  expect(order).toEqual(['names', 'longest'])
  expect(answer.status).toBe(200)
  const told = (await answer.json()) as { truncated: boolean; cut?: string; voicings: readonly unknown[] }
  expect(told.truncated).toBe(true)
  expect(told.voicings.length).toBeGreaterThan(0)
  expect((await voicingsWork(asked('/api/voicings?chord=Cmaj7&limit=0') as never)).status).toBe(400)
})

test('whoever asks behind twelve long searches of another client is answered before they are', async () => {
  const from = (agent: string) => ({ headers: { 'user-agent': agent } })
  // As many threads as there are, begun before.
  await Promise.all(['a', 'b', 'c', 'd'].map((agent) => voicings(asked(WORST, from(agent)))))
  let done = 0
  const many = Array.from({ length: 12 }, async () => {
    await voicings(asked(WORST, from('a script')))
    done++
  })
  expect((await names(asked('/api/names?frets=x3545x', from('a browser')))).status).toBe(200)
  expect(done).toBeLessThan(6)
  await Promise.all(many)
})

test('a question that takes too long is told so, with what would be quicker', async () => {
  const patience = process.env['NESTLING_PATIENCE_MS']
  process.env['NESTLING_PATIENCE_MS'] = '5'
  const answer = await voicings(asked(WORST))
  if (patience === undefined) delete process.env['NESTLING_PATIENCE_MS']
  else process.env['NESTLING_PATIENCE_MS'] = patience
  expect(answer.status).toBe(503)
  expect(await answer.json()).toMatchObject({ expected: 'fewer strings, frets or chords' })
})

test('who asks for the head alone is answered as well', async () =>
  expect((await names(asked('/api/names?frets=x3545x', { method: 'HEAD' }))).status).toBe(200))

test('who goes ends the work that he asked for, and the next one is answered', async () => {
  const going = new AbortController()
  const answer = voicings(asked(WORST, { signal: going.signal }))
  setTimeout(() => going.abort(), 30)
  const { status } = await answer
  expect([499, 500]).toContain(status)
  expect((await names(asked('/api/names?frets=x3545x'))).status).toBe(200)
})

test('a thread that can’t begin is told, and the next one is tried anew', async () => {
  const file = process.env['NESTLING_WORK_THREAD']
  await endThreads()
  process.env['NESTLING_WORK_THREAD'] = '/nowhere/at/all.mjs'
  const dead = await path(asked('/api/path', { method: 'POST', body: JSON.stringify({ chart: '| Dm7 | G7 |' }) }))
  expect(dead.status).toBe(500)
  expect(await dead.json()).toMatchObject({ field: 'question', error: expect.stringContaining('no answer') })
  if (file === undefined) delete process.env['NESTLING_WORK_THREAD']
  else process.env['NESTLING_WORK_THREAD'] = file
  await endThreads()
  const alive = await path(asked('/api/path', { method: 'POST', body: JSON.stringify({ chart: '| Dm7 | G7 |' }) }))
  expect(alive.status).toBe(200)
})
