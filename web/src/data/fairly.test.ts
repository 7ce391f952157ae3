import { expect, test } from 'vitest'
import { fairly, TooMany } from './fairly.ts'

const never = () => new AbortController().signal
const later = () => new Promise<void>((resolve) => setImmediate(resolve))

/** Work that ends when it is told to, and notes when it began. */
function given(limits: Partial<Parameters<typeof fairly>[0]> = {}) {
  const begun: string[] = []
  const ends = new Map<string, () => void>()
  const { run } = fairly({ atOnce: 2, eachAtOnce: 2, eachWaiting: 100, ...limits })
  const ask = (client: string, name: string, signal = never()) =>
    run(
      client,
      () => {
        begun.push(name)
        return new Promise<string>((resolve) => ends.set(name, () => resolve(name)))
      },
      signal,
    )
  const end = async (name: string) => {
    ends.get(name)?.()
    await later()
  }
  return { begun, ask, end }
}

test('one that comes after ninety of another client is next', async () => {
  const { begun, ask, end } = given()
  for (let at = 0; at < 90; at++) void ask('many', `many ${at}`)
  void ask('one', 'one 0')
  void ask('one', 'one 1')
  await later()
  expect(begun).toEqual(['many 0', 'many 1'])
  await end('many 0')
  await end('many 1')
  await end('one 0')
  expect(begun.slice(2)).toEqual(['one 0', 'many 2', 'one 1'])
})

test('of one client so many go on at once; what is left is free for another', async () => {
  const { begun, ask, end } = given({ eachAtOnce: 1 })
  void ask('many', 'many 0')
  void ask('many', 'many 1')
  void ask('one', 'one 0')
  await later()
  expect(begun).toEqual(['many 0', 'one 0'])
  await end('one 0')
  expect(begun).toEqual(['many 0', 'one 0'])
  await end('many 0')
  expect(begun).toEqual(['many 0', 'one 0', 'many 1'])
})

test('who goes before its turn is left out; too many of one client are refused, not those of another', async () => {
  const { begun, ask, end } = given({ atOnce: 1, eachWaiting: 1 })
  const going = new AbortController()
  const answers = Promise.allSettled([ask('many', 'first'), ask('many', 'second', going.signal), ask('many', 'third')])
  void ask('one', 'other')
  await later()
  going.abort(new Error('gone'))
  await end('first')
  const [first, second, third] = await answers
  expect(first).toMatchObject({ value: 'first' })
  expect(second).toMatchObject({ reason: { message: 'gone' } })
  expect(third).toMatchObject({ reason: expect.any(TooMany) })
  expect(begun).toEqual(['first', 'other'])
})

test('work that fails gives its place to the next', async () => {
  const { run } = fairly({ atOnce: 1, eachAtOnce: 1, eachWaiting: 5 })
  const failed = run('a', () => Promise.reject(new Error('no')), never())
  const next = run('a', async () => 'next', never())
  await expect(failed).rejects.toThrow('no')
  expect(await next).toBe('next')
  const gone = AbortSignal.abort(new Error('before'))
  await expect(run('a', async () => 'never', gone)).rejects.toThrow('before')
})
