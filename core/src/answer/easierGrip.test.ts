import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { namesOf } from '../name/index.ts'
import { neckOf } from '../neck/index.ts'
import { PLAYER } from '../request/player.testkit.ts'
import { must } from '../result/index.ts'
import type { Shape } from '../shape/index.ts'
import { readFrets } from '../voicing/index.ts'
import { easierGrip } from './index.ts'

const kept = (symbol: string, frets: string): Shape => ({
  chord: must(readSymbol(symbol)),
  frets: must(readFrets(frets, 6)),
  tuning: PLAYER.instrument.tuning,
})

test.each([
  ['Gmaj9', '5x547x', 'tensionInBass'],
  ['Cmaj7', 'x-3-5-x-5-7', 'silentInside'],
] as const)('of a kept %s as %s it says what lies better, and why', (symbol, frets, because) => {
  const shape = kept(symbol, frets)
  const easier = easierGrip(shape, PLAYER)
  expect(easier?.because).toBe(because)
  if (!easier) throw new Error('nothing easier')
  // The same chord, near the hand.
  expect(namesOf(easier.frets, neckOf(PLAYER.instrument), { near: shape.chord })[0]?.chord.formula).toEqual(
    shape.chord.formula,
  )
})

test.each([
  ['Cmaj7', 'x3545x'],
  ['C', 'x32010'],
  ['G', '355433'],
  ['D7', 'x5453x'],
] as const)('a good %s, %s, has nothing easier', (symbol, frets) => {
  expect(easierGrip(kept(symbol, frets), PLAYER)).toBeUndefined()
})

test('of what no hand holds nothing is said', () => {
  expect(easierGrip(kept('C', '8-x-x-x-x-15'), PLAYER)).toBeUndefined()
})
