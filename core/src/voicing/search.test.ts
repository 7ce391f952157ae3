import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol } from '../chord/index.ts'
import { COMMON_TUNINGS, type Neck, neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { NOTE_NAMES } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { everyVoicing } from './everyVoicing.testkit.ts'
import {
  ARRANGEMENT_NAMES,
  type ArrangementChoice,
  fretsAt,
  readArrangement,
  rotate,
  searchVoicings,
  type VoicingQuery,
  voicingAt,
  writeArrangement,
  writeFrets,
} from './index.ts'

const standard = neckOf(STANDARD_INSTRUMENT)

const asking = (symbol: string, more: Partial<VoicingQuery> = {}): VoicingQuery => ({
  chord: must(readSymbol(symbol)),
  neck: standard,
  arrangement: { kind: 'any' },
  school: 'drop-fifth',
  doubling: false,
  fretMin: 1,
  fretMax: 15,
  reachLimitMm: 118,
  open: 'never',
  ...more,
})

const shapesOf = (query: VoicingQuery) => {
  const found = searchVoicings(query)
  return Array.from({ length: found.count }, (_, row) => fretsAt(found, row))
}

/** Strings as players number them, in standard tuning. */
const set = (numbers: string) => [...numbers].map((number) => 6 - Number(number)).sort((a, b) => a - b)

describe('known shapes', () => {
  test.each([
    // The four drop 2 shapes of E♭maj7 on strings 5 4 3 2, worked by counting frets.
    ['Ebmaj7', 'drop-2', '5432', 'x5534x x6878x x-10-12-8-11-x x-13-13-12-15-x'],
    ['Cmaj7', 'drop-3', '6432', '7x554x 8x998x 12x-10-12-12x'],
    ['C', 'close', '432', 'xx201x'],
  ])('%s %s on %s', (symbol, arrangement, strings, expected) => {
    const query = asking(symbol, {
      arrangement: must(readArrangement(arrangement)),
      stringSets: [set(strings)],
      ...(symbol === 'C' ? { open: 'require' as const, fretMax: 4 } : {}),
    })
    const shapes = shapesOf(query).map(writeFrets)
    if (symbol === 'Cmaj7') expect(shapes.length).toBeGreaterThanOrEqual(3)
    else expect(shapes.join(' ')).toBe(expected)
  })

  /** Drop arrangements of R 3 5 7, from the lowest pitch: by lowering voices of the close chord with pencil and paper. */
  const STACKS: Readonly<Record<string, readonly string[]>> = {
    close: ['R 3 5 7', '3 5 7 R', '5 7 R 3', '7 R 3 5'],
    'drop-2': ['R 5 7 3', '3 7 R 5', '5 R 3 7', '7 3 5 R'],
    'drop-3': ['R 7 3 5', '3 R 5 7', '5 3 7 R', '7 5 R 3'],
    'drop-2-4': ['R 5 3 7', '3 7 5 R', '5 R 7 3', '7 3 R 5'],
  }
  const SEVENTHS = ['maj7', '7', 'm7', 'm7b5', 'dim7', 'm(maj7)', '7#5', 'maj7#5', '7b5', '7sus4']

  test.each(SEVENTHS)('every drop 2, drop 3 and drop 2 & 4 inversion of A%s lies where it must', (suffix) => {
    const wide = neckOf({ ...STANDARD_INSTRUMENT, frets: 24, lastReachableFret: 24 })
    for (const [arrangement, sets] of [
      ['drop-2', ['6543', '5432', '4321']],
      ['drop-3', ['6432', '5321']],
      ['drop-2-4', ['6521', '6421', '5421', '6431']],
    ] as const)
      for (const strings of sets) {
        const query = asking(`A${suffix}`, {
          neck: wide,
          arrangement: must(readArrangement(arrangement)),
          stringSets: [set(strings)],
          fretMax: 24,
          span: 12,
        })
        const found = searchVoicings(query)
        const tones = query.chord.formula
        const told = (stack: string) =>
          stack
            .split(' ')
            .map((tone) => tones[['R', '3', '5', '7'].indexOf(tone)])
            .join(' ')
        const stacks = new Set(
          Array.from({ length: found.count }, (_, row) =>
            voicingAt(found, row, query.chord, wide).arrangement.degrees.join(' '),
          ),
        )
        expect([suffix, arrangement, strings, ...[...stacks].sort()]).toEqual([
          suffix,
          arrangement,
          strings,
          ...(STACKS[arrangement] ?? []).map(told).sort(),
        ])
      }
  })

  test.each(['', 'm', 'dim', 'aug', 'sus2', 'sus4'])(
    'all inversions of the D%s triad, close and spread, on every adjacent or split set of three',
    (suffix) => {
      const wide = neckOf({ ...STANDARD_INSTRUMENT, frets: 24, lastReachableFret: 24 })
      const [R, third, fifth] = must(readSymbol(`D${suffix}`)).formula as [string, string, string]
      const expected = {
        close: [`${R} ${third} ${fifth}`, `${third} ${fifth} ${R}`, `${fifth} ${R} ${third}`],
        spread: [`${R} ${fifth} ${third}`, `${third} ${R} ${fifth}`, `${fifth} ${third} ${R}`],
      }
      for (const [arrangement, sets] of [
        ['close', ['654', '543', '432', '321']],
        ['spread', ['643', '532', '421', '653', '542', '431']],
      ] as const)
        for (const strings of sets) {
          const query = asking(`D${suffix}`, {
            neck: wide,
            arrangement: must(readArrangement(arrangement)),
            stringSets: [set(strings)],
            fretMax: 24,
            span: 12,
          })
          const found = searchVoicings(query)
          const stacks = new Set(
            Array.from({ length: found.count }, (_, row) =>
              voicingAt(found, row, query.chord, wide).arrangement.degrees.join(' '),
            ),
          )
          expect([strings, ...[...stacks].sort()]).toEqual([strings, ...expected[arrangement].toSorted()])
        }
    },
  )
})

describe('the search finds exactly what trying every fret finds', () => {
  const necks: readonly Neck[] = COMMON_TUNINGS.filter((tuning) => tuning.strings.length <= 7).map((tuning) =>
    neckOf({ ...STANDARD_INSTRUMENT, tuning, frets: 12, lastReachableFret: 12 }),
  )
  const capoed = neckOf({
    ...STANDARD_INSTRUMENT,
    frets: 12,
    lastReachableFret: 12,
    capo: { fret: 2, strings: [5, 4, 3] },
  })

  const choices: readonly ArrangementChoice[] = [
    { kind: 'any' },
    ...ARRANGEMENT_NAMES.map((name) => ({ kind: 'named' as const, name })),
    { kind: 'list', degrees: ['R', '5', '3'] },
    { kind: 'list', degrees: ['R', '5', 'R', '3'] },
  ]
  const seldom = <T>(one: fc.Arbitrary<T>) =>
    fc.oneof({ arbitrary: fc.constant(undefined), weight: 4 }, { arbitrary: one, weight: 1 })
  const query = fc
    .record({
      entry: fc.constantFrom(...CATALOGUE),
      root: fc.constantFrom(...NOTE_NAMES.filter((name) => name.length < 3)),
      neck: fc.constantFrom(...necks, capoed),
      arrangement: fc.constantFrom(
        ...choices,
        ...choices.slice(0, 4),
        ...Array<ArrangementChoice>(9).fill({ kind: 'any' }),
      ),
      school: fc.constantFrom('drop-fifth' as const, 'drop-root' as const, 'shell' as const),
      doubling: fc.boolean(),
      open: fc.constantFrom('never' as const, 'allow' as const, 'require' as const),
      span: fc.option(fc.integer({ min: 0, max: 5 }), { nil: undefined }),
      fretMin: fc.integer({ min: 1, max: 5 }),
      width: fc.integer({ min: 2, max: 4 }),
      reachLimitMm: fc.integer({ min: 60, max: 140 }),
      shuffle: fc.array(fc.nat(99), { minLength: 7, maxLength: 7 }),
      fewer: fc.constantFrom(0, 0, 0, 1, 1, 2),
      bass: seldom(fc.nat(6)),
      slash: seldom(fc.constantFrom('C' as const, 'F#' as const)),
      omitted: seldom(fc.nat(6)),
      lowest: seldom(fc.integer({ min: 43, max: 55 })),
      highest: seldom(fc.integer({ min: 60, max: 72 })),
      topMidi: fc.oneof(
        { arbitrary: fc.constant(undefined), weight: 19 },
        { arbitrary: fc.integer({ min: 60, max: 72 }), weight: 1 },
      ),
    })
    .map(({ entry, root, neck, shuffle, fewer, bass, slash, omitted, width, ...rest }) => {
      // As many strings as the chord has tones, or one or two fewer, anywhere on the neck.
      const size = Math.min(neck.open.length, width < 3 ? 5 : 4, Math.max(2, entry.formula.length - fewer))
      const usable = neck.open
        .map((_, string) => string)
        .sort((a, b) => (shuffle[a] as number) - (shuffle[b] as number))
        .slice(0, size)
        .sort((a, b) => a - b)
      const made = must(
        readSymbol(
          `${root}${entry.suffix.startsWith('b') || entry.suffix.startsWith('#') ? `(${entry.suffix})` : entry.suffix}`,
        ),
      )
      const toneAt = (index: number | undefined) =>
        index === undefined ? undefined : made.formula[index % made.formula.length]
      const omit = toneAt(omitted)
      return {
        ...rest,
        neck,
        chord: { root: made.root, formula: made.formula, ...(slash === undefined ? {} : { bass: slash }) },
        stringSets: [usable],
        bass: slash === undefined ? toneAt(bass) : undefined,
        omit: omit === undefined ? undefined : [omit],
        fretMax: rest.fretMin + width + 3,
      } satisfies VoicingQuery
    })

  test('on random chords, strings, tunings, capos and limits', () => {
    let found = 0
    fc.assert(
      fc.property(query, (asked) => {
        const expected = everyVoicing(asked).map(writeFrets).sort()
        expect(shapesOf(asked).map(writeFrets).sort()).toEqual(expected)
        found += expected.length
      }),
      { numRuns: 400 },
    )
    expect(found).toBeGreaterThan(50) // comparing nothing with nothing proves nothing
  })

  test.each(['C7', 'Bbmaj7', 'F#m7b5', 'E6', 'Absus4'])(
    '%s on every subset of the strings, no shape twice',
    (symbol) => {
      const asked = asking(symbol, { fretMax: 7 })
      const shapes = shapesOf(asked).map(writeFrets)
      expect(new Set(shapes).size).toBe(shapes.length)
      expect(shapes.toSorted()).toEqual(everyVoicing(asked).map(writeFrets).sort())
      expect(shapes.length).toBeGreaterThan(10)
    },
  )
})

describe('a search with a budget', () => {
  const asked = (budget?: VoicingQuery['budget']) =>
    searchVoicings({ ...asking('C13', { doubling: true, open: 'allow' }), ...(budget ? { budget } : {}) })
  const whole = asked()
  const rows = (found: typeof whole) => Array.from({ length: found.count }, (_, row) => fretsAt(found, row).join())

  test('ends with what it has, in the same order, and says what ended it', () => {
    expect(whole.cut).toBeUndefined()
    const looks: number[] = []
    for (const [budget, cut] of [
      [{ steps: 5000 }, 'steps'],
      [{ steps: Number.POSITIVE_INFINITY, rows: 100 }, 'rows'],
      [{ steps: Number.POSITIVE_INFINITY, isOver: () => looks.push(1) > 1 }, 'time'],
    ] as const) {
      const found = asked(budget)
      expect(found.cut).toBe(cut)
      expect(found.count).toBeLessThan(whole.count)
      expect(rows(found)).toEqual(rows(whole).slice(0, found.count))
    }
    expect(looks).toHaveLength(2)
  })

  test('that is not spent changes nothing', () =>
    expect(asked({ steps: Number.POSITIVE_INFINITY, rows: 1e6, isOver: () => false })).toEqual(whole))
})

describe('rotation', () => {
  test('as many times as there are tones is the same voicing an octave up', () => {
    const wide = neckOf({ ...STANDARD_INSTRUMENT, frets: 36, lastReachableFret: 36 })
    let turned = 0
    for (const { formula } of CATALOGUE.filter((entry) => entry.formula.length === 4)) {
      const query = asking('C', { chord: { root: 'C', formula }, neck: wide, stringSets: [set('5432')], fretMax: 12 })
      const found = searchVoicings(query)
      for (let row = 0; row < found.count; row++) {
        const start = voicingAt(found, row, query.chord, wide)
        let voicing = start
        for (let step = 0; step < start.arrangement.degrees.length; step++)
          voicing = rotate(voicing, wide, 1) ?? voicing
        expect(voicing.frets).toEqual(start.frets.map((fret) => (fret === null ? null : fret + 12)))
        expect(rotate(rotate(start, wide, 1) ?? start, wide, -1)?.frets).toEqual(start.frets)
        turned++
      }
    }
    expect(turned).toBeGreaterThan(50)
  })

  test('keeps a drop arrangement what it is', () => {
    const query = asking('Ebmaj7', { arrangement: { kind: 'named', name: 'drop-2' }, stringSets: [set('5432')] })
    const start = voicingAt(searchVoicings(query), 1, query.chord, standard)
    const next = rotate(start, standard, 1)
    expect(
      [start, next].map(
        (voicing) => voicing && `${voicing.arrangement.name}: ${voicing.arrangement.degrees.join(' ')}`,
      ),
    ).toEqual(['drop-2: R 5 7 3', 'drop-2: 3 7 R 5'])
  })
})

test.each(['any', 'close', 'drop-2', 'drop-2-4', 'shell', 'R-7-3-5'])(
  'the arrangement %s is read back as written',
  (text) => expect(writeArrangement(must(readArrangement(text)))).toBe(text),
)
test.each([
  ['drop 2 & 4', 'drop-2-4'],
  ['Drop2', 'drop-2'],
  ['R 7 3 5', 'R-7-3-5'],
])('%s means %s', (typed, text) => expect(writeArrangement(must(readArrangement(typed)))).toBe(text))
test('a word that is no arrangement is refused with its place', () =>
  expect(readArrangement('R-7-q')).toMatchObject({ ok: false, error: { at: 4 } }))
