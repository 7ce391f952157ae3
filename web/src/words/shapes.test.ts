import { readSymbol } from '@nestling/core/chord'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { toneWeight } from '@nestling/core/pitch'
import { readFrets, voicingOf } from '@nestling/core/voicing'
import { expect, test } from 'vitest'
import { eggLabel, spokenVoicing } from '../neck/labels.ts'
import { degreeName, degreeSign } from './degrees.ts'
import { arrangementWords, counted, stringsApart } from './shapes.ts'

const neck = neckOf(STANDARD_INSTRUMENT)

test.each([
  ['R', 'root', 'R', 'root'],
  ['b3', 'minor third', '♭3', 'third'],
  ['bb7', 'diminished seventh', '𝄫7', 'seventh'],
  ['#11', 'sharp eleventh', '♯11', 'extension'],
  ['6', 'sixth', '6', 'seventh'],
  ['4', 'fourth', '4', 'extension'],
  ['b5', 'flat fifth', '♭5', 'fifth'],
] as const)('%s is the %s, written %s, and weighs as a %s', (degree, name, sign, weight) =>
  expect([degreeName(degree), degreeSign(degree), toneWeight(degree)]).toEqual([name, sign, weight]),
)

test('a voicing is spoken string by string from the lowest', () => {
  const chord = readSymbol('Ebmaj7')
  const frets = readFrets('x6878x')
  const voicing = chord.ok && frets.ok ? voicingOf(chord.value, frets.value, neck) : undefined
  expect(voicing && spokenVoicing(voicing, 'letters')).toBe(
    'string 6 silent; string 5, fret 6, the root, E♭; string 4, fret 8, the fifth, B♭; string 3, fret 7, the major seventh, D; string 2, fret 8, the third, G; string 1 silent',
  )
})

test.each([
  ['degree', '♭3'],
  ['note', 'E♭'],
  ['finger', '2'],
  ['none', ''],
] as const)('an egg labelled by %s says %s', (labels, expected) =>
  expect(eggLabel({ degree: 'b3', note: 'Eb', finger: 2, fret: 4 }, labels, 'letters')).toBe(expected),
)
test('an open string has no finger but a nought', () =>
  expect(eggLabel({ degree: 'R', note: 'E', finger: null, fret: 0 }, 'finger', 'letters')).toBe('0'))

test('arrangements and string sets in words', () => {
  expect(arrangementWords({ kind: 'named', name: 'drop-2-4' })).toBe('drop 2 & 4')
  expect(arrangementWords({ kind: 'list', degrees: ['R', 'b7', '#9'] })).toBe('R ♭7 ♯9')
  expect(stringsApart([1, 2, 3, 4], 6)).toBe('5 4 3 2')
})

test('one of a thing has no s', () =>
  expect([counted(1, 'fret'), counted(0, 'fret'), counted(2, 'stretch', 'stretches')]).toEqual([
    '1 fret',
    '0 frets',
    '2 stretches',
  ]))
