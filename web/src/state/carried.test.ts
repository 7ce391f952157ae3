import { STANDARD_TUNING, writeTuning } from '@nestling/core/neck'
import { beforeEach, expect, test } from 'vitest'
import { givenWindow } from './given.testkit.ts'

const storage = givenWindow()
const { $carried, addressIn, carriedOf, carry, leftAt, openCarried } = await import('./carried.ts')

const own = writeTuning(STANDARD_TUNING)
const chord = { root: 'Eb', formula: ['R', '3', '5', '7'] } as const
const shape = carriedOf({ chord, frets: [null, 6, 8, 7, 8, null], tuning: STANDARD_TUNING })
const chordOnly = carriedOf({ chord, tuning: STANDARD_TUNING })
const there = (view: 'Build' | 'Map' | 'Arpeggio') =>
  addressIn(view, $carried.get(), own, view === 'Build' ? '/' : `/${view.toLowerCase()}`)

beforeEach(() => {
  storage.clear()
  $carried.set({ inHand: undefined, left: {} })
})

test('without anything in hand the links are plain', () => expect(there('Map')).toBe('/map'))

test('a shape of Build opens in Arpeggio with its shape, on the Map as its chord, and Build as it was left', () => {
  carry('Build', shape, '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
  expect([there('Build'), there('Map'), there('Arpeggio')]).toEqual([
    '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x',
    '/map?chord=Ebmaj7',
    '/arpeggio?chord=Ebmaj7&shape=x6878x',
  ])
})

test('the Map, which shows the chord only, does not take the shape out of the hand', () => {
  carry('Build', shape, '/?chord=Ebmaj7&shape=x6878x')
  carry('Map', chordOnly, '/map?chord=Ebmaj7&arrangement=close')
  expect([there('Arpeggio'), there('Build'), there('Map')]).toEqual([
    '/arpeggio?chord=Ebmaj7&shape=x6878x',
    '/?chord=Ebmaj7&shape=x6878x',
    '/map?chord=Ebmaj7&arrangement=close',
  ])
})

test('another chord that was taken up opens everywhere, in its own tuning', () => {
  carry('Build', shape, '/?chord=Ebmaj7&shape=x6878x')
  const other = { chord: 'D', frets: '000230', tuning: 'D2,A2,D3,G3,A3,D4' }
  carry('Map', other, '/map?chord=D')
  expect(there('Build')).toBe('/?chord=D&shape=000230&open=allow&tuning=D2,A2,D3,G3,A3,D4')
  expect(there('Arpeggio')).toBe('/arpeggio?chord=D&shape=000230&tuning=D2,A2,D3,G3,A3,D4')
})

test('a key and a tune are found where they were left, and take nothing out of the hand', () => {
  carry('Build', shape, '/?chord=Ebmaj7&shape=x6878x')
  leftAt(
    'Key',
    carriedOf({ chord: { root: 'Bb', formula: ['R', '3', '5', '7'] }, tuning: STANDARD_TUNING }),
    '/key?key=Bb',
  )
  expect(there('Build')).toBe('/?chord=Ebmaj7&shape=x6878x')
  expect(addressIn('Key', $carried.get(), own, '/key')).toBe('/key?key=Bb')
  expect(addressIn('Path', $carried.get(), own, '/path')).toBe('/path')
})

test('it is kept in the window, and a window that keeps nothing works all the same', () => {
  carry('Build', shape, '/?chord=Ebmaj7')
  $carried.set({ inHand: undefined, left: {} })
  openCarried()
  expect($carried.get().inHand).toEqual(shape)
  storage.set('nestling.carried', '{broken')
  $carried.set({ inHand: undefined, left: {} })
  openCarried()
  expect($carried.get().inHand).toBeUndefined()
})
