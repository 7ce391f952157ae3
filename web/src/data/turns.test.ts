/** Large changes one after another, small ones when none goes on. */
import { expect, test } from 'vitest'
import { afterOthers, inTurn } from './turns.ts'

test('one after another, a failed one holds up nobody, and a small one waits for all of them', async () => {
  const order: string[] = []
  const ends: (() => void)[] = []
  const change = (name: string, fails = false) =>
    inTurn(async () => {
      order.push(`${name} begins`)
      await new Promise<void>((resolve) => ends.push(resolve))
      if (fails) throw new Error(name)
      order.push(`${name} ends`)
      return name
    })
  const tick = () => new Promise((resolve) => setTimeout(resolve))
  await afterOthers()
  const first = change('first', true)
  const second = change('second')
  const small = afterOthers().then(() => order.push('small'))
  await tick()
  expect(order).toEqual(['first begins'])
  ends[0]?.()
  await expect(first).rejects.toThrow('first')
  await tick()
  expect(order).toEqual(['first begins', 'second begins'])
  ends[1]?.()
  expect(await second).toBe('second')
  await small
  expect(order).toEqual(['first begins', 'second begins', 'second ends', 'small'])
})
