import { beforeEach, expect, test } from 'vitest'
import { givenWindow } from './given.testkit.ts'

const storage = givenWindow()
const { keepWalk, walkAt, walkedTo } = await import('./walk.ts')

const chords = ['Dm7', 'G7', 'N7', 'Cmaj7'].map((symbol) => ({
  symbol,
  address: symbol === 'N7' ? undefined : `/arpeggio?chord=${symbol}`,
}))
beforeEach(() => storage.clear())

test('a walk stands beside the chord that it is at, and beside no other', () => {
  expect(walkAt('G7')).toBeUndefined()
  keepWalk({ title: 'Slow Ferry', chords, at: 1 })
  expect(walkAt('G7')).toEqual({ title: 'Slow Ferry', chords, at: 1 })
  expect(walkAt('Cmaj7')).toBeUndefined()
  keepWalk({ title: 'Slow Ferry', chords: chords.slice(0, 1), at: 0 })
  expect(walkAt('Dm7')).toBeUndefined()
})

test('it goes on over chords that have no shape, and ends with the tune', () => {
  expect(walkedTo({ chords, at: 1 }, 1)).toBe(3)
  expect(walkedTo({ chords, at: 3 }, -1)).toBe(1)
  expect([walkedTo({ chords, at: 3 }, 1), walkedTo({ chords, at: 0 }, -1)]).toEqual([undefined, undefined])
})
