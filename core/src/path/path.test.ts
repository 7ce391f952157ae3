import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Chord, readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { fingertipMm, neckOf, readTuning, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { ENSEMBLES, MANNERS } from '../taste/index.ts'
import { PATH_WEIGHTS } from '../tune/index.ts'
import { type Frets, readFrets, writeFrets } from '../voicing/index.ts'
import { everyWay } from './everyWay.testkit.ts'
import {
  type Alternative,
  findPath,
  PATH_WISHES,
  type PathFound,
  type PathQuestion,
  type PathShape,
  type PathWishes,
  pairVoices,
  pathSolver,
  rememberingSolver,
  settledWishes,
  stepBetween,
  wantedTests,
} from './index.ts'
import { compile, stepCosts } from './matrix.ts'

const standard = neckOf(STANDARD_INSTRUMENT)
const chord = (symbol: string): Chord => must(readSymbol(symbol))
const frets = (text: string): Frets => must(readFrets(text, 6))
/** Strings as they are counted by players. */
const set = (text: string) => [...text].map((number) => 6 - Number(number)).sort((a, b) => a - b)
const asked = (
  symbols: string,
  changes: Partial<PathQuestion> = {},
  wishes: Partial<PathWishes> = {},
): PathQuestion => ({
  chords: symbols.split(' ').map(chord),
  neck: standard,
  hand: MEDIUM_HAND,
  thumb: false,
  wishes: { ...PATH_WISHES, manner: 'comp', open: 'never', strings: [set('5432')], ...wishes },
  weights: PATH_WEIGHTS,
  loop: false,
  held: [],
  best: 1,
  ...changes,
})
const written = ({ shapes }: Pick<PathFound, 'shapes'>) =>
  shapes.map((shape) => (shape ? writeFrets(shape.frets) : '–')).join(' ')

describe('voices', () => {
  test.each([
    [[40, 45, 50], [41, 45, 49], 2, [1, 0, -1]],
    // The voice without a partner is the one that leaves the least for the others.
    [[40, 50], [41, 47, 50], 1 + 2, [1, undefined, 0]],
    [[41, 47, 50], [40, 50], 1 + 2, [-1, undefined, 0]],
    [[50], [40, 51, 60], 1 + 4, [undefined, 1, undefined]],
  ])('from %j to %j they go %d', (from, to, sum, moves) => expect(pairVoices(from, to)).toEqual({ sum, moves }))

  const voices = fc
    .array(fc.integer({ min: 40, max: 80 }), { minLength: 1, maxLength: 5 })
    .map((all) => all.toSorted((a, b) => a - b))
  test('no other pairing of any voices goes less', () => {
    const least = (few: readonly number[], many: readonly number[]): number => {
      const [first, ...rest] = few
      if (first === undefined) return 0
      return Math.min(...many.map((one, at) => Math.abs(one - first) + least(rest, many.toSpliced(at, 1))))
    }
    fc.assert(
      fc.property(voices, voices, (a, b) => {
        const [few, many] = a.length <= b.length ? [a, b] : [b, a]
        expect(pairVoices(a, b).sum).toBe(least(few, many) + 2 * (many.length - few.length))
        const paired = pairVoices(a, b).moves.filter((by) => by !== undefined)
        expect(paired.length).toBe(few.length)
        expect(paired.reduce((sum, by) => sum + Math.abs(by), 0)).toBe(least(few, many))
      }),
    )
  })
})

test('the terms of a step, counted by hand: x5756x to x5546x', () => {
  const held = [
    { chord: 0, frets: frets('x5756x') },
    { chord: 1, frets: frets('x5546x') },
  ]
  const { steps, shapes } = findPath(asked('Dm7 G7', { held }))
  // D A C F to D G B F: two voices fall by three semitones together, D and F stay, the index goes from fret 5 to fret 4.
  const mm = fingertipMm(648, 5) - fingertipMm(648, 4)
  expect(steps[1]).toMatchObject({ moves: [0, -2, -1, 0], staying: 2, handMm: mm })
  expect(steps[1]?.parts).toMatchObject({ stays: -0.3, top: 0, bass: 0, same: 0, hand: 0.015 * mm, wishes: 0 })
  expect(steps[1]?.parts.voices).toBeCloseTo(0.36, 9)
  expect(shapes[0]?.parts.taste).toBeCloseTo(3 * (shapes[0]?.taste.total ?? 0), 9)
})

describe('the least path', () => {
  test('Dm7 G7 Cmaj7 on 5 4 3 2: two voices fall at a time, two stay', () => {
    const found = findPath(asked('Dm7 G7 Cmaj7', {}, { arrangements: [{ kind: 'named', name: 'drop-2' }], fretMax: 7 }))
    expect(written(found)).toBe('x5756x x5546x x3545x')
    expect(found.steps[1]).toMatchObject({ moves: [0, -2, -1, 0], staying: 2 })
  })

  test('the parts add up to the total', () => {
    const found = findPath(
      asked('Fm9 Bbm7 Eb13 Abmaj9 Dbmaj7', { loop: true, best: 3 }, { strings: [set('5432'), set('6432')] }),
    )
    const sum =
      found.shapes.reduce((all, shape) => all + (shape ? shape.parts.taste + shape.parts.wishes : 0), 0) +
      found.steps.reduce((all, step) => all + (step ? Object.values(step.parts).reduce((a, b) => a + b, 0) : 0), 0)
    expect(sum).toBeCloseTo(found.total, 9)
    expect(found.steps.length).toBe(5)
    expect(found.others.length).toBe(2)
    expect(found.others[0]?.total).toBeGreaterThanOrEqual(found.total)
    expect(new Set([found, ...found.others].map(written)).size).toBe(3)
  })

  const symbols = fc.array(fc.constantFrom('Dm7', 'G7', 'Cmaj7', 'F', 'Bm7b5', 'E7b9', 'A13', 'C'), {
    minLength: 1,
    maxLength: 4,
  })
  const wishes = fc.record({
    fretMin: fc.constantFrom(1, 4),
    fretMax: fc.constantFrom(8, 9),
    open: fc.constantFrom('never' as const, 'allow' as const),
    stream: fc.boolean(),
    topStepwise: fc.boolean(),
    bassLine: fc.constantFrom(undefined, 'rising' as const, 'falling' as const),
    aboveBass: fc.boolean(),
    roots: fc.constantFrom(undefined, [1, 2]),
    strings: fc.constantFrom(undefined, [set('5432')], [set('432'), set('532')], [set('4321'), set('543')]),
    manner: fc.constantFrom(...MANNERS),
    ensemble: fc.constantFrom(...ENSEMBLES),
  })
  test('equals trying every way, whatever is wished, round and round, the best three', () =>
    fc.assert(
      fc.property(symbols, wishes, fc.boolean(), (names, wish, loop) => {
        const question = asked(names.join(' '), { loop, best: 3, candidates: 9 }, wish)
        const all = everyWay(question)
        const found = findPath(question)
        const ways = [found, ...found.others]
        expect(ways.length).toBe(Math.min(3, all.length))
        for (const [place, way] of ways.entries()) expect(way.total).toBeCloseTo(all[place]?.total as number, 6)
        expect(new Set(ways.map(written)).size).toBe(ways.length)
      }),
      { numRuns: 60 },
    ))

  test('another shape: what the whole path then costs is the least with that shape held', () =>
    fc.assert(
      fc.property(symbols, fc.boolean(), fc.integer({ min: 0, max: 3 }), (names, loop, at) => {
        const place = at % names.length
        const question = asked(names.join(' '), { loop }, { strings: [set('5432'), set('4321')] })
        const solver = pathSolver(question)
        const others = solver.alternatives(place, 6)
        expect(others[0]?.total ?? 0).toBeCloseTo(solver.best().total, 6)
        for (const { shape, total } of others)
          expect(findPath({ ...question, held: [{ chord: place, frets: shape.frets }] }).total).toBeCloseTo(total, 6)
        expect(others.map(({ total }) => total)).toEqual(others.map(({ total }) => total).toSorted((a, b) => a - b))
        // Only some of them: the same costs, and none that is cheaper is left out.
        const isLow = ({ indexMm = 0 }: PathShape) => indexMm < 150
        const every = solver.alternatives(place, 1000)
        const costs = (all: readonly Alternative[]) => all.map(({ total }) => total.toFixed(6))
        expect(costs(solver.alternatives(place, 5, isLow))).toEqual(
          costs(every.filter(({ shape }) => isLow(shape)).slice(0, 5)),
        )
      }),
      { numRuns: 30 },
    ))

  test('a solver that remembers answers as a new one does', () => {
    const solve = rememberingSolver()
    for (const symbols_ of ['Dm7 G7 Cmaj7', 'Dm7 G7 Em7', 'Dm7 Db7 Cmaj7'])
      for (const change of [{}, { loop: true }, { weights: { ...PATH_WEIGHTS, hand: 0 } }])
        expect(solve(asked(symbols_, change)).best()).toEqual(findPath(asked(symbols_, change)))
  })
})

test('the fast table of steps is the plain one, for shapes with more and fewer voices and open strings', () => {
  const question = asked(
    'Dm7 G7 C',
    {},
    { strings: [set('5432'), set('432'), set('54321')], open: 'allow', fretMax: 9 },
  )
  const shapes = (at: number): readonly PathShape[] =>
    pathSolver(question)
      .alternatives(at, 40)
      .map(({ shape }) => shape)
  for (const wish of [{}, { stream: true, topStepwise: true, bassLine: 'falling' as const }]) {
    const asking = { ...PATH_WISHES, ...wish }
    const [a, b] = [shapes(0), shapes(2)]
    expect(a.length * b.length).toBeGreaterThan(300)
    for (const [after, isSame] of [[b, false] as const, [a, true] as const]) {
      const table = stepCosts(compile(a, 6, ''), compile(after, 6, ''), PATH_WEIGHTS, asking, isSame)
      for (const [i, from] of a.entries())
        for (const [j, to] of after.entries())
          expect(table[i * after.length + j]).toBeCloseTo(stepBetween(from, to, PATH_WEIGHTS, asking, isSame).cost, 9)
    }
  }
})

describe('wishes', () => {
  test('a held shape is kept, in or out of the frets that are asked', () => {
    const held = [{ chord: 1, frets: frets('x-10-12-10-12-x') }]
    const found = findPath(asked('Dm7 G7 Cmaj7', { held }, { fretMax: 9 }))
    expect(written(found).split(' ')[1]).toBe('x-10-12-10-12-x')
    expect(found.gaps).toEqual([{ chord: 1, reason: 'outside' }])
  })

  test('a melody is on top; where no shape has it the chord is told, and the rest stands', () => {
    const found = findPath(asked('Dm7 G7 Cmaj7', { melody: [65, 65, 64] }))
    expect(found.shapes.map((shape) => Math.max(...(shape?.midis ?? []).map((midi) => midi ?? 0)))).toEqual([
      65, 65, 64,
    ])
    const odd = findPath(asked('Dm7 G7 Cmaj7', { melody: [65, 66, 64] }))
    expect(odd.gaps).toEqual([{ chord: 1, reason: 'melody' }])
    expect(written(odd).split(' ')[1]).toBe('–')
    expect(odd.steps[2]).toBeUndefined()
  })

  test('roots lie on strings in turn, each break told as what it costs; none is left without a shape for it', () => {
    const found = findPath(asked('Dm7 G7 Cmaj7 Fmaj7', {}, { strings: [set('532'), set('432')], roots: [1, 2] }))
    expect(found.shapes.map((shape) => shape?.frets.findIndex((fret) => fret !== null))).toEqual([1, 2, 1, 2])
    expect(found.shapes.every((shape) => shape?.degrees.find((degree) => degree !== null) === 'R')).toBe(true)
    const nowhere = findPath(asked('Dm7', {}, { roots: [5] }))
    expect(nowhere.gaps).toEqual([])
    expect(nowhere.shapes[0]?.parts.wishes).toBe(2)
  })

  test('a stream keeps its strings; above the bass player nothing sounds lower than E3', () => {
    const stream = findPath(asked('Dm7 G7 Cmaj7 A7b9', {}, { strings: [set('6432'), set('6543')], stream: true }))
    expect(
      new Set(stream.shapes.map((shape) => shape?.frets.map((fret) => (fret === null ? 'x' : 'o')).join(''))).size,
    ).toBe(1)
    const above = findPath(asked('Dm7 G7 Cmaj7', {}, { strings: [set('4321')], aboveBass: true }))
    expect(
      Math.min(...above.shapes.flatMap((shape) => (shape?.midis ?? []).flatMap((midi) => midi ?? []))),
    ).toBeGreaterThanOrEqual(52)
  })

  test.each([
    ['nothing lies there', asked('Dm7', {}, { fretMin: 12, fretMax: 12 }), 'no-shape'],
    ['the hand is too small', asked('Dm7', { hand: { ...MEDIUM_HAND, pairsMm: [1, 1, 1] } }, { fretMax: 6 }), 'hand'],
    ['all of it is low', asked('C', {}, { strings: [set('654')], fretMax: 4, aboveBass: true }), 'bass'],
  ] as const)('%s: told as such', (_, question, reason) => {
    const { gaps, shapes } = findPath(question)
    expect(gaps).toEqual([{ chord: 0, reason }])
    expect(shapes).toEqual([undefined])
  })

  test('an empty tune has an empty path; one chord goes round to itself', () => {
    expect(findPath({ ...asked('C'), chords: [] })).toEqual({ total: 0, shapes: [], steps: [], others: [], gaps: [] })
    const one = findPath(asked('C', { loop: true }))
    expect(one.steps[0]).toMatchObject({ handMm: 0, staying: 4 })
  })
})

test('open strings leave the hand where it was', () => {
  const open = neckOf({ ...STANDARD_INSTRUMENT, tuning: must(readTuning('D2 G2 D3 G3 B3 D4')) })
  const g = [
    { chord: 0, frets: frets('x00000') },
    { chord: 1, frets: frets('x55555') },
  ]
  const found = findPath({
    ...asked('G C', { neck: open, held: g }),
    wishes: { ...PATH_WISHES, voices: 5, open: 'allow' },
  })
  expect(found.shapes[0]?.indexMm).toBeUndefined()
  expect(found.steps[1]?.parts.hand).toBe(0)
})

test('a shape is wanted by one of its voices, or by its place or the nearest to it on that side', () => {
  const held = [{ chord: 0, frets: must(readFrets('x5756x', 6)) }]
  const shape = findPath(asked('Dm7', { held })).shapes[0] as PathShape
  // D3 A3 C4 F4.
  const isTone = (midi: number, voice: number) => wantedTests({ kind: 'tone', voice, midi })[0]?.(shape)
  expect([50, 57, 60, 65].map(isTone)).toEqual([true, true, true, true])
  expect(isTone(60, 1)).toBe(false)
  const place = (fret: number, not: number) =>
    wantedTests({ kind: 'place', fret, not }).findIndex((test) => test(shape))
  expect([place(5, 9), place(6, 9), place(3, 9), place(4, 2), place(12, 9)]).toEqual([0, 1, 2, 1, -1])
  // It is not taken for what lies on the other side of where the drag began.
  expect([place(6, 5), place(7, 6)]).toEqual([-1, -1])
})

test('what nobody says is as usual: sevenths are comped, triads lie at the nut, barred where nothing may ring', () => {
  const usual = (symbols: string, wishes: Partial<PathWishes> = {}) =>
    settledWishes({ chords: symbols.split(' ').map(chord), wishes: { ...PATH_WISHES, ...wishes } })
  expect(usual('Dm7 G7 C')).toMatchObject({ manner: 'comp', open: 'never' })
  expect(usual('C G Am F7')).toMatchObject({ manner: 'open', open: 'allow' })
  expect(usual('C G Am F', { open: 'never' })).toMatchObject({ manner: 'barre', open: 'never' })
  expect(usual('Dm7 G7', { manner: 'solo' })).toMatchObject({ manner: 'solo', open: 'allow' })
})

test('a tune at the nut is the one that is known; a slash bass is obeyed, and a chord that comes again stays', () => {
  const found = findPath({ ...asked('C G/B Am Am F C/E G G'), wishes: PATH_WISHES })
  expect(written(found)).toBe('x32010 x20003 x02210 x02210 133211 032010 320003 320003')
})
