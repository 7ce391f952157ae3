import { expect, test } from 'vitest'
import { must } from '../result/index.ts'
import { readKey, signatureOf } from './index.ts'

test.each([
  ['C', 0, 'major'],
  ['Ab', -4, 'major'],
  ['F#', 6, 'major'],
  ['Cb', -7, 'major'],
  ['A minor', 0, 'minor'],
  ['F minor', -4, 'minor'],
  ['D dorian', 0, 'dorian'],
  ['G mixolydian', 0, 'mixolydian'],
  ['A harmonic minor', 0, 'minor'],
  ['C melodic minor', -3, 'minor'],
])('the signature of %s', (text, fifths, mode) => expect(signatureOf(must(readKey(text)))).toEqual({ fifths, mode }))
