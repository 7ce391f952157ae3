import { afterEach, expect, test, vi } from 'vitest'

afterEach(() => vi.unstubAllGlobals())

const from = (build?: string) =>
  new Response('{}', build === undefined ? {} : { headers: { 'x-nestling-build': build } })

test('another build than the first one that answered is told, once and for all; an answer without one says nothing', async () => {
  vi.resetModules()
  const { $isRenewed, heardFrom } = await import('./served.ts')
  for (const build of [undefined, 'a', 'a', undefined]) heardFrom(from(build))
  expect($isRenewed.get()).toBe(false)
  heardFrom(from('b'))
  heardFrom(from('a'))
  expect($isRenewed.get()).toBe(true)
})

test('a file is missing because nobody answers, or because the server has others', async () => {
  const { whyMissing } = await import('./served.ts')
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')))
  expect(await whyMissing()).toBe('away')
  vi.stubGlobal('fetch', async () => new Response('', { status: 502 }))
  expect(await whyMissing()).toBe('away')
  vi.stubGlobal('fetch', async () => from('a'))
  expect(await whyMissing()).toBe('renewed')
})
