import { describe, expect, test } from 'vitest'
import { inversionWords, reasonWords, registerWord, silentWord, verdictWords } from './hand.ts'

const F = { root: 'F', formula: ['R', '3', '5'] } as const

describe('a silent string', () => {
  test.each([
    [{ string: 1, wouldSound: 45, kind: 'damped', by: 1, how: 'tip' }, 'damped by the tip of finger 1'],
    [{ string: 0, wouldSound: 40, kind: 'damped', by: 'T', how: 'flat' }, 'damped by the flat of the thumb'],
    [{ string: 5, wouldSound: 64, kind: 'not-plucked' }, 'not plucked'],
    [{ string: 1, wouldSound: 45, kind: 'leaks' }, 'leaks A, the third: no finger near'],
    [{ string: 0, wouldSound: 40, kind: 'leaks' }, 'leaks E, foreign to the chord: no finger near'],
  ] as const)('%o: %s', (string, words) => expect(silentWord(string, F, 'letters')).toBe(words))
})

test('register advice names the pitches and where they would be clear', () => {
  expect(
    registerWord({ kind: 'muddy', low: 40, high: 44, interval: 'third-or-fourth', clearFrom: 46 }, 'letters'),
  ).toBe('The third or fourth from E2 to A♭2 sits low: it is clear from B♭2 up.')
  expect(registerWord({ kind: 'bass-range', midis: [43, 47] }, 'letters')).toBe(
    'G2 and B2 lie in the bass player’s range.',
  )
})

test.each([
  [0, 'root position'],
  [3, '3rd inversion'],
  [null, 'over a bass of its own'],
])('inversion %s is the %s', (inversion, words) => expect(inversionWords(inversion)).toBe(words))

test.each([
  [{ kind: 'easy', mm: 77.2, limitMm: 100 }, 'comfortable', '77 mm held · comfortable for this hand up to 100 mm'],
  [
    { kind: 'stretch', mm: 77, limit: { kind: 'pair', fingers: [2, 3], mm: 50.4, limitMm: 45 } },
    'a stretch',
    'middle to ring 50 mm, this hand 45: a stretch',
  ],
  [
    { kind: 'beyond', mm: 130, limit: { kind: 'reach', mm: 130, limitMm: 118 } },
    'beyond reach',
    'index to little 130 mm, this hand 118: beyond reach',
  ],
  [{ kind: 'beyond', mm: 90, limit: { kind: 'fingers' } }, 'more than four fingers', 'more than four fingers'],
] as const)('%o is %s', (verdict, short, reason) =>
  expect([verdictWords(verdict), reasonWords(verdict)]).toEqual([short, reason]),
)
