import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CATALOGUE, plainestRoot, readSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { type Frets, readFrets } from '../voicing/index.ts'
import { checkClaim, namesOf } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)

/** The shape with every mend done, or `undefined` where a string has none. */
function mended(chord: Parameters<typeof checkClaim>[0], frets: Frets): Frets | undefined {
  const checked = checkClaim(chord, frets, neck)
  if (checked.verdict !== 'wrong') return frets
  const after: (number | null)[] = [...frets]
  for (const { string, mend } of checked.wrong) {
    if (mend === undefined) return undefined
    after[string] = mend.fret
  }
  return after
}

test('a mend that is proposed is right when it is done', () => {
  const shapes = fc.array(fc.option(fc.integer({ min: 0, max: 9 })), { minLength: 6, maxLength: 6 })
  let done = 0
  fc.assert(
    fc.property(
      shapes,
      fc.constantFrom(...CATALOGUE),
      fc.nat(11),
      fc.option(fc.constantFrom('C', 'E', 'Bb', 'F#')),
      (frets, { formula }, root, bass) => {
        fc.pre(frets.some((fret) => fret !== null))
        const chord = { root: plainestRoot(root, formula), formula, ...(bass === null ? {} : { bass: bass as 'C' }) }
        const after = mended(chord, frets)
        if (after === undefined) return
        expect(checkClaim(chord, after, neck).verdict).not.toBe('wrong')
        done++
      },
    ),
    { numRuns: 1500 },
  )
  expect(done).toBeGreaterThan(300)
})

test('a claimed bass is mended on the lowest string, below the others', () => {
  const chord = must(readSymbol('C/E'))
  const after = mended(chord, must(readFrets('x32010')))
  expect(after && checkClaim(chord, after, neck).verdict).not.toBe('wrong')
})

test('a claim agrees with the names: whatever a shape is called, it plays', () => {
  const shape = fc
    .record({
      at: fc.integer({ min: 0, max: 9 }),
      frets: fc.array(fc.option(fc.integer({ min: -1, max: 4 })), { minLength: 6, maxLength: 6 }),
    })
    .map(({ at, frets }): Frets => frets.map((fret) => (fret === null ? null : fret < 0 ? 0 : at + fret)))
  fc.assert(
    fc.property(shape, (frets) => {
      fc.pre(frets.filter((fret) => fret !== null).length > 2)
      for (const { chord, complete } of namesOf(frets, neck))
        expect(checkClaim(chord, frets, neck).verdict).toBe(complete ? 'right' : 'incomplete')
    }),
  )
})

test.each([
  ['3x3213', 'F/G'],
  ['4875x4', 'F/Ab'],
  ['3x3211', 'F/G'],
  ['x32013', 'C'],
])('%s is %s, a bass of its own sounding again above or not', (frets, symbol) =>
  expect(checkClaim(must(readSymbol(symbol)), must(readFrets(frets, 6)), neck).verdict).toBe('right'),
)
