import { writeSymbol } from '@nestling/core/chord'
import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { ACCENTS, NOTE_VALUES } from '@nestling/core/time'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readPlan, WAYS, writePlan } from './address.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const paramsOf = (address: string) => Object.fromEntries(new URL(address, 'http://here').searchParams)

test('whatever is planned is in the address, and opens as it was', () => {
  const anyParams = fc.record({
    chord: fc.constantFrom('Ebmaj7', 'F#m7b5', 'C7#9', 'G', 'Am6/9'),
    way: fc.constantFrom(...WAYS),
    position: fc.integer({ min: 1, max: 14 }).map(String),
    string: fc.integer({ min: 1, max: 6 }).map(String),
    climb: fc.constantFrom('1', '2', '3'),
    from: fc.constantFrom('R', '3', 'lowest'),
    direction: fc.constantFrom('up', 'down', 'up-down', 'round'),
    pattern: fc.constantFrom('straight', 'broken', 'threes', 'fours'),
    octaves: fc.constantFrom('1', '2', ''),
    value: fc.constantFrom(...NOTE_VALUES),
    accent: fc.constantFrom(...ACCENTS),
    time: fc.constantFrom('2/4', '3/4', '4/4', '5/4', '6/8', '7/8', '12/8'),
    chosen: fc.constantFrom('', '64:2', '64:2,57:1'),
    shape: fc.constantFrom('x6878x', 'x35343'),
    tuning: fc.constantFrom('D2,A2,D3,F#3,A3,D4', 'E2,A2,D3,G3,B3,E4'),
    scale: fc.constantFrom('Lydian', 'Dorian'),
  })
  fc.assert(
    fc.property(anyParams, (params) => {
      const { plan, typed } = readPlan(params, player)
      expect(typed).toBeUndefined()
      expect(readPlan(paramsOf(writePlan(plan, 6)), player).plan).toEqual(plan)
    }),
  )
})

test('what can’t be read is told, and the rest still opens', () => {
  const { plan, typed } = readPlan({ chord: 'C7x9', way: 'sideways', position: '99', octaves: '0', from: '#4' }, player)
  expect(typed?.problem?.message).toMatch(/x9 is not a tension/)
  expect([writeSymbol(plan.chord, { ascii: true }), plan.way, plan.octaves, plan.from]).toEqual([
    'Ebmaj7',
    'position',
    undefined,
    'R',
  ])
  // The highest place at which the little finger still has a fret.
  expect(plan.at).toBeLessThan(20)
})

test('a shape that is brought along says where the hand is', () =>
  expect(readPlan({ chord: 'Ebmaj7', shape: 'x6878x' }, player).plan.at).toBe(6))
