import fc from 'fast-check'
import { expect, test } from 'vitest'
import { FASTEST, SLOWEST } from '../contracts/settings.ts'
import { risen, tapped, tempoOf } from './tapTempo.ts'

const tap = (times: readonly number[]) => times.reduce(tapped, [] as readonly number[])

test('taps half a second apart are 120 a minute; one tap is no tempo yet', () => {
  expect(tempoOf(tap([1000, 1500, 2000, 2500]))).toBe(120)
  expect(tempoOf(tap([1000]))).toBeUndefined()
})
test('after a pause the tempo begins anew', () => {
  expect(tempoOf(tap([0, 500, 1000, 9000]))).toBeUndefined()
  expect(tempoOf(tap([0, 500, 1000, 9000, 10_000]))).toBe(60)
})
test('of a long row the last five taps count', () =>
  expect(tempoOf(tap([0, 1000, 2000, 2500, 3000, 3500, 4000]))).toBe(120))

test('even taps of any tempo give that tempo, within what can be played', () => {
  fc.assert(
    fc.property(fc.integer({ min: 18, max: 400 }), fc.integer({ min: 2, max: 12 }), (tempo, count) => {
      const times = Array.from({ length: count }, (_, index) => (index * 60_000) / tempo)
      expect(tempoOf(tap(times))).toBe(Math.min(FASTEST, Math.max(SLOWEST, tempo)))
    }),
  )
})

test('a tempo that rises stops at half as much again, and never falls', () => {
  expect(risen(80, 5, 80)).toBe(85)
  expect(risen(118, 5, 80)).toBe(120)
  expect(risen(120, 5, 80)).toBe(120)
  expect(risen(298, 10, 250)).toBe(FASTEST)
  // Set by hand to more than that: it stays.
  expect(risen(150, 5, 80)).toBe(150)
})
