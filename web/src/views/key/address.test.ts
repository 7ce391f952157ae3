import { DEPTH_SCHOOLS, DEPTHS, keyOf, NUMBER_SCHOOLS, readNumbers, SCALES, writeKey } from '@nestling/core/key'
import type { LaneAsk } from '@nestling/core/lane'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import type { NoteName } from '@nestling/core/pitch'
import { STROKE_PATTERNS } from '@nestling/core/time'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { neckFor, readPlan, writePlan } from './address.ts'
import { GOINGS, type KeyPlan, LASTINGS } from './types.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const read = (address: string) =>
  readPlan(Object.fromEntries(new URL(address, 'http://localhost').searchParams), player)

const keys = SCALES.filter(({ degrees }) => degrees.length === 7).flatMap((scale) =>
  ['C', 'Bb', 'F#', 'Ab', 'E'].flatMap((tonic) => keyOf(tonic as NoteName, scale) ?? []),
)
const asks: readonly (readonly LaneAsk[])[] = [
  [
    { kind: 'root', string: 0 },
    { kind: 'root', string: 1 },
  ],
  [{ kind: 'root', string: 2 }],
  [{ kind: 'turns', strings: [0, 1] }],
  [{ kind: 'order', strings: [3, 4, 5], order: [1, 3, 5], forms: 3 }],
  [
    {
      kind: 'tones',
      tones: [
        { number: 1, string: 1 },
        { number: 3, string: 4 },
      ],
      ring: [5],
    },
  ],
]

test('an address opens the plan that wrote it, whatever it is', () => {
  const plan = fc
    .record({
      key: fc.constantFrom(...keys),
      depth: fc.constantFrom(...DEPTHS),
      school: fc.constantFrom(...DEPTH_SCHOOLS),
      asks: fc.constantFrom(...asks),
      fifthInBass: fc.boolean(),
      manner: fc.constantFrom(undefined, 'barre' as const, 'open' as const),
      step: fc.integer({ min: 1, max: 7 }),
      going: fc.constantFrom(...GOINGS),
      lasting: fc.constantFrom(...LASTINGS),
      pattern: fc.constantFrom<string>(...Object.values(STROKE_PATTERNS), '1/8 p (ima) . m 1/16 ↓ ↑'),
      capo: fc.constantFrom(undefined, 0, 5),
      from: fc.constantFrom(undefined, 1, 9),
      standing: fc.constantFrom<KeyPlan['standing']>(
        [],
        [
          { step: 2, kind: 'up' },
          { step: 5, kind: 'longer' },
        ],
      ),
      numbers: fc.constantFrom(...NUMBER_SCHOOLS),
      digits: fc.array(fc.constantFrom('1', '2', '5', 'V/2', '4', '7'), { maxLength: 4 }),
      second: fc.boolean(),
    })
    .map(({ digits, second, ...one }): KeyPlan => {
      const written = digits.length === 0 ? undefined : readNumbers(digits.join(' '), one.key, one.depth)
      return {
        ...one,
        tuning: undefined,
        lane: second && one.asks.length > 1 ? 1 : 0,
        written: written?.ok ? written.value : [],
      }
    })
  fc.assert(
    fc.property(plan, (one) => {
      expect(read(writePlan(one, neckFor(one, player)))).toEqual({ plan: one, typed: undefined })
    }),
  )
})

test('a chord that is brought along opens its own key; what can’t be read is told and the rest opens', () => {
  expect(writeKey(read('/key?chord=Fm9').plan.key)).toBe('F minor')
  expect(writeKey(read('/key?chord=Ebmaj7').plan.key)).toBe('E♭ major')
  const odd = read('/key?key=Blue&depth=ninths&step=12&root=9')
  expect(odd.typed?.problem?.message).toContain('Blue is not a key')
  expect(odd.plan).toMatchObject({ depth: 'ninths', step: 1 })
  expect(read('/key?key=C&capo=40&from=40&for=9up,2sideways&hand=x_y').plan).toMatchObject({
    capo: undefined,
    from: undefined,
    standing: [],
    pattern: STROKE_PATTERNS.strum,
  })
  expect(read('/key?key=C&root=9').typed?.problem?.message).toContain('no string 9')
})
