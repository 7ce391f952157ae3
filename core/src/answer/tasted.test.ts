/** What a player takes first: everyday grips by manner and ensemble, laws of the weights, and parts that add up. */
import { describe, expect, test } from 'vitest'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { type Question, readQuestion } from '../request/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must, type Result } from '../result/index.ts'
import type { Ensemble, Manner } from '../taste/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { tastedShapes } from './index.ts'

const question = (chord: string, more: Record<string, string> = {}) =>
  must(readQuestion({ chord, ...more }, PLAYER) as Result<Question, never>)
const taken = (chord: string, manner: Manner, ensemble: Ensemble = 'alone', more: Record<string, string> = {}) => {
  const { shapes, reader } = tastedShapes(question(chord, more), PLAYER, { manner, ensemble }, {})
  return shapes.map((shape) => ({ ...shape, taste: reader.tasteOf(shape.frets, shape.hold) }))
}
const words = (...asked: Parameters<typeof taken>) => taken(...asked).map(({ frets }) => writeFrets(frets))

describe('the first grip', () => {
  // What teachers put under the hand: worked out by players, not by this code.
  test.each([
    ['C', ['x32010', '332010']],
    ['G', ['320003', '320033']],
    ['D', ['xx0232']],
    ['Am', ['x02210']],
    ['Em', ['022000']],
    ['E7', ['020100', '022130']],
    ['D/F#', ['2x0232', '200232']],
  ])('%s, strummed with open strings', (chord, grips) =>
    expect(grips).toContain(words(chord, 'open', 'alone', { open: 'allow' })[0]),
  )
  test.each([
    ['A', '577655'],
    ['F', '133211'],
    ['Bb', 'x13331'],
    ['B', 'x24442'],
    ['Gm', '355333'],
  ])('%s as a barre chord', (chord, grip) => expect(words(chord, 'barre')[0]).toBe(grip))
  test.each([
    ['Gmaj7', ['3x443x', 'x-10-12-11-12-x']],
    ['Cmaj7', ['x3545x', '8x998x']],
    ['Gm7', ['3x333x', 'x-10-12-10-11-x']],
    ['Cm7b5', ['x3434x', '8x887x']],
    ['C9', ['x3233x', '8x798x']],
  ])('%s, comping', (chord, grips) => expect(grips).toContain(words(chord, 'comp')[0]))
  test('beside a bass player the root may go, alone it stays', () => {
    const rootOf = (ensemble: Ensemble) => {
      const first = taken('D9', 'comp', ensemble).slice(0, 10)
      return first.some(({ taste }) => taste.parts.some(({ term }) => term === 'noRoot'))
    }
    expect(rootOf('alone')).toBe(false)
    expect(rootOf('bass-player')).toBe(true)
  })
})

test('the parts of every score add up to it, and the list rises', () => {
  const shapes = taken('G13', 'comp')
  expect(shapes.length).toBeGreaterThan(50)
  for (const [index, { taste, total }] of shapes.entries()) {
    expect(taste.parts.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(taste.total, 9)
    expect(total).toBeCloseTo(taste.total, 9)
    if (index > 0) expect(taste.total).toBeGreaterThanOrEqual(shapes[index - 1]?.taste.total ?? 0)
  }
})

test('a bass written after a slash is obeyed by every shape', () => {
  const shapes = taken('C/E', 'open', 'alone', { open: 'allow' })
  expect(shapes.length).toBeGreaterThan(5)
  const { open } = neckOf(STANDARD_INSTRUMENT)
  const lowest = (frets: (typeof shapes)[0]['frets']) =>
    Math.min(...frets.flatMap((fret, string) => (fret === null ? [] : [(open[string] ?? 0) + fret])))
  for (const { frets } of shapes) expect(lowest(frets) % 12).toBe(4)
})
