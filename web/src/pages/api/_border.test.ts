/** Who may ask at all: hosts, origins, sizes, kinds of bodies. */
import { readdirSync } from 'node:fs'
import { basename, join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { refusalOf } from './_border.ts'

describe('at the border', () => {
  const request = (method: string, headers: Record<string, string>) =>
    new Request('http://127.0.0.1:4321/api/shapes', { method, headers })
  const json = { host: '127.0.0.1:4321', 'content-type': 'application/json' }
  const status = (method: string, headers: Record<string, string>, host?: string) =>
    refusalOf(request(method, headers), host === undefined ? {} : { HOST: host })?.status

  test.each([
    ['POST', { ...json, origin: 'http://elsewhere.example' }, 403],
    ['POST', { ...json, origin: 'http://127.0.0.1:9999' }, 403],
    ['POST', { ...json, origin: 'http://127.0.0.1:4321' }, undefined],
    ['POST', json, undefined],
    ['POST', { ...json, 'content-type': 'Application/JSON; charset=utf-8' }, undefined],
    ['POST', { ...json, 'content-type': 'text/plain' }, 415],
    ['POST', { ...json, 'content-length': '70000' }, 413],
    ['DELETE', { ...json, 'transfer-encoding': 'chunked' }, 411],
    ['GET', { host: 'elsewhere.example' }, 403],
    ['GET', { host: 'localhost:4321', origin: 'http://elsewhere.example' }, undefined],
    ['GET', { host: '127.0.0.2:4321' }, undefined],
    ['GET', { host: '[::1]:4321' }, undefined],
    ['GET', { host: '127.0.0.1.elsewhere.example' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'same-origin' }, undefined],
    ['GET', { ...json, 'sec-fetch-site': 'none' }, undefined],
    ['GET', { ...json, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'cors' }, 403],
    ['GET', { ...json, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, 403],
  ])('%s with %o: %s', (method, headers, expected) => expect(status(method, headers)).toBe(expected))

  test.each(['PUT', 'PATCH', 'DELETE', 'POST'])('a page answers no %s', (method) => {
    const asked = new Request('http://127.0.0.1:4321/book', { method, headers: json })
    expect(refusalOf(asked, {})).toMatchObject({ status: 405, allow: 'GET, HEAD', field: 'method' })
    expect(refusalOf(new Request('http://127.0.0.1:4321/book', { method: 'HEAD', headers: json }), {})).toBeUndefined()
  })

  test('an empty HOST is the loopback, not every address', () => {
    expect(status('GET', { host: 'elsewhere.example' }, '')).toBe(403)
    expect(status('GET', { host: 'elsewhere.example' }, '0.0.0.0')).toBeUndefined()
  })

  test.each(['127.0.0.2', '::1', 'localhost'])(
    'HOST %s is this machine: a foreign name is still turned away',
    (host) => {
      expect(status('GET', { host: 'elsewhere.example' }, host)).toBe(403)
      expect(status('GET', { host: 'localhost:4321' }, host)).toBeUndefined()
    },
  )

  test('a link from elsewhere may lead to a page, not to what the server must work for', () => {
    const linked = (path: string, method = 'GET') =>
      refusalOf(
        new Request(`http://127.0.0.1:4321${path}`, {
          method,
          headers: { host: '127.0.0.1:4321', 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' },
        }),
        {},
      )?.status
    expect([linked('/map?chord=C'), linked('/api'), linked('/api/lane?tonic=C'), linked('/', 'POST')]).toEqual([
      undefined,
      undefined,
      403,
      403,
    ])
  })
})

test('every file among the pages whose name has no underscore is an address: none of them is a test', () => {
  const files = readdirSync(join(import.meta.dirname, '..'), { recursive: true, encoding: 'utf8' })
  const addresses = files.filter((file) => file.endsWith('.ts') && !basename(file).startsWith('_'))
  expect(addresses).toContain(join('api', 'tray.ts'))
  expect(addresses.filter((file) => /\.test(kit)?\./.test(file))).toEqual([])
})
