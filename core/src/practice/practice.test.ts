import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Chord, readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT, stringIndex } from '../neck/index.ts'
import { type NoteName, pitchClassOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { type Frets, readFrets, tonesReader, writeFrets } from '../voicing/index.ts'
import {
  CYCLES,
  type Cycle,
  chanceOf,
  cycleOf,
  leastRun,
  movedShapes,
  type PlaceRule,
  type RunPlace,
  type RunPlaces,
  runOf,
  spelledFor,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const strings = (...numbers: readonly number[]) => numbers.map((number) => stringIndex(number, neck.open.length))
const formula = (symbol: string) => must(readSymbol(symbol)).formula
const names = (cycle: Cycle, from: NoteName, more = {}) =>
  cycleOf({ cycle, from, ...more })
    .map((root) => spelledFor(root, ['R', '3', '5', 'b7']).root)
    .join(' ')

describe('cycles', () => {
  test.each([
    ['fourths', 'E', {}, 'E A D G C F Bb Eb Ab Db Gb B'],
    ['fourths', 'E', { down: true }, 'E B Gb Db Ab Eb Bb F C G D A'],
    ['fifths', 'C', {}, 'C G D A E B Gb Db Ab Eb Bb F'],
    ['semitones', 'G', { down: true }, 'G Gb F E Eb D Db C B Bb A Ab'],
    ['whole-tones', 'C', {}, 'C D E Gb Ab Bb'],
    ['whole-tones', 'C', { all: true }, 'C D E Gb Ab Bb B Db Eb F G A'],
    ['minor-thirds', 'A', {}, 'A C Eb Gb'],
    ['minor-thirds', 'A', { all: true }, 'A C Eb Gb Ab B D F G Bb Db E'],
    ['major-thirds', 'F', { down: true }, 'F Db A'],
    ['stay', 'Ab', {}, 'Ab'],
    ['major-thirds', 'F', { all: true }, 'F A Db E Ab C Eb G B D Gb Bb'],
  ] as const)('%s from %s %j', (cycle, from, more, expected) => expect(names(cycle, from, more)).toBe(expected))

  test('every cycle begins where it is asked, visits no root twice, and all of them where that is asked', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CYCLES),
        fc.constantFrom<NoteName[]>('C', 'F#', 'Bb', 'E'),
        fc.boolean(),
        fc.integer({ min: 0, max: 99 }),
        (cycle, from, down, seed) => {
          const random = chanceOf(seed)
          const roots = cycleOf({ cycle, from, down, all: true, random })
          expect(roots[0]).toBe(pitchClassOf(from))
          expect(roots.toSorted((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
        },
      ),
    ))

  test('a shuffle is the same for the same seed, and seldom for another', () => {
    const order = (seed: number) => cycleOf({ cycle: 'shuffle', from: 'C', random: chanceOf(seed) }).join()
    expect(order(7)).toBe(order(7))
    expect(new Set(Array.from({ length: 20 }, (_, seed) => order(seed))).size).toBeGreaterThan(18)
  })

  test('a closed cycle would come back to its first root by the same step', () => {
    for (const [cycle, step] of [
      ['fourths', 5],
      ['fifths', 7],
      ['semitones', 1],
      ['whole-tones', 2],
      ['minor-thirds', 3],
      ['major-thirds', 4],
    ] as const) {
      const roots = cycleOf({ cycle, from: 'D' })
      expect(((roots.at(-1) ?? 0) + step) % 12, cycle).toBe(roots[0])
    }
  })
})

test.each([
  ['m7', 1, 'Db', 'C#'],
  ['m7', 3, 'Eb', 'D#'],
  ['m7', 6, 'F#', 'Gb'],
  ['m7', 8, 'Ab', 'G#'],
  ['m7b5', 1, 'C#', 'Db'],
  ['maj7', 1, 'Db', 'C#'],
  ['maj7', 8, 'Ab', undefined],
  ['7', 10, 'Bb', undefined],
  ['m7b5', 6, 'F#', 'Gb'],
  ['m7', 4, 'E', undefined],
])('C%s on pitch class %d is called %s, or %s', (suffix, pitchClass, root, twin) => {
  const spelled = spelledFor(pitchClass, formula(`C${suffix}`))
  expect(spelled.root).toBe(root)
  if (twin) expect(spelled.twin).toBe(twin)
})

describe('runs', () => {
  const run = (symbol: string, rule: PlaceRule, cycle: Cycle = 'fourths', from: NoteName = 'E') =>
    runOf({ material: { kind: 'chord', formula: formula(symbol) }, cycle, from, rule, fretMax: 15 }, neck, MEDIUM_HAND)

  test('minor sevenths by fourths with the root on 6 and 5 in turn', () => {
    const steps = run('Cm7', { kind: 'in-turn', strings: strings(5, 6) })
    expect(steps.map(({ root }) => root).join(' ')).toBe('E A D G C F Bb Eb Ab Db F# B')
    expect(steps.map(({ string }) => 6 - (string ?? 9)).join('')).toBe('565656565656')
    expect(steps.map(({ shape }) => (shape ? writeFrets(shape.frets) : '')).slice(0, 4)).toEqual([
      'x7978x',
      '5x555x',
      'x5756x',
      '3x333x',
    ])
    expect(steps[0]?.hopMm).toBeUndefined()
    // Two frets down every other step, and once up the neck where it ends.
    expect(steps.map(({ hopFrets }) => hopFrets ?? '').join(' ')).toBe(' -2 0 -2 0 10 0 -2 0 -2 0 -2')
    expect(steps.filter(({ hopMm = 0 }) => hopMm > 100).map(({ root }) => root)).toEqual(['F'])
  })

  test('a step has its chord’s tones and its root in the bass on its string, and hops add up', () => {
    for (const symbol of ['Cm7', 'C7', 'Cmaj7', 'C', 'Cm7b5'])
      for (const cycle of CYCLES) {
        const steps = run(symbol, { kind: 'nearest', strings: strings(6, 5, 4) }, cycle)
        let lowest = 0
        for (const { chord, shape, string, hopFrets } of steps) {
          if (!shape || string === undefined) throw new Error(`${symbol} by ${cycle} lacks ${chord.root}`)
          expect(tonesReader(chord, neck)(shape.frets)?.degrees[string]).toBe('R')
          const here = Math.min(...shape.frets.flatMap((fret) => fret ?? []))
          if (hopFrets !== undefined) expect(here).toBe(lowest + hopFrets)
          lowest = here
        }
      }
  })

  const place = (indexMm: number): RunPlace => ({
    indexMm,
    string: 0,
    shape: {} as RunPlace['shape'],
    chord: {} as Chord,
  })
  test('the places are the least of all ways, whatever lies where', () => {
    const every = (layers: readonly (readonly number[])[]): number => {
      const ways = layers.reduce<number[][]>(
        (all, layer) => (layer.length === 0 ? all : all.flatMap((way) => layer.map((one) => [...way, one]))),
        [[]],
      )
      return Math.min(
        ...ways.map((way) => way.slice(1).reduce((sum, one, at) => sum + Math.abs(one - (way[at] as number)), 0)),
      )
    }
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 400 }), { maxLength: 3 }), { maxLength: 7 }),
        (layers) => {
          const taken = leastRun(layers.map((layer) => layer.map((mm): RunPlaces => [place(mm)])))
          expect(taken.map((one) => one !== undefined)).toEqual(layers.map(({ length }) => length > 0))
          const way = taken.flatMap((one) => (one ? [one[0].indexMm] : []))
          const cost = way.slice(1).reduce((sum, one, at) => sum + Math.abs(one - (way[at] as number)), 0)
          expect(cost).toBe(way.length === 0 ? 0 : every(layers))
        },
      ),
    )
  })

  test('a dearer grip is taken only where the way to a better one is longer than what it costs more', () => {
    const dear = (mm: number, dearerMm: number): RunPlaces => [{ ...place(mm), dearerMm }]
    const taken = (...layers: readonly (readonly RunPlaces[])[]) => leastRun(layers).map((one) => one?.[0].indexMm)
    expect(taken([[place(0)]], [dear(10, 60), [place(50)]])).toEqual([0, 50])
    expect(taken([[place(0)]], [dear(10, 30), [place(50)]])).toEqual([0, 10])
  })

  test('the first root is called as it was asked for, its twin beside it', () => {
    const [first] = run('Cm7', { kind: 'nearest', strings: strings(6) }, 'fourths', 'Db')
    expect([first?.root, first?.twin, first?.chord.root]).toEqual(['Db', 'C#', 'Db'])
  })

  const own = (text: string, symbol: string) => ({
    chord: must(readSymbol(symbol)),
    frets: must(readFrets(text, 6)) as Frets,
  })
  const ownRun = (from: NoteName, ...shapes: readonly ReturnType<typeof own>[]) => {
    const rule = { kind: 'nearest', strings: [] } as const
    const steps = runOf(
      { material: { kind: 'shapes', shapes }, cycle: 'fourths', from, rule, fretMax: 17 },
      neck,
      MEDIUM_HAND,
    )
    return steps.map(({ root, shape }) => ({ root, frets: shape && writeFrets(shape.frets) }))
  }

  test('of shapes of one’s own each is placed by itself: no root is left out for one that lies high', () => {
    const shapes = ['x5756x', 'x-10-12-10-12-x', 'x-15-17-16-17-x'] as const
    const steps = ownRun('D', own(shapes[0], 'Dm7'), own(shapes[1], 'G7'), own(shapes[2], 'Cmaj7'))
    expect(steps.length).toBe(36)
    expect(steps.every(({ frets }) => frets !== undefined)).toBe(true)
    expect(steps.slice(0, 3).map(({ frets }) => frets)).toEqual(shapes)
    // The row goes on from there as it did.
    const onA = steps.findIndex(({ root }, index) => index % 3 === 0 && root === 'A')
    expect(steps.slice(onA, onA + 3).map(({ root }) => root)).toEqual(['A', 'D', 'G'])
  })

  test.each(['x3545x', 'x-15-17-16-17-x'])('a run of %s begins where it was held', (text) =>
    expect(ownRun('C', own(text, 'Cmaj7'))[0]?.frets).toBe(text),
  )

  test('a root that has no place is told, and the run goes on', () => {
    const steps = runOf(
      {
        material: { kind: 'chord', formula: formula('Cm7') },
        cycle: 'fourths',
        from: 'E',
        rule: { kind: 'in-turn', strings: strings(6) },
        fretMax: 5,
      },
      neck,
      MEDIUM_HAND,
    )
    expect(steps.find(({ root }) => root === 'B')?.shape).toBeUndefined()
    expect(steps.find(({ root }) => root === 'A')?.shape).toBeDefined()
  })
})

test('a shape of one’s own moves with all its frets, as far as the neck goes', () => {
  const moved = (text: string, by: number, fretMax = 15) =>
    movedShapes(must(readFrets(text, 6)) as Frets, by, neck, fretMax).map((frets) => writeFrets(frets))
  expect(moved('x3545x', 2)).toEqual(['x5767x'])
  expect(moved('x3545x', -2)).toEqual(['x1323x', 'x-13-15-14-15-x'])
  expect(moved('x3545x', -3)).toEqual(['x-12-14-13-14-x'])
  expect(moved('x3545x', -3, 12)).toEqual([])
  expect(moved('x7978x', 5, 24)).toEqual(['x-12-14-12-13-x'])
})
