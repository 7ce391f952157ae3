import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { withinBudget } from './budget.ts'
import { findPath, PATH_WEIGHTS, PATH_WISHES, type PathQuestion, pathSolver } from './index.ts'

const asked = (symbols: readonly string[], loop = false): PathQuestion => ({
  chords: symbols.map((symbol) => must(readSymbol(symbol))),
  neck: neckOf(STANDARD_INSTRUMENT),
  hand: MEDIUM_HAND,
  thumb: false,
  wishes: { ...PATH_WISHES, strings: [[1, 2, 3, 4]] },
  weights: PATH_WEIGHTS,
  loop,
  held: [],
  best: 2,
})
const SYMBOLS = ['Dm7', 'G7', 'Cmaj7', 'Am7', 'Fmaj7', 'Em7b5', 'A7b9']

test('what is cut is the least path through the first chords, whatever the budget', () =>
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(...SYMBOLS), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 0, max: 9000 }),
      fc.boolean(),
      (symbols, steps, loop) => {
        const solver = pathSolver(asked(symbols, loop), undefined, { steps })
        const found = solver.best()
        const count = found.shapes.length
        expect(count).toBeGreaterThan(0)
        expect(count === symbols.length).toBe(solver.cut === undefined)
        expect(found).toEqual(findPath(asked(symbols.slice(0, count), loop && solver.cut === undefined)))
      },
    ),
    { numRuns: 30 },
  ))

describe('what is within', () => {
  const shapes = (count: number) => ({ shapes: Array.from({ length: count }), searched: count }) as never
  const two = [shapes(10), shapes(20)]
  const within = (count: number, steps: number, isOver?: () => boolean) => {
    const { candidates, cut } = withinBudget(count, (index) => two[index % 2] as never, { steps, isOver })
    return [candidates.length, cut]
  }
  test.each([
    // 200 steps weighed count 700; after both ways are weighed, a step more is 200.
    [699, 1, 'steps'],
    [700, 2, 'steps'],
    [1399, 2, 'steps'],
    [1400, 3, 'steps'],
    [1600, 4, 'steps'],
    [1800, 5, undefined],
  ])('%d steps are enough for %d of five chords', (steps, chords, cut) =>
    expect(within(5, steps)).toEqual([chords, cut]),
  )
  test('the clock ends it after a chord, the last one is never in vain', () => {
    let looks = 0
    expect(within(5, Number.POSITIVE_INFINITY, () => ++looks === 3)).toEqual([3, 'time'])
    expect(within(1, 0, () => true)).toEqual([1, undefined])
  })
})
