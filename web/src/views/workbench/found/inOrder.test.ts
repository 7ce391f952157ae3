import { shapesFor } from '@nestling/core/answer'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { instrumentFor, readTypedLine } from '@nestling/core/request'
import { must } from '@nestling/core/result'
import { centreOf, type Frets } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../../contracts/settings.ts'
import { type FoundOrder, inOrder } from './inOrder.ts'
import { shapesIn } from './shapes.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const { question } = must(readTypedLine('Cmaj7', player))
const shapes = shapesIn(shapesFor(question, player), question.chord, neckOf(instrumentFor(question, player)))
const inHand: Frets = [null, null, 9, 9, 8, 7]

/** Each of these never falls down the list, apart from what no hand holds. */
const ranks = (order: FoundOrder, of: (frets: Frets, reachMm: number) => number) => {
  const list = inOrder(shapes, order, inHand)
  expect(list).toHaveLength(shapes.length)
  expect(new Set(list)).toEqual(new Set(shapes))
  const playable = list.filter((one) => one.playable)
  expect(list.slice(0, playable.length)).toEqual(playable)
  const all = playable.map(({ frets, reachMm }) => of(frets, reachMm))
  expect(all).toEqual(all.toSorted((a, b) => a - b))
  return list[0]
}

test('small necks stand as players take them, or in another order that loses none of them', () => {
  expect(inOrder(shapes, 'taste', inHand)).toBe(shapes)
  const near = centreOf(inHand)
  const first = ranks('nearest', (frets) => Math.abs(centreOf(frets) - near))
  expect(Math.abs(centreOf(first?.frets ?? []) - near)).toBeLessThan(0.6)
  ranks('stretch', (_, reachMm) => reachMm)
  ranks('place', (frets) => centreOf(frets))
  // With empty hands the nut is here.
  expect(inOrder(shapes, 'nearest', undefined).map(({ frets }) => frets)).toEqual(
    inOrder(shapes, 'place', undefined).map(({ frets }) => frets),
  )
})
