/** A worker that fails or hangs is begun once more, and what fails again is told. */
import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { MessageChannel, type MessagePort } from 'node:worker_threads'
import { expose } from 'comlink'
// @ts-expect-error: it brings types for another ending of its name
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { afterEach, expect, test } from 'vitest'
import { startOnce } from './startOnce.ts'

interface Api {
  readonly double: (value: number) => number
}

/** A worker over a channel, as the page sees one. */
class Given {
  static readonly all: Given[] = []
  readonly heard = new Map<string, (event: object) => void>()
  readonly port: MessagePort
  readonly far: MessagePort
  isEnded = false
  private readonly endpoint
  constructor(api: object | undefined) {
    const { port1, port2 } = new MessageChannel()
    this.port = port1
    this.far = port2
    this.endpoint = nodeEndpoint(port1)
    if (api) expose(api, nodeEndpoint(port2))
    port1.start()
    port2.start()
    Given.all.push(this)
  }
  postMessage(message: unknown) {
    this.endpoint.postMessage(message)
  }
  addEventListener(kind: string, listener: (event: object) => void) {
    if (kind === 'message') this.endpoint.addEventListener('message', listener as never)
    else this.heard.set(kind, listener)
  }
  removeEventListener(_kind: string, listener: (event: object) => void) {
    this.endpoint.removeEventListener('message', listener as never)
  }
  start() {
    this.port.start()
  }
  terminate() {
    this.isEnded = true
    this.port.close()
    this.far.close()
  }
}
afterEach(() => {
  for (const one of Given.all.splice(0)) one.terminate()
})

const double = { double: (value: number) => 2 * value }
const started = (...apis: readonly (object | undefined)[]) => {
  let next = 0
  return startOnce<Api>(() => new Given(apis[Math.min(next++, apis.length - 1)]) as unknown as Worker, {
    mostMs: 60,
    newestOf: ['double'],
    busyMs: 20,
  })
}

test('it begins at the first question, and answers all of them', async () => {
  const client = started(double)
  expect(Given.all).toHaveLength(0)
  expect(await client().double(21)).toBe(42)
  expect(await Promise.all([1, 2, 3].map((one) => client().double(one)))).toEqual([2, 4, 6])
  expect(Given.all).toHaveLength(1)
})

test('one that hangs is ended, and the question is answered by the next', async () => {
  const client = started(undefined, double)
  expect(await client().double(4)).toBe(8)
  expect(Given.all.map(({ isEnded }) => isEnded)).toEqual([true, false])
})

test('one that fails is begun once more; what fails again is told, and the next question begins another', async () => {
  const client = started(undefined, undefined, double)
  const answer = client().double(5)
  const fails = (index: number) => Given.all[index]?.heard.get('error')?.({ message: 'out of memory' })
  await new Promise((resolve) => setTimeout(resolve))
  fails(0)
  await new Promise((resolve) => setTimeout(resolve, 5))
  fails(1)
  await expect(answer).rejects.toThrow('out of memory')
  expect(await client().double(6)).toBe(12)
  expect(Given.all).toHaveLength(3)
})

test('one that fails between two questions is begun anew at the next', async () => {
  const client = started(double)
  expect(await client().double(1)).toBe(2)
  Given.all[0]?.heard.get('error')?.({ message: 'out of memory' })
  expect(await client().double(2)).toBe(4)
  expect(Given.all.map(({ isEnded }) => isEnded)).toEqual([true, false])
})

test('an answer that nobody holds any more is not kept', async () => {
  setFlagsFromString('--expose-gc')
  const collect = runInNewContext('gc') as () => void
  const shapes = startOnce<{ readonly found: (chord: string) => object }>(
    () => new Given({ found: (chord: string) => ({ chord }) }) as unknown as Worker,
  )
  const answers: WeakRef<object>[] = []
  for (const chord of ['C', 'Am7', 'G13']) answers.push(new WeakRef(await shapes().found(chord)))
  // A weak reference holds until its own turn is over.
  await new Promise((resolve) => setTimeout(resolve))
  collect()
  expect(answers.map((answer) => answer.deref())).toEqual([undefined, undefined, undefined])
})

test('a question that itself fails is told at once and costs no worker', async () => {
  const client = started({
    double: () => {
      throw new Error('no such chord')
    },
  })
  await expect(client().double(1)).rejects.toThrow('no such chord')
  expect(Given.all.map(({ isEnded }) => isEnded)).toEqual([false])
})

test('a newer question ends a worker that has been at an older one for long, not one that has just begun', async () => {
  const client = started(undefined, double)
  const older = client().double(1)
  const told = expect(older).rejects.toThrow('a newer question has come')
  const soon = client().double(2)
  const alsoTold = expect(soon).rejects.toThrow('a newer question has come')
  expect(Given.all).toHaveLength(1)
  await new Promise((resolve) => setTimeout(resolve, 30))
  expect(await client().double(3)).toBe(6)
  await told
  await alsoTold
  expect(Given.all.map(({ isEnded }) => isEnded)).toEqual([true, false])
})
