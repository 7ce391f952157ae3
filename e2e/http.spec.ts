import { get } from 'node:http'
import { expect, test } from './support/test.ts'

test('a chord is told with its notes, thirds and family', async ({ request }) => {
  const answer = await request.get('/api/chord?symbol=F%23m7b5')
  expect(await answer.json()).toEqual({
    symbol: 'F#m7b5',
    root: 'F#',
    formula: ['R', 'b3', 'b5', 'b7'],
    notes: ['F#', 'A', 'C', 'E'],
    thirds: ['m3', 'm3', 'M3'],
    family: 'half-diminished',
  })
})

test('voicings come with frets, degrees, notes, reach and fingers', async ({ request }) => {
  const answer = await request.get('/api/voicings?chord=Ebmaj7&strings=5432&arrangement=drop-2&bass=R')
  const { count, voicings, truncated } = await answer.json()
  expect({ count, truncated }).toEqual({ count: 1, truncated: false })
  expect(voicings[0]).toMatchObject({
    frets: [null, 6, 8, 7, 8, null],
    degrees: [null, 'R', '5', '7', '3', null],
    notes: [null, 'Eb', 'Bb', 'D', 'G', null],
    arrangement: 'drop-2',
    inversion: 0,
  })
})

test('a cut list says that it is cut', async ({ request }) => {
  const { count, voicings, truncated } = await (await request.get('/api/voicings?chord=C13&limit=3')).json()
  expect(voicings).toHaveLength(3)
  expect(count).toBeGreaterThan(3)
  expect(truncated).toBe(true)
})

for (const [path, field, at] of [
  ['/api/chord?symbol=C7x9', 'symbol', 2],
  ['/api/chord', 'symbol', 0],
  ['/api/voicings?chord=C7x9', 'chord', 2],
  ['/api/voicings?chord=C&strings=99', 'strings', 0],
  ['/api/voicings?chord=C&bass=7', 'bass', 0],
  ['/api/voicings?chord=C&limit=0', 'limit', 0],
  ['/api/voicings?chord=C&chord=D', 'chord', 0],
  ['/api/voicings?chord=C&colour=red', 'colour', 0],
  ['/api/voicings?chord=C&tuning=E2,Q2', 'tuning', 3],
  ['/api/names?frets=x68q86', 'frets', 3],
  ['/api/names?frets=x68786&bass=H', 'bass', 0],
  ['/api/names?frets=x68786&key=Blue', 'key', 0],
  ['/api/check?frets=x68786&symbol=Q', 'symbol', 0],
  ['/api/neighbours?frets=x6878x&tones=3', 'tones', 0],
] as const)
  test(`${path} is refused with its field and place`, async ({ request }) => {
    const answer = await request.get(path)
    expect(answer.status()).toBe(400)
    expect(await answer.json()).toMatchObject({ field, at, error: expect.any(String), expected: expect.any(String) })
  })

const draft = { name: 'x', chord: 'C', frets: 'x32010', tuning: 'E2,A2,D3,G3,B3,E4' }

test('writes are JSON, from our own origin, of moderate size, and of the right form', async ({ request, baseURL }) => {
  const post = (data: string, headers: Record<string, string>) => request.post('/api/shapes', { data, headers })
  const json = { 'content-type': 'application/json' }
  expect((await post(JSON.stringify(draft), { 'content-type': 'text/plain', origin: baseURL ?? '' })).status()).toBe(
    415,
  )
  expect((await post(JSON.stringify(draft), { ...json, origin: 'http://elsewhere.example' })).status()).toBe(403)
  expect((await post(JSON.stringify({ ...draft, note: 'a'.repeat(70_000) }), json)).status()).toBe(413)
  expect((await post('{"name":', json)).status()).toBe(400)
  expect((await post(JSON.stringify({ ...draft, frets: 'x3201' }), json)).status()).toBe(400)
  const kept = await post(JSON.stringify(draft), { ...json, origin: baseURL ?? '' })
  expect(kept.status()).toBe(201)
  const { id } = await kept.json()
  expect((await request.delete(`/api/shapes/${id}`, { headers: json })).status()).toBe(204)
  expect((await request.delete(`/api/shapes/${id}`, { headers: json })).status()).toBe(404)
})

