import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { PATH_WEIGHTS } from '../tune/index.ts'
import { findPath, PATH_WISHES, type PathQuestion, pathSolver } from './index.ts'

const asked = (symbols: readonly string[], loop = false): PathQuestion => ({
  chords: symbols.map((symbol) => must(readSymbol(symbol))),
  neck: neckOf(STANDARD_INSTRUMENT),
  hand: MEDIUM_HAND,
  thumb: false,
  wishes: { ...PATH_WISHES, manner: 'comp', strings: [[1, 2, 3, 4]] },
  weights: PATH_WEIGHTS,
  loop,
  held: [],
  best: 2,
})

test('what the clock cuts is the least path through the first chords; the last one is never in vain', () =>
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('Dm7', 'G7', 'Cmaj7', 'Am7', 'Em7b5', 'A7b9'), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 1, max: 9 }),
      fc.boolean(),
      (symbols, chords, loop) => {
        let looks = 0
        const solver = pathSolver(asked(symbols, loop), undefined, () => ++looks === chords)
        const found = solver.best()
        const isCut = chords < symbols.length
        expect(found.shapes.length).toBe(Math.min(chords, symbols.length))
        expect(solver.cut).toBe(isCut ? 'time' : undefined)
        expect(found).toEqual(findPath(asked(symbols.slice(0, chords), loop && !isCut)))
      },
    ),
    { numRuns: 20 },
  ))
