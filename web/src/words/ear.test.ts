import type { Judgement } from '@nestling/core/ear'
import { expect, test } from 'vitest'
import { messageOf, refusal, slipWords } from './ear.ts'

type Told = Pick<Judgement, 'marks' | 'extra'>

test.each([
  ['NotAllowedError', /was refused.*Allow it for this page/],
  ['NotFoundError', /No microphone was found.*simulated player/],
  ['NotReadableError', /Another program holds the microphone/],
  ['NotSupportedError', /only to pages on this machine or over https/],
  ['AbortError', /^Listening failed: broken\.$/],
] as const)('%s is told with the way out', (name, words) =>
  expect(refusal(new DOMException('broken', name))).toMatch(words),
)
test('what is no error of the browser is told as it is', () =>
  expect(refusal('no sound card')).toBe('Listening failed: no sound card.'))

const missing: Told = { marks: [{ kind: 'missing' }, { kind: 'missing' }], extra: [] }
const heard = { at: 1, midi: 60, cents: 0 }

test.each([
  ['silence', missing, { windows: 400, loud: 2, unclear: 0 }, /^Nothing was heard: it was silent/],
  ['noise', missing, { windows: 400, loud: 390, unclear: 350 }, /^Only noise was heard/],
  [
    'notes at other times',
    { ...missing, extra: [heard] },
    { windows: 400, loud: 300, unclear: 20 },
    /none when one was due/,
  ],
] as const)('%s is told as what it is', (_, judgement, overheard, words) =>
  expect(messageOf(judgement, overheard)).toMatch(words),
)

test('once a note came, even a wrong one, the marks say the rest', () => {
  const came: Told = { marks: [{ kind: 'wrong', heard, lateMs: 3 }, { kind: 'missing' }], extra: [] }
  expect(messageOf(came, { windows: 400, loud: 3, unclear: 3 })).toBeUndefined()
  expect(messageOf(came, { windows: 400, loud: 390, unclear: 350 })).toBeUndefined()
})

test.each([
  [0, 0, undefined],
  [0, 19, undefined],
  [0, -19, undefined],
  [0, 20, '20 cents sharp'],
  [0, -35, '35 cents flat'],
  [61, 0, '61 ms late'],
  [-80, 25, '80 ms early, 25 cents sharp'],
] as const)('a right note %d ms from its beat and %d cents off is told as %s', (lateMs, cents, words) =>
  expect(slipWords({ kind: 'right', lateMs, heard: { at: 1, midi: 60, cents } }, 'C', 'letters')).toBe(words),
)

test('what came instead is named in the player’s own names', () => {
  const wrong = { kind: 'wrong', lateMs: 0, heard: { at: 1, midi: 61, cents: 0 } } as const
  expect(slipWords(wrong, 'C', 'letters')).toBe('D♭ was heard, C expected')
  expect(slipWords({ kind: 'missing' }, 'E', 'letters')).toBe('E did not come')
})
