import { expect, test } from 'vitest'
import { beatOf, isAccented, readMetre, writeMetre } from './index.ts'

test('the fifth triplet note comes a beat and a third after the first', () =>
  expect(beatOf(4, 'triplet')).toBeCloseTo(4 / 3))

test.each([
  ['beat', [0, 2, 4]],
  ['bar', [0]],
  ['root', [3]],
  ['none', []],
] as const)('accents by %s', (accent, expected) => {
  const rule = { accent, value: 'eighth', metre: { count: 3, unit: 4 } } as const
  expect([0, 1, 2, 3, 4, 5].filter((index) => isAccented(index, index === 3, rule))).toEqual(expected)
})

test.each(['2/4', '3/4', '4/4', '5/4', '6/8', '7/8', '12/8'])('%s is written as it was read', (text) => {
  const metre = readMetre(text)
  expect(metre.ok && writeMetre(metre.value)).toBe(text)
})

test.each(['4', '0/4', '4/5', '17/8', 'waltz', ''])('%s is no metre', (text) =>
  expect(readMetre(text)).toMatchObject({ ok: false, error: { code: 'not_a_metre', at: 0 } }),
)
