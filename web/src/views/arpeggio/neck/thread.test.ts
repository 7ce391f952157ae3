import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { drawStep, threadOf } from './thread.ts'

const strings = (...on: number[]) => on.map((string) => ({ string }))

describe('the thread', () => {
  test('up and back the same way: each step once, one turn at the top', () => {
    const thread = threadOf([0, 1, 2, 1, 0], strings(0, 0, 1))
    expect(thread.steps).toEqual([
      { from: 0, to: 1, sameString: true },
      { from: 1, to: 2, sameString: false },
    ])
    expect(thread).toMatchObject({ start: 0, turns: [2], backTheSameWay: true })
  })

  test('up, below and back turns twice, and is not the same way', () => {
    const thread = threadOf([1, 2, 3, 2, 1, 0, 1], strings(0, 1, 2, 3))
    expect(thread).toMatchObject({ start: 1, turns: [3, 0], backTheSameWay: false })
  })

  test('broken pairs leap: no turns are told, but every leap is drawn', () => {
    const thread = threadOf([0, 2, 1, 3, 2, 3], strings(0, 0, 1, 1))
    expect(thread.turns).toEqual([])
    expect(thread.steps.map(({ from, to }) => `${from}${to}`)).toEqual(['02', '21', '13', '32'])
  })

  test('nothing to play has no start', () => {
    expect(threadOf([], strings(0))).toEqual({ steps: [], start: undefined, turns: [], backTheSameWay: false })
  })

  test('any order: every pair of neighbours in time is joined exactly once', () => {
    const order = fc.array(fc.integer({ min: 0, max: 7 }), { maxLength: 30 })
    fc.assert(
      fc.property(order, (played) => {
        const pairs = new Set(
          played.slice(1).flatMap((to, place) => {
            const from = played[place] as number
            return from === to ? [] : [[from, to].toSorted().join()]
          }),
        )
        const drawn = threadOf(played, strings(0, 0, 1, 1, 2, 2, 3, 3)).steps.map(({ from, to }) =>
          [from, to].toSorted().join(),
        )
        expect(drawn.toSorted()).toEqual([...pairs].toSorted())
      }),
    )
  })
})

describe('a step as it is drawn', () => {
  test('on one string it goes over the string, with its arrow the way it is played', () => {
    const up = drawStep({ x: 100, y: 50 }, { x: 200, y: 50 }, true)
    expect(up?.arrow).toEqual({ x: 150, y: 35, degrees: 0 })
    expect(drawStep({ x: 200, y: 50 }, { x: 100, y: 50 }, true)?.arrow?.degrees).toBe(180)
  })
  test('across strings it is straight and ends at the rims of the eggs', () => {
    const drawn = drawStep({ x: 100, y: 50 }, { x: 100, y: 112 }, false)
    expect(drawn?.path).toBe('M100 65L100 97')
    expect(drawn?.arrow).toEqual({ x: 100, y: 81, degrees: 90 })
  })
  test('between eggs that nearly touch there is no room for an arrow, between touching ones none for a line', () => {
    expect(drawStep({ x: 100, y: 50 }, { x: 100, y: 90 }, false)).toMatchObject({ arrow: undefined })
    expect(drawStep({ x: 100, y: 50 }, { x: 100, y: 81 }, false)).toBeUndefined()
    expect(drawStep({ x: 100, y: 50 }, { x: 100, y: 50 }, false)).toBeUndefined()
  })
})
