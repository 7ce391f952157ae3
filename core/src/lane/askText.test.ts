import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type Depth, readKey, writeKey } from '../key/index.ts'
import { must } from '../result/index.ts'
import {
  asksAtDepth,
  type KeyLine,
  type LaneAsk,
  readAsk,
  readKeyLine,
  type ToneNumber,
  writeAsk,
  writeKeyLine,
} from './index.ts'

const line = (text: string, strings = 6) => {
  const { key, depth, school, asks } = must(readKeyLine(text, strings))
  const told = asks?.map((ask) =>
    Object.entries(writeAsk(ask, strings))
      .map(([name, value]) => `${name}=${value}`)
      .join(' '),
  )
  return [key && writeKey(key, { ascii: true }), depth, school, ...(told ?? [])].filter(Boolean).join(' | ')
}

test.each([
  ['Bb ninths 6 5', 'Bb major | ninths | root=6 | root=5'],
  ['D triads 321', 'D major | triads | strings=3,2,1 order=R-3-5'],
  ['F# dorian 5', 'F# Dorian | root=5'],
  ['C harmonic minor sevenths', 'C harmonic minor | sevenths'],
  ['ninths plain', 'ninths | plain'],
  ['Ab 6 5 in turns', 'Ab major | root=6,5'],
  ['C sevenths 6432 R735', 'C major | sevenths | strings=6,4,3,2 order=R-7-3-5'],
  ['C 5432', 'C major | strings=5,4,3,2 order=R-5-7-3'],
  ['C 5 4 3 2', 'C major | strings=5,4,3,2 order=R-5-7-3'],
  ['C triads 5432', 'C major | triads | strings=5,4,3,2 order=R-5-R-3'],
  ['E sevenths 643', 'E major | sevenths | strings=6,4,3 order=R-7-3'],
  ['Bb shells', 'Bb major | strings=6,4,3 order=R-7-3 | strings=5,4,3 order=R-3-7'],
  ['shells 643 or 532', 'strings=6,4,3 order=R-7-3 | strings=5,3,2 order=R-7-3'],
  ['C sevenths no 5 on 6 4 3', 'C major | sevenths | strings=6,4,3 order=R-7-3'],
  ['432', 'strings=4,3,2 order=R-3-5'],
  ['G ninths rootless 4321', 'G major | ninths | strings=4,3,2,1 order=3-7-9-5'],
  ['rootless', 'strings=4,3,2 order=3-5-7'],
  ['C drop3 6432', 'C major | strings=6,4,3,2 order=R-7-3-5'],
  ['C sevenths 6432 R 7 3 5', 'C major | sevenths | strings=6,4,3,2 order=R-7-3-5'],
  ['G triads 6 5 in turn', 'G major | triads | root=6,5'],
  ['C 65', 'C major | root=6 | root=5'],
  ['G triads R:5 5:4 3:2 ring 31', 'G major | triads | tones=R:5,5:4,3:2 ring=3,1'],
  ['G triads R:5 5:4 3:2 ring 3 1', 'G major | triads | tones=R:5,5:4,3:2 ring=3,1'],
  ['D triads 321 inversions', 'D major | triads | strings=3,2,1 order=R-3-5 forms=3'],
  ['6 5', 'root=6 | root=5'],
])('%s', (text, expected) => expect(line(text)).toBe(expected))

test.each([
  ['Bb nineths', { code: 'not_in_a_key_line', at: 3 }],
  ['Xb sevenths', { code: 'not_a_key', at: 0 }],
  ['C 7', { code: 'lane_string', at: 2, strings: 6 }],
  ['C 5432 R73', { code: 'lane_counts', at: 7, tones: 3, strings: 4 }],
  ['C R735', { code: 'lane_root_missing', at: 2 }],
  ['Bb later', { code: 'not_in_a_key_line', at: 3, text: 'later' }],
  ['C rootless 4321', { code: 'lane_order_missing', at: 11, strings: 4 }],
  ['D I IV V7x', { code: 'not_a_suffix', at: 8 }],
  ['G## major', { code: 'key_unspellable' }],
  ['C 543 3:2 R:9', { code: 'lane_string' }],
])('%s is refused where it is wrong', (text, error) => expect(readKeyLine(text, 6)).toMatchObject({ ok: false, error }))

