import { expect, test } from 'vitest'
import { sizeWords } from './sizes.ts'

test.each([
  [0, '0 KB'],
  [1, '1 KB'],
  [1536, '2 KB'],
  [1024 * 1023, '1023 KB'],
  [1024 * 1024, '1.0 MB'],
  [3_565_158, '3.4 MB'],
] as const)('%i bytes are %s', (bytes, words) => expect(sizeWords(bytes)).toBe(words))
