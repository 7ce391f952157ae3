import { expect, test } from 'vitest'
import { linesGoingOn } from './index.ts'

const KINDS = [
  ['drop 2', 'drop 3', 'close'],
  ['432', '321', '543'],
]
const any = () => true

test.each([
  ['C d', ['C drop 2', 'C drop 3']],
  ['C drop ', ['C drop 2', 'C drop 3']],
  ['C drop 3', ['C drop 321']],
  ['C drop2', ['C drop 2']],
  ['C ', ['C drop 2', 'C drop 3', 'C 432', 'C 321']],
  // What has been said is not said again.
  ['C close ', ['C close 432', 'C close 321']],
  ['C CL', ['C close']],
  ['C x', []],
])('%j goes on with %j', (text, lines) => expect(linesGoingOn(text, KINDS, any)).toEqual(lines))

test('only what can be read is offered, and so many at most', () => {
  expect(linesGoingOn('C ', KINDS, (line) => !line.includes('drop'))).toEqual(['C close', 'C 432', 'C 321'])
  expect(linesGoingOn('C ', KINDS, any, 3)).toEqual(['C drop 2', 'C drop 3', 'C 432'])
  expect(linesGoingOn('C d', KINDS, any, 1)).toEqual(['C drop 2'])
})
