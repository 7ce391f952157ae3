import type { WrittenBar, WrittenEvent } from '@nestling/core/time'
import { expect, test } from 'vitest'
import { groupsOf, headPx, inOneRow, rowsOf, scaleFor, smallerScale } from './rows.ts'

const FOUR = { count: 4, unit: 4 } as const
const event = (notes: number, value: WrittenEvent['value'] = 'quarter'): WrittenEvent => ({
  at: 0,
  length: 1,
  value,
  dotted: false,
  triplet: false,
  notes: Array.from({ length: notes }, () => ({
    midi: 60,
    pitch: { name: 'C' as const, octave: 4 },
    string: 1,
    fret: 3,
  })),
  accent: false,
  tied: false,
  mark: undefined,
})
const full: WrittenBar = { at: 0, metre: FOUR, events: [1, 1, 1, 1].map((notes) => event(notes)) }
const empty: WrittenBar = { at: 0, metre: FOUR, events: [event(0, 'whole')] }

const sizes = (bars: readonly WrittenBar[]) => groupsOf(bars).map((group) => group.length)

test('bars of nothing are counted together, with what stands over the first; anything over a later one parts them', () => {
  expect(sizes([full, empty, empty, empty, full, empty])).toEqual([1, 3, 1, 1])
  expect(sizes([{ ...empty, over: { names: [{ at: 0, name: 'N.C.' }] } }, empty])).toEqual([2])
  expect(sizes([empty, { ...empty, over: { part: 'B' } }, empty])).toEqual([1, 2])
  expect(sizes([empty, { ...empty, metre: { count: 3, unit: 4 } }])).toEqual([1, 1])
  expect(sizes([{ ...empty, over: { closes: true } }, empty])).toEqual([1, 1])
})

test('as many bars as fit stand in a system and fill it; a last one is spread no further than looks well', () => {
  const rows = rowsOf(groupsOf([full, full, full, full, full]), 400)
  expect(rows.map((row) => row.length)).toEqual([2, 2, 1])
  expect(rows[0]?.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(400)
  expect(rows[2]?.[0]?.width).toBeLessThan(260)
})

test('bars that stand under something keep its widths; the first holds the clef', () => {
  const row = inOneRow([full, empty, full], 0, [300, 100, 200], headPx(-4))
  expect(row.map(({ width }) => width)).toEqual([300 - headPx(-4), 100, 200])
  expect(headPx(-4)).toBe(headPx(4))
})

test('where the clef leaves the first bar too little the others give it room, and together they keep theirs', () => {
  const row = inOneRow([full, empty, full], 0, [150, 150, 300], headPx(-4))
  expect(row[0]?.width).toBeGreaterThan(100)
  expect(row.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(600 - headPx(-4))
  expect((row[2]?.width ?? 0) / (row[1]?.width ?? 1)).toBeCloseTo(2)
})

test('it is drawn smaller only as far as can be read, else at its own size', () => {
  const bars = [full, full]
  const room = { strings: 6, width: 600 }
  expect(scaleFor(bars, room, 400)).toBe(1)
  expect(scaleFor(bars, room, 50)).toBe(1)
  const scale = scaleFor(bars, room, 190)
  expect(scale).toBeGreaterThanOrEqual(0.75)
  expect(scale).toBeLessThan(1)
})

test('what came out too high is tried smaller, step by step; what could never fit keeps its size', () => {
  expect(smallerScale(1, 200, 210)).toBeUndefined()
  expect(smallerScale(1, 220, 210)).toBe(0.95)
  expect(smallerScale(0.95, 240, 210)).toBe(0.9)
  expect(smallerScale(0.75, 300, 210)).toBe(1)
  expect(smallerScale(1, 900, 210)).toBeUndefined()
})
