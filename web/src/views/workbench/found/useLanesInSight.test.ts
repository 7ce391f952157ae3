import fc from 'fast-check'
import { expect, test } from 'vitest'
import { sightOf } from './useLanesInSight.ts'

const even = () => 24

test.each([
  ['what is in sight stays where it is', 2, 10, 10],
  ['a lane above comes to the top', 0, 40, 0],
  ['a lane below comes to the foot', 9, 0, 10 * 24 - 110],
  ['a lane that is cut at the foot comes whole', 4, 0, 5 * 24 - 110],
])('%s', (_, lane, offset, expected) => expect(sightOf(lane, even, offset, 110)).toBe(expected))

test('whatever the heights and the lane, it is wholly in sight, and nothing moves that need not', () => {
  const heights = fc.array(fc.integer({ min: 20, max: 45 }), { minLength: 1, maxLength: 60 })
  fc.assert(
    fc.property(heights, fc.nat(), fc.integer({ min: 0, max: 2000 }), (all, one, offset) => {
      const lane = one % all.length
      const sight = sightOf(lane, (index) => all[index] as number, offset, 110)
      const top = all.slice(0, lane).reduce((sum, height) => sum + height, 0)
      expect(sight).toBeLessThanOrEqual(top)
      expect(sight + 110).toBeGreaterThanOrEqual(top + (all[lane] as number))
      if (top >= offset && top + (all[lane] as number) <= offset + 110) expect(sight).toBe(offset)
    }),
  )
})
