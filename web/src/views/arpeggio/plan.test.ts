import { STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readPlan } from './address.ts'
import { clampAt, lineOf, MOST_NOTES, onString, wayOf } from './plan.ts'

const player = playerOf(DEFAULT_SETTINGS, STANDARD_INSTRUMENT)
const plan = (query: string) => readPlan(Object.fromEntries(new URLSearchParams(query)), player).plan
const line = (query: string) => lineOf(plan(query), player)

describe('the way that is asked', () => {
  test('a position beyond the neck is the last one', () => {
    const { neck } = line('chord=Cmaj7')
    expect(clampAt(0, neck)).toBe(1)
    expect(clampAt(99, neck)).toBe(neck.lastFret - 3)
    expect(wayOf(plan('chord=Cmaj7&position=99'), neck)).toEqual({ kind: 'position', at: neck.lastFret - 3 })
  })
  test('the strings of the voicing that was brought along, or the four highest', () => {
    const { neck } = line('chord=Ebmaj7')
    expect(wayOf(plan('chord=Ebmaj7&way=strings&shape=x6878x&position=6'), neck)).toMatchObject({
      strings: [1, 2, 3, 4],
    })
    expect(wayOf(plan('chord=Ebmaj7&way=strings&position=6'), neck)).toMatchObject({ strings: [2, 3, 4, 5] })
  })
})

test('a pitch moves to the other string that was asked for, and back', () => {
  const before = plan('chord=Am7&position=5')
  const moved = { ...before, ...onString(before, { midi: 64, string: 3 }) }
  expect(moved.chosen).toEqual(['64:3'])
  expect({ ...moved, ...onString(moved, { midi: 64, string: 4 }) }.chosen).toEqual(['64:4'])
  const played = lineOf(moved, player).notes.find(({ midi }) => midi === 64)
  expect(played).toMatchObject({ string: 3, fret: 9 })
})

test('a line longer than can be written is cut, and says by how much', () => {
  // Nine strings in fifths hold the most tones under one hand.
  const long = line('chord=C13%2311&position=5&from=lowest&pattern=fours&tuning=C1,G1,D2,A2,E3,B3,F%234,C%235,G%235')
  expect(long.order.length).toBe(MOST_NOTES)
  // Fours upwards and downwards from all but the last three tones; the turning tone is played once.
  expect(long.order.length + long.cutNotes).toBe(2 * 4 * (long.notes.length - 3) - 1)
  const short = line('chord=C&position=8')
  expect(short.cutNotes).toBe(0)
  expect(short.order.map((index) => short.notes[index]?.degree).join(' ')).toBe('R 3 5 R 3 5 R 5 3 R 5 3 R')
})

test('the scale that was asked for lies behind it, if it holds the chord', () => {
  expect(line('chord=Ebmaj7&scale=Lydian').scale?.adds).toEqual(['2', '#4', '6'])
  expect(line('chord=Ebmaj7&scale=Dorian').scale).toBeUndefined()
})
