import { expect, test } from 'vitest'
import { differenceWords } from './differences.ts'

test('what differs is told field by field, long texts cut', () => {
  const mine = { name: 'bridge', note: '', tags: ['trio', 'slow'], blocks: [{ id: 'a' }], scaleLengthMm: 648 }
  const theirs = {
    name: 'coda',
    note: 'x'.repeat(60),
    tags: [],
    blocks: [{ id: 'a' }, { id: 'b' }],
    scaleLengthMm: 640,
  }
  expect(differenceWords(['name', 'note', 'tags', 'blocks', 'scaleLengthMm'], mine, theirs)).toBe(
    `name: bridge here, coda there; note: nothing here, ${'x'.repeat(40)} … there; tags: trio, slow here, nothing there; what is on it: 1 block here, 2 blocks there; scale length: 648 here, 640 there`,
  )
})
