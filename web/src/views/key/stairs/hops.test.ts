import { type Chord, writeSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { chordScale, readKey } from '@nestling/core/key'
import { type LaneAsk, laneOf } from '@nestling/core/lane'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { describe, expect, test } from 'vitest'
import { drawnHops, hopTo, threads } from './hops.ts'
import { stairLayout } from './stairs.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const lane = (key: string, fretMax = 17, ask: LaneAsk = { kind: 'root', string: 0 }) =>
  laneOf(chordScale(must(readKey(key)), 'sevenths'), ask, neck, MEDIUM_HAND, { fretMax })
const layoutOf = (of: ReturnType<typeof lane>, leftHanded = false) =>
  stairLayout(of, neck, 17, { width: 392, height: 438, lowOnTop: false, leftHanded })
const symbolOf = (chord: Chord) => writeSymbol(chord, {})
const count = (d: string, letter: string): number => d.split(letter).length - 1

describe('hops', () => {
  test('of a major lane are whole and half steps of the scale, told as they are', () => {
    const major = lane('F')
    const bys = major.steps.map((step, index) => hopTo(step, major.steps[index - 1])?.by)
    expect(bys).toEqual([undefined, 2, 2, 1, 2, 2, 2])
    const { words } = drawnHops(major, layoutOf(major), symbolOf)
    expect(words.filter(({ words: told }) => told !== '').map(({ words: told }) => told)).toEqual([
      '+2',
      '+2',
      '+1',
      '+2',
      '+2',
      '+2',
    ])
  })
  test('a leapt-over fret is named by the chord that leads on, before the hop or, near the nut, behind the shape', () => {
    const major = lane('F')
    const { words, between } = drawnHops(major, layoutOf(major), symbolOf)
    expect(count(between, 'M')).toBe(5)
    expect(words.map(({ name }) => name).filter((name) => name !== '')).toEqual([
      'F♯dim7',
      'G♯dim7',
      'Bdim7',
      'C♯dim7',
      'D♯dim7',
    ])
    const [first, behind] = words
    expect(first).toMatchObject({ words: '+2', name: '', anchor: 'end' })
    expect(behind).toMatchObject({ words: '', name: 'F♯dim7', anchor: 'start' })
    expect(words.at(-1)).toMatchObject({ words: '+2', name: 'D♯dim7', anchor: 'end' })
  })
  test('for a left-handed player words stand on the other side', () => {
    const major = lane('F')
    const right = drawnHops(major, layoutOf(major), symbolOf).words
    const left = drawnHops(major, layoutOf(major, true), symbolOf).words
    expect(left.map(({ x }) => Math.round(392 - x))).toEqual(right.map(({ x }) => Math.round(x)))
    expect(left[0]?.anchor).toBe('start')
  })
  test('where the neck ends the lane goes on lower, dashed, and says why', () => {
    const short = lane('C', 14)
    expect(short.folds.length).toBeGreaterThan(0)
    const { folds, risers, treads, words } = drawnHops(short, layoutOf(short), symbolOf)
    expect(count(folds, 'Q')).toBe(short.folds.length)
    expect(count(risers, 'M')).toBe(6 - short.folds.length)
    expect(count(treads, 'Q')).toBe(6 - short.folds.length)
    expect(words.filter(({ anchor }) => anchor === 'middle').map(({ words: told }) => told)).toEqual([
      expect.stringMatching(/^−\d+: lower, ./),
    ])
  })
  test('there is none from a step without a shape, or to another string', () => {
    const [first, second] = lane('F').steps
    if (!first || !second) throw new Error('a lane has seven steps')
    expect(hopTo(second, undefined)).toBeUndefined()
    expect(hopTo(second, { ...first, string: 1 })).toBeUndefined()
    expect(hopTo(second, { ...first, shape: undefined })).toBeUndefined()
  })
})

test('threads run through every stopped tone of every shape', () => {
  const major = lane('F')
  const stopped = major.steps.flatMap(({ shape }) => shape?.frets.filter((fret) => fret !== null && fret > 0) ?? [])
  const d = threads(major, layoutOf(major))
  expect(count(d, 'M')).toBe(7)
  expect(count(d, 'L')).toBe(stopped.length - 7)
})
