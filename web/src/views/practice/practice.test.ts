import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import { must } from '@nestling/core/result'
import { stringEvents } from '@nestling/core/time'
import { readFrets } from '@nestling/core/voicing'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEFAULT_SETTINGS, playerOf } from '../../contracts/settings.ts'
import { readRun, writeRun } from './address.ts'
import { tonesOf } from './run/tones.ts'
import { runWindow } from './run/window.ts'
import { BEATS_IN_BAR, notesOf, scoreOf } from './toScore.ts'
import { SHOWINGS } from './types.ts'
import { stepsOf } from './useRun.ts'

const player = playerOf(DEFAULT_SETTINGS)
const neck = neckOf(STANDARD_INSTRUMENT)
const read = (query: string) => readRun(Object.fromEntries(new URLSearchParams(query)), player)
const frets = (text: string) => must(readFrets(text, 6))

describe('the address of a run', () => {
  test('an empty one is a run that anybody can play', () =>
    expect(writeRun(read('').plan, 6)).toBe('/practice?material=m7&place=5-and-6&cycle=fourths&from=E'))
  test('whatever it is, it is written as it was read', () =>
    fc.assert(
      fc.property(
        fc.record({
          material: fc.constantFrom('m7', 'arpeggio maj9', 'Fm9=x8688x,Bbm7=6x666x', '7b9'),
          place: fc.constantFrom('5-and-6', 'nearest', '4', '6'),
          cycle: fc.constantFrom('fourths', 'shuffle', 'stay', 'minor-thirds'),
          from: fc.constantFrom('E', 'Ab', 'F#'),
          down: fc.constantFrom('true', 'false'),
          all: fc.constantFrom('true', 'false'),
          seed: fc.constantFrom('1', '77'),
          bars: fc.constantFrom('1', '3'),
          showing: fc.constantFrom(...SHOWINGS),
          title: fc.constantFrom('', 'Slow Ferry'),
        }),
        (texts) => {
          const first = writeRun(read(new URLSearchParams(texts).toString()).plan, 6)
          expect(writeRun(read(first.replace('/practice?', '')).plan, 6)).toBe(first)
          expect(new URLSearchParams(first.slice(10)).get('material')).toBe(texts.material)
        },
      ),
    ))
  test('shapes of one’s own begin on their own root, and a row of them is played as it stands', () => {
    expect(read('material=Fm9=x8688x').plan).toMatchObject({ from: 'F', cycle: 'fourths' })
    expect(read('material=Fm9=x8688x,Bbm7=6x666x').plan).toMatchObject({ from: 'F', cycle: 'stay' })
  })
  test('what can’t be read is told, and the rest opens', () => {
    const { plan, typed } = read('material=zz&from=A&place=9&bars=7&tempo=900')
    expect(typed).toMatchObject({ line: 'zz', problem: { at: 0 } })
    expect(plan).toMatchObject({ from: 'A', bars: 1 })
    expect(read('tempo=900').tempo).toBeUndefined()
    expect(read('tempo=92').tempo).toBe(92)
  })
})

describe('a run as music', () => {
  const { plan } = read('material=m7')
  const steps = stepsOf(plan, neck, player)
  const settings = { ...DEFAULT_SETTINGS, drums: true, bassStandIn: true, countInBars: 0 }
  test('has a cue on every beat, a bar counted in, and the bass under each chord', () => {
    const score = scoreOf(steps, 2, settings, undefined)
    expect(score.countIn).toBe(BEATS_IN_BAR)
    expect(score.cues?.map(({ mark }) => mark)).toEqual(Array.from({ length: 96 }, (_, beat) => beat))
    expect(score.cues?.[0]?.at).toBe(4)
    expect(score.events.filter(({ part }) => part === 'bass')).toHaveLength(12)
    expect(stringEvents(score)).toHaveLength(0)
  })
  test('a simulated player strikes each chord on its first beat', () => {
    const score = scoreOf(steps, 1, settings, (step, _, at, beats) =>
      notesOf(step, neck).map((note) => ({ ...note, part: 'strings', at, length: beats, loud: 1 })),
    )
    const struck = stringEvents(score)
    expect(struck).toHaveLength(48)
    expect(new Set(struck.map(({ at }) => (at - 4) % 4))).toEqual(new Set([0]))
  })
})

describe('the window of a run', () => {
  const ask = { neck, width: 1232, lowOnTop: false, leftHanded: false }
  test('holds this place and the next with a fret on each side', () => {
    const { from, to, isFar } = runWindow({ ...ask, now: frets('x-11-13-11-12-x'), next: frets('9x999x') })
    expect([from, to, isFar]).toEqual([8, 14, false])
  })
  test('a place too far off is left out: the frets stay large', () => {
    const { from, to, isFar } = runWindow({ ...ask, now: frets('1x111x'), next: frets('x-11-13-11-12-x') })
    expect([from, to, isFar]).toEqual([1, 5, true])
  })
  test('on a narrow screen only the hand’s own place is there', () => {
    const window = runWindow({ ...ask, width: 366, now: frets('x5756x'), next: frets('5x555x') })
    expect([window.from, window.to, window.isFar]).toEqual([4, 8, true])
    expect(window.tipX(5)).toBeGreaterThan(window.left)
    expect(window.tipX(7)).toBeLessThan(366 - window.right)
  })
  test('every string and every fret lies within the drawing, whichever way it faces', () =>
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), fc.integer({ min: 340, max: 1400 }), (lowOnTop, leftHanded, width) => {
        const shape = frets('x5756x')
        const window = runWindow({ neck, width, lowOnTop, leftHanded, now: shape, next: frets('5x555x') })
        for (const [string, fret] of shape.entries()) {
          expect(window.y(string)).toBeGreaterThan(0)
          expect(window.y(string)).toBeLessThan(window.height)
          if (fret !== null) expect(window.tipX(fret)).toBeGreaterThan(0)
          if (fret !== null) expect(window.tipX(fret)).toBeLessThan(width)
        }
        expect(Math.sign(window.wireX(window.to) - window.wireX(window.from))).toBe(leftHanded ? -1 : 1)
        expect(Math.sign(window.y(0) - window.y(5))).toBe(lowOnTop ? -1 : 1)
      }),
    ))
})

test('of an arpeggio every tone is a place of its own, its first root first; of a shape one a string', () => {
  const [step] = stepsOf(read('material=arpeggio+m7').plan, neck, player)
  if (!step?.line) throw new Error('an arpeggio has a line')
  const tones = tonesOf(step)
  expect(new Set(tones.map(({ string, fret }) => `${string} ${fret}`)).size).toBe(tones.length)
  for (const { string, fret } of step.line)
    expect(tones.some((tone) => tone.string === string && tone.fret === fret)).toBe(true)
  expect(tones.filter(({ isRoot }) => isRoot)).toEqual([tones[0]])
  const [shape] = stepsOf(read('material=m7').plan, neck, player)
  expect(shape && tonesOf(shape)).toMatchObject([
    { string: 1, degree: 'R', isRoot: true },
    { degree: '5' },
    { degree: 'b7' },
    { degree: 'b3' },
  ])
})
