import { readSymbol } from '@nestling/core/chord'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { placeWords } from './places.ts'

const neck = neckOf(STANDARD_INSTRUMENT)

describe('places of a neck', () => {
  const chord = readSymbol('C7')
  if (!chord.ok) throw new Error('C7 is a chord')
  const spoken = placeWords(neck, chord.value, 'letters')
  test.each([
    [0, 0, 'string 6, open, the third, E'],
    [1, 3, 'string 5, fret 3, the root, C'],
    [4, 11, 'string 2, fret 11, the minor seventh, B♭'],
    [5, 4, 'string 1, fret 4, A♭'],
  ])('string index %d at fret %d: %s', (string, fret, words) => expect(spoken(string, fret)).toBe(words))
})
