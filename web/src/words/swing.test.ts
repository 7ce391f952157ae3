import { expect, test } from 'vitest'
import { swingMark } from './swing.ts'

test.each([
  [0, 'eighths', 4, ''],
  [100, 'eighths', 4, 'swung as triplets'],
  [40, 'eighths', 4, 'swung by 40 %'],
  [75, 'sixteenths', 4, 'swung in sixteenths'],
  [100, 'eighths', 8, ''],
] as const)('%d of %s where the beat is a 1/%d stands as “%s”', (swing, swung, unit, words) =>
  expect(swingMark({ swing, swung }, { unit })).toBe(words),
)