test('every page carries a content security policy, and assets are compressed', async ({ request }) => {
  const page = await request.get('/')
  const policy = page.headers()['content-security-policy'] ?? ''
  expect(policy).toContain("default-src 'self'")
  expect(policy.match(/script-src [^;]*/)?.[0]).not.toContain('unsafe')
  const script = /\/_astro\/WorkbenchView[^"']*\.js/.exec(await page.text())?.[0] ?? ''
  const asset = await request.get(script, { headers: { 'accept-encoding': 'gzip' } })
  expect(asset.headers()).toMatchObject({ 'content-encoding': 'gzip', 'x-content-type-options': 'nosniff' })
})

test('a shape is told by all its names, best first; a bass below it and a key change the order', async ({
  request,
}) => {
  const symbols = async (query: string) => {
    const { names } = await (await request.get(`/api/names?${query}`)).json()
    return names.map(({ symbol }: { symbol: string }) => symbol)
  }
  expect((await symbols('frets=x68786'))[0]).toBe('Ebmaj7')
  expect((await symbols('frets=x7978x'))[0]).toBe('Em7')
  expect((await symbols('frets=x7978x&bass=C'))[0]).toBe('Cmaj9')
  expect((await symbols('frets=2x332x&key=Db'))[0]).toBe('Gbmaj7')
  expect((await symbols('frets=000000&tuning=D2,A2,D3,F%233,A3,D4'))[0]).toBe('D')
})

test('a claim is checked, and a wrong string comes with its mend', async ({ request }) => {
  const check = async (query: string) => (await request.get(`/api/check?${query}`)).json()
  expect(await check('frets=x6878x&symbol=Ebmaj7')).toMatchObject({ verdict: 'right' })
  expect(await check('frets=x3233x&symbol=C9')).toMatchObject({ verdict: 'incomplete', missing: ['5'] })
  expect(await check('frets=x6868x&symbol=Ebmaj7')).toMatchObject({
    verdict: 'wrong',
    wrong: [{ string: 3, degree: 'b7', note: 'Db', mend: { fret: 7, by: 1, degree: '7', note: 'D' } }],
  })
})

test('neighbours come by name, with the string and the way', async ({ request }) => {
  const { neighbours } = await (await request.get('/api/neighbours?frets=x6878x&symbol=Ebmaj7')).json()
  expect(neighbours[0]).toMatchObject({
    symbol: 'Eb7',
    moves: [{ string: 3, by: -1, fromDegree: '7', toDegree: 'b7' }],
  })
  expect((await request.get('/api/neighbours?frets=x6878x&symbol=Am7')).status()).toBe(400)
})

test('a name that was made to point here is turned away', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL ?? '')
  const status = (host: string) =>
    new Promise((resolve) => {
      get({ hostname, port, path: '/healthz', headers: { host } }, (answer) => {
        answer.resume()
        resolve(answer.statusCode)
      })
    })
  expect(await status('elsewhere.example')).toBe(403)
  expect(await status(`localhost:${port}`)).toBe(200)
})

test('a method that an address does not know is answered with those that it does', async ({ request }) => {
  const put = await request.put('/api/chord?symbol=C', { data: {} })
  expect(put.status()).toBe(405)
  expect(put.headers()['allow']).toBe('GET, HEAD')
  expect(await put.json()).toEqual({
    error: '/api/chord knows no PUT; expected GET, HEAD',
    field: 'method',
    at: 0,
    expected: 'GET, HEAD',
  })
  const patch = await request.patch('/api/shapes', { data: {} })
  expect([patch.status(), patch.headers()['allow']]).toEqual([405, 'GET, HEAD, POST'])
  const one = await request.put('/api/shapes/1', { data: {} })
  expect(one.status()).toBe(405)
  // What is not there is still not there.
  expect(
    (await request.delete('/api/shapes/999999', { headers: { 'content-type': 'application/json' } })).status(),
  ).toBe(404)
  expect((await request.head('/api/chord?symbol=C')).status()).toBe(200)
})

test('addresses that nobody can read, forms, and pictures to be resized are refused in our own form', async ({
  request,
}) => {
  for (const [path, status] of [
    ['/api/shapes/%E0%A4%A', 400],
    ['/%E0%A4%A', 400],
    ['/_image?href=/a.png&w=9000', 404],
    ['/api/nothing', 404],
    // What tests it is no part of it.
    ['/api/work.test', 404],
    ['/api/ask.testkit', 404],
  ] as const) {
    const answer = await request.get(path)
    expect([path, answer.status()]).toEqual([path, status])
    expect(await answer.json()).toMatchObject({ field: 'address', at: 0 })
  }
  const form = await request.post('/api/shapes', {
    form: { name: 'x' },
    headers: { origin: 'http://elsewhere.example' },
  })
  expect(form.status()).toBe(415)
  expect(await form.json()).toMatchObject({ field: 'content-type' })
})

test('every answer says what it may do: pages, scripts, endpoints, refusals', async ({ request }) => {
  const page = await (await request.get('/')).text()
  const script = /\/_astro\/[^"']*\.js/.exec(page)?.[0] ?? ''
  for (const path of ['/', script, '/api/settings', '/api/nothing', '/healthz', '/map']) {
    const headers = (await request.get(path)).headers()
    expect([path, headers['content-security-policy']?.includes("frame-ancestors 'none'")]).toEqual([path, true])
    expect(headers).toMatchObject({
      'cross-origin-resource-policy': 'same-origin',
      'cross-origin-opener-policy': 'same-origin',
      'x-content-type-options': 'nosniff',
    })
    expect(headers['permissions-policy']).toContain('microphone=(self)')
  }
})
