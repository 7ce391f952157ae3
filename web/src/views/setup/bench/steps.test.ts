import { expect, test, vi } from 'vitest'
import { createSteps } from './steps.ts'

function bench() {
  const steps = createSteps()
  let value = 0
  const set = (to: number) => {
    const from = value
    value = to
    steps.did({
      back: async () => {
        value = from
      },
      again: async () => {
        value = to
      },
    })
  }
  return { steps, set, value: () => value }
}

test('steps go back and on again in their order; a new one ends what could be redone', async () => {
  const { steps, set, value } = bench()
  set(1)
  set(2)
  await steps.undo()
  expect(value()).toBe(1)
  await steps.undo()
  await steps.undo()
  expect([value(), steps.$past.get().canUndo]).toEqual([0, false])
  await steps.redo()
  expect(value()).toBe(1)
  set(5)
  expect(steps.$past.get()).toEqual({ canUndo: true, canRedo: false })
  await steps.undo()
  expect(value()).toBe(1)
})

test('what is undone quickly waits for what is on its way, and takes back that; also when another change failed', async () => {
  const steps = createSteps()
  const order: string[] = []
  const late = (name: string) => async () => {
    await new Promise((resolve) => setTimeout(resolve, 5))
    order.push(name)
  }
  void steps.inTurn(() => Promise.reject(new Error('refused'))).catch(() => undefined)
  for (const name of ['first', 'second'])
    void steps.inTurn(async () => {
      await late(`${name} kept`)()
      steps.did({ back: late(`${name} back`), again: late(`${name} again`) })
    })
  void steps.undo()
  await steps.redo()
  await steps.undo()
  expect(order).toEqual(['first kept', 'second kept', 'second back', 'second again', 'second back'])
})

test('as the page is left, what other pages can take back goes over to them, and is no longer taken back here', async () => {
  const { undoLast } = await import('../../../state/undoOrder.ts')
  const asked: string[] = []
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    asked.push(`${init.method} ${path}`)
    return new Response('{"instruments":[],"tunings":[]}', { status: 200 })
  })
  const back = vi.fn(async () => undefined)
  const steps = createSteps()
  steps.did({ back, again: back })
  steps.did({
    back,
    again: back,
    later: { words: 'Deleted: Archtop', undo: { method: 'POST', path: '/api/instruments', body: { name: 'Archtop' } } },
  })
  steps.leave()
  await steps.undo()
  await steps.undo()
  expect(back).toHaveBeenCalledOnce()
  await undoLast(undefined)
  expect(asked).toContain('POST /api/instruments')
  vi.unstubAllGlobals()
})
