import fc from 'fast-check'
import { expect, test } from 'vitest'
import { nearestThatWay } from './useOneStop.ts'

const RIGHT = [1, 0] as const
const DOWN = [0, 1] as const

test('an arrow goes to what lies straight ahead before what lies nearer, but aside', () => {
  const at = { x: 0, y: 0 }
  expect(
    nearestThatWay(
      at,
      [
        { x: 60, y: 0 },
        { x: 20, y: 24 },
      ],
      RIGHT,
    ),
  ).toBe(0)
  expect(
    nearestThatWay(
      at,
      [
        { x: 400, y: 0 },
        { x: 20, y: 24 },
      ],
      RIGHT,
    ),
  ).toBe(1)
  expect(
    nearestThatWay(
      at,
      [
        { x: -60, y: 0 },
        { x: 2, y: 40 },
      ],
      RIGHT,
    ),
  ).toBe(-1)
  expect(
    nearestThatWay(
      at,
      [
        { x: -60, y: 24 },
        { x: 2, y: 40 },
      ],
      DOWN,
    ),
  ).toBe(1)
})

test('it never stays, and never goes back', () => {
  const place = fc.record({ x: fc.integer({ min: 0, max: 1000 }), y: fc.integer({ min: 0, max: 300 }) })
  fc.assert(
    fc.property(fc.array(place, { minLength: 1 }), fc.constantFrom(RIGHT, DOWN), (places, way) => {
      const [at] = places
      if (!at) return
      const to = places[nearestThatWay(at, places, way)]
      if (to) expect((to.x - at.x) * way[0] + (to.y - at.y) * way[1]).toBeGreaterThan(0)
      else expect(places.every((one) => (one.x - at.x) * way[0] + (one.y - at.y) * way[1] < 3)).toBe(true)
    }),
  )
})
