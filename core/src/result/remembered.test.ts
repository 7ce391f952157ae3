import { expect, test, vi } from 'vitest'
import { remembered } from './index.ts'

test('each text is read once, also one that gives nothing, until there are too many', () => {
  const read = vi.fn((text: string) => (text === 'none' ? undefined : text.length))
  const once = remembered(read, 3)
  expect([once('a'), once('none'), once('a'), once('none')]).toEqual([1, undefined, 1, undefined])
  expect(read).toHaveBeenCalledTimes(2)
  once('bb')
  expect(once('ccc')).toBe(3)
  expect(once('a')).toBe(1)
  expect(read.mock.calls.map(([text]) => text)).toEqual(['a', 'none', 'bb', 'ccc', 'a'])
})
