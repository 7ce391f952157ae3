import { expect, test } from 'vitest'
import { fail, must, ok, piece, requireAt } from './index.ts'

test('a value or a reason, and what can’t have failed unwrapped', () => {
  expect([ok(3), fail('no')]).toEqual([
    { ok: true, value: 3 },
    { ok: false, error: 'no' },
  ])
  expect(must(ok(3))).toBe(3)
  expect(() => must(fail({ code: 'not_a_fret', text: '99' }))).toThrow(/^not_a_fret: 99$/)
  expect(() => must(fail({ code: 'empty' }))).toThrow(/^empty: $/)
})

test('a piece is whole characters, and shortened', () => {
  expect(piece('short')).toBe('short')
  expect(piece('a line that is longer than that')).toBe('a line that ')
  expect(piece('𝄫𝄫𝄫', 2)).toBe('𝄫𝄫')
})

test('what has to be there is, or a fault of ours is told', () => {
  expect(requireAt(['a', 'b'], 1)).toBe('b')
  expect(requireAt([0], 0)).toBe(0)
  expect(() => requireAt(['a'], 1)).toThrow()
  expect(() => requireAt([null], 0)).toThrow()
  expect(() => requireAt([undefined], 0)).toThrow()
})
