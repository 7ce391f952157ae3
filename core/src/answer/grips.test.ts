import { expect, test } from 'vitest'
import { MEDIUM_HAND } from '../hand/index.ts'
import { readKey } from '../key/index.ts'
import { keyOnNeck, type LaneAsk } from '../lane/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import type { Playing } from '../request/index.ts'
import { must } from '../result/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { keyPlayed } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const asked = (key: string, depth: 'triads' | 'sevenths', ...asks: readonly LaneAsk[]) =>
  ({ key: must(readKey(key)), depth, school: 'honest', asks, fifthInBass: false }) as const
const shapes = (question: ReturnType<typeof asked>, playing: Playing | undefined) =>
  keyPlayed(question, playing, neck, MEDIUM_HAND).lanes.map(({ steps }) =>
    steps.map(({ shape }) => (shape ? writeFrets(shape.frets) : '–')),
  )
const on = (string: number): LaneAsk => ({ kind: 'root', string })

test('the triads of a key as barre chords, on each root string', () =>
  expect(shapes(asked('G', 'triads', on(0), on(1)), { manner: 'barre', ensemble: 'alone' })).toEqual([
    ['355433', '577555', '799777', '8-10-10-9-8-8', '10-12-12-11-10-10', '12-14-14-12-12-12', expect.any(String)],
    // It climbs from the lowest G of that string.
    [
      'x-10-12-12-12-10',
      'x-12-14-14-13-12',
      'x-14-16-16-15-14',
      'x-15-17-17-17-15',
      ...Array(3).fill(expect.any(String)),
    ],
  ]))

test('open chords begin on open strings', () => {
  const [low, high] = shapes(asked('E', 'triads', on(0), on(1)), { manner: 'open', ensemble: 'alone' })
  expect(low?.[0]).toBe('022100')
  expect(shapes(asked('A', 'triads', on(1)), { manner: 'open', ensemble: 'alone' })[0]?.[0]).toBe('x02220')
  // In another manner the same lane begins where a finger stops its root.
  expect(shapes(asked('E', 'triads', on(0)), { manner: 'barre', ensemble: 'alone' })[0]?.[0]).not.toBe('022100')
  expect(high?.[0]).toMatch(/^x7/)
})

test('sevenths comped, the manner with or without a bass player keeping the root where the lane has it', () => {
  for (const ensemble of ['alone', 'bass-player'] as const)
    expect(shapes(asked('F', 'sevenths', on(0)), { manner: 'comp', ensemble })[0]?.slice(0, 5)).toEqual([
      '1x221x',
      '3x333x',
      '5x555x',
      '6x776x',
      '8x898x',
    ])
})

test('what is said of the key in hand is said of its lanes as they are drawn', () => {
  const question = asked('G', 'triads', on(0))
  const { lanes, fits } = keyPlayed(question, { manner: 'barre', ensemble: 'alone' }, neck, MEDIUM_HAND)
  expect(fits.find(({ key }) => key.tonic === 'G')?.fit?.highest).toBe(lanes[0]?.highest)
})

test('a lane in an order keeps its order in every manner', () => {
  const order = asked('F', 'sevenths', { kind: 'order', strings: [1, 2, 3, 4], order: [1, 5, 7, 3] })
  expect(keyPlayed(order, { manner: 'barre', ensemble: 'alone' }, neck, MEDIUM_HAND)).toEqual(
    keyOnNeck(order, neck, MEDIUM_HAND),
  )
})
