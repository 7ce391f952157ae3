import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type ExpectedNote, type HeardNote, judge } from './index.ts'
import { GAP_COST, pairCost } from './judge.ts'

const line = (...midis: readonly number[]): readonly ExpectedNote[] =>
  midis.map((midi, index) => ({ at: index * 0.5, midi }))
const played = (...notes: readonly (readonly [number, number])[]): readonly HeardNote[] =>
  notes.map(([at, midi]) => ({ at, midi, cents: 0 }))
const told = (...args: Parameters<typeof judge>) => {
  const { marks, extra } = judge(...args)
  return [marks.map((mark) => ('lateMs' in mark ? `${mark.kind} ${mark.lateMs}` : mark.kind)).join(', '), extra.length]
}

test.each([
  ['all of it, a little late', played([0.02, 60], [0.52, 64], [1.01, 67]), 'right 20, right 20, right 10', 0],
  ['a wrong note in its place', played([0, 60], [0.5, 63], [1, 67]), 'right 0, wrong 0, right 0', 0],
  ['an octave too low', played([0, 48], [0.5, 64], [1, 67]), 'octave 0, right 0, right 0', 0],
  ['one left out', played([0, 60], [1, 67]), 'right 0, missing, right 0', 0],
  ['one too many', played([0, 60], [0.25, 62], [0.5, 64], [1, 67]), 'right 0, right 0, right 0', 1],
  ['silence', [], 'missing, missing, missing', 0],
])('%s', (_, heard, marks, extra) => expect(told(line(60, 64, 67), heard)).toEqual([marks, extra]))

test('latency is taken off before judging', () =>
  expect(told(line(60, 64), played([0.2, 60], [0.7, 64]), { latencyS: 0.2 })[0]).toBe('right 0, right 0'))

test('every expected note has one mark, every heard note is used once, and no other way to lay them is cheaper', () => {
  const anyNote = fc.record({
    at: fc.integer({ min: 0, max: 15 }).map((tenth) => tenth / 10),
    midi: fc.integer({ min: 60, max: 73 }),
  })
  const sorted = <Note extends { readonly at: number }>(notes: readonly Note[]) => notes.toSorted((a, b) => a.at - b.at)
  /** Tries every way. */
  const cheapest = (expected: readonly ExpectedNote[], heard: readonly HeardNote[]): number => {
    const [want, ...wants] = expected
    const [got, ...gots] = heard
    if (!want) return heard.length * GAP_COST
    if (!got) return expected.length * GAP_COST
    const pair = pairCost(want, got, 0.3)
    return Math.min(
      GAP_COST + cheapest(wants, heard),
      GAP_COST + cheapest(expected, gots),
      pair === undefined ? Number.POSITIVE_INFINITY : pair + cheapest(wants, gots),
    )
  }
  fc.assert(
    fc.property(fc.array(anyNote, { maxLength: 5 }), fc.array(anyNote, { maxLength: 5 }), (notes, sounds) => {
      const expected = sorted(notes)
      const heard = sorted(sounds.map((note) => ({ ...note, cents: 0 })))
      const { marks, extra: others, ringing } = judge(expected, heard)
      const extra = [...others, ...ringing]
      expect(marks.length).toBe(expected.length)
      const used = marks.flatMap((mark) => ('heard' in mark ? [mark.heard] : []))
      expect(used.length + extra.length).toBe(heard.length)
      const cost = marks.reduce(
        (sum, mark, index) =>
          sum + ('heard' in mark ? (pairCost(expected[index] as ExpectedNote, mark.heard, 0.3) ?? 99) : GAP_COST),
        extra.length * GAP_COST,
      )
      expect(cost).toBeCloseTo(cheapest(expected, heard), 9)
    }),
  )
})

test('a note that rings on and is heard again is no slip; one that was never due is', () => {
  const expected = line(60, 64, 67)
  const { extra, ringing } = judge(expected, played([0, 60], [0.5, 64], [0.75, 60], [0.8, 61], [1, 67]))
  expect(ringing.map(({ midi }) => midi)).toEqual([60])
  expect(extra.map(({ midi }) => midi)).toEqual([61])
  // Before it was due it can't ring.
  expect(judge(line(60, 64), played([0, 60], [0.2, 64], [0.5, 64])).ringing).toEqual([])
})
