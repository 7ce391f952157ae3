import { readMaterial } from '@nestling/core/practice'
import { must } from '@nestling/core/result'
import { expect, test } from 'vitest'
import { endOfDay, localDay, longDay, shortDay, weekdayWords } from './days.ts'
import { faultsOf, faultsWords, hopWords, materialWords, placeWords } from './practice.ts'

test.each([
  ['m7', 'Minor sevenths'],
  ['arpeggio maj7', 'Arpeggios of major sevenths'],
  ['7b9', '7♭9 chords'],
  ['Am7=5x555x', 'Am7 5x555x'],
  ['Fm9=x8688x,Bbm7=6x666x', '2 shapes from Fm9'],
])('%s is called %s', (text, words) => expect(materialWords(must(readMaterial(text, 6)))).toBe(words))

test('a name of one’s own comes first', () =>
  expect(materialWords(must(readMaterial('m7', 6)), 'Slow Ferry')).toBe('Slow Ferry'))

test('places, hops and faults in words', () => {
  expect(placeWords({ kind: 'in-turn', strings: [1, 0] }, 6)).toBe('on strings 5 and 6 in turn')
  expect(placeWords({ kind: 'in-turn', strings: [0] }, 6)).toBe('on string 6')
  expect([hopWords(-2), hopWords(1), hopWords(0)]).toEqual(['2 frets down', '1 fret up', 'stays in its place'])
  expect(faultsWords('3:+1 6:r')).toBe('3 a fret high, 6 rang')
  expect(faultsWords('')).toBe('')
})

test('days are those of the player’s own calendar', () => {
  const late = new Date(2026, 10, 5, 23, 59)
  expect(localDay(late)).toBe('2026-11-05')
  expect(endOfDay(late).getTime() - late.getTime()).toBe(59_999)
  expect([shortDay('2026-11-05'), longDay('2026-01-31'), weekdayWords('2026-11-26')]).toEqual([
    '5 Nov',
    '31 January',
    'Thursday',
  ])
})

test('what the ear found is written as the log keeps it, by string numbers', () =>
  expect(
    faultsOf([
      { kind: 'rings' },
      { kind: 'rang' },
      { kind: 'missing' },
      { kind: 'off', by: 1 },
      { kind: 'off', by: -1 },
      { kind: 'unclear' },
    ]),
  ).toBe('6:r 4:0 3:+1 2:-1'))