test.each([
  ['D major 1 4 5', 'D G A'],
  ['D 2 5 1', 'E A D'],
  ['C 1 5 6 4', 'C G A F'],
  ['A minor i iv V', 'A D E'],
  ['I IV V7', 'Bb Eb F'],
])('%s is a progression, and names no strings', (text, roots) => {
  const before = { key: must(readKey('Bb')), depth: 'triads' } as const
  const { written, asks } = must(readKeyLine(text, 6, ['letters'], before))
  expect(written?.map(({ root }) => root).join(' ')).toBe(roots)
  expect(asks).toBeUndefined()
})

test.each([
  ['C nut', 0],
  ['C at the nut', 0],
  ['C sevenths 6 5 from 1', 1],
  ['C from fret 5', 5],
])('%s begins there', (text, from) => expect(must(readKeyLine(text, 6)).from).toBe(from))

test('a set without an order has its inversions to choose from; one that is named has none', () => {
  const orders = ({ others }: KeyLine) => others?.map((ask) => (ask.kind === 'order' ? ask.order.join('') : ''))
  expect(orders(must(readKeyLine('D triads 321', 6)))).toEqual(['351', '513'])
  expect(orders(must(readKeyLine('D sevenths 5432', 6)))).toEqual(['3715', '5137', '7351'])
  expect(orders(must(readKeyLine('D triads 321 R35', 6)))).toBeUndefined()
})

test('another depth takes a set’s usual order along, and leaves one of its own', () => {
  const at = (text: string, depth: Depth) => {
    const read = must(readKeyLine(text, 6))
    const [ask] = asksAtDepth(read.asks ?? [], read.depth ?? 'sevenths', depth)
    return ask?.kind === 'order' ? ask.order.join('') : ask?.kind
  }
  expect(at('D triads 321', 'sevenths')).toBe('137')
  expect(at('D triads 321 5R3', 'sevenths')).toBe('713')
  expect(at('D sevenths 643 R73', 'ninths')).toBe('379')
  expect(at('D sevenths 5432 R357', 'triads')).toBe('1357')
  expect(at('D sevenths 6', 'triads')).toBe('root')
})

test('what is written of a lane is read back', () => {
  const numbers = fc.shuffledSubarray<ToneNumber>([1, 3, 5, 7, 9, 11, 13], { minLength: 2, maxLength: 4 })
  const on = fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 4, maxLength: 6 })
  const ask = fc
    .tuple(numbers, on, fc.constantFrom('root', 'turns', 'order', 'tones'))
    .map(([order, strings, kind]): LaneAsk => {
      const used = strings.slice(0, order.length)
      switch (kind) {
        case 'root':
          return { kind, string: strings[0] as number }
        case 'turns':
          return { kind, strings: strings.slice(0, 2) }
        case 'order':
          return { kind, strings: used.toSorted((a, b) => a - b), order }
        default:
          return {
            kind: 'tones',
            tones: order.map((number, index) => ({ number, string: used[index] as number })),
            ring: strings.slice(order.length),
          }
      }
    })
  fc.assert(
    fc.property(ask, (one) => {
      expect(must(readAsk(writeAsk(one, 6), 6))).toEqual(one)
    }),
  )
})

test.each([
  'Bb ninths 6 5',
  'D triads 3 2 1 R 3 5',
  'D triads 5 4 3 2 from 3',
  'Bb shells nut',
  'F# Dorian sevenths plain 5',
  'G triads R:5 5:4 3:2 ring 3 1',
  'Ab sevenths 6 5 turns',
  'C sevenths 6432 R-7-3-5',
  'C triads 321 R-3-5 inversions',
])('%s is written as it was read', (text) => {
  const read = must(readKeyLine(text, 6))
  expect(readKeyLine(writeKeyLine(read, 6), 6)).toEqual({ ok: true, value: read })
})

test('in every naming system the line that is shown is read as the same key', () => {
  for (const naming of ['letters', 'german', 'syllables'] as const)
    for (const text of ['B sevenths 6 5', 'Bb ninths 5', 'F# Dorian 5', 'Eb sevenths 6', 'C harmonic minor 6']) {
      const said = must(readKeyLine(text, 6))
      expect(readKeyLine(writeKeyLine(said, 6, naming), 6, [naming])).toEqual({ ok: true, value: said })
    }
})
