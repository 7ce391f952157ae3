import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { writeSymbol } from '../chord/index.ts'
import { fingeringsOf, handVerdict, MEDIUM_HAND } from '../hand/index.ts'
import { chordScale, DEPTH_SCHOOLS, DEPTHS, type Depth, keyOf, readKey, SCALES } from '../key/index.ts'
import { type Neck, neckOf, readKnownTuning, readTuning, STANDARD_INSTRUMENT, soundingMidi } from '../neck/index.ts'
import { degreePitchClass, NOTE_NAMES, pitchClassOf, stepOf } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { type Frets, fretsAt, highestPressed, searchVoicings, soundingStrings, writeFrets } from '../voicing/index.ts'
import {
  capoKeys,
  keyOnNeck,
  type Lane,
  type LaneAsk,
  laneNames,
  laneOf,
  lanesOfAllKeys,
  laneThatFits,
  nearestShape,
  type ToneNumber,
  tonesOn,
  tuningKey,
} from './index.ts'

const standard = neckOf(STANDARD_INSTRUMENT)
const tuned = (tuning: string) => neckOf({ ...STANDARD_INSTRUMENT, tuning: must(readTuning(tuning)) })
const FRET_MAX = 17
const root = (string: number): LaneAsk => ({ kind: 'root', string })

type School = (typeof DEPTH_SCHOOLS)[number]
const lane = (key: string, depth: Depth, ask: LaneAsk, neck = standard, school: School = 'honest'): Lane =>
  laneOf(chordScale(must(readKey(key)), depth, school), ask, neck, MEDIUM_HAND, { fretMax: FRET_MAX })
const frets = ({ steps }: Lane) => steps.map(({ shape, gap }) => (shape ? writeFrets(shape.frets) : gap)).join(' ')

// As players hold them: the roots' frets counted on the strings, the orders R 7 3 5 and R 5 7 3.
test.each([
  [
    'C',
    'sevenths',
    root(0),
    '8x998x 10-x-10-10-10-x 12-x-12-12-12-x 13-x-14-14-13-x 15-x-15-16-15-x 17-x-17-17-17-x 7x776x',
  ],
  ['C', 'sevenths', root(1), 'x3545x x5756x x7978x x-8-10-9-10-x x-10-12-10-12-x x-12-14-12-13-x x-14-15-14-15-x'],
  ['Ab', 'sevenths', root(0), '4x554x 6x666x 8x888x 9-x-10-10-9-x 11-x-11-12-11-x 13-x-13-13-13-x 15-x-15-15-14-x'],
  ['Bb', 'sevenths', root(1), 'x1323x x3534x x5756x x6878x x-8-10-8-10-x x-10-12-10-11-x x-12-13-12-13-x'],
  ['G', 'triads', root(0), '320xxx 532xxx 754xxx 875xxx 10-9-7-x-x-x 12-10-9-x-x-x 14-12-10-x-x-x'],
  [
    'D',
    'triads',
    { kind: 'order', strings: [3, 4, 5], order: [1, 3, 5] },
    'xxx775 xxx987 x-x-x-11-10-9 x-x-x-12-12-10 x-x-x-14-14-12 x-x-x-16-15-14 xxx653',
  ],
  [
    'D',
    'triads',
    { kind: 'order', strings: [3, 4, 5], order: [1, 3, 5], forms: 3 },
    'xxx232 xxx453 xxx675 xxx787 x-x-x-9-10-9 x-x-x-11-12-10 x-x-x-12-14-12',
  ],
] as const)('%s in %s', (key, depth, ask, expected) => expect(frets(lane(key, depth, ask as LaneAsk))).toBe(expected))

test('ninths of G fit on string 6, of D on string 5', () => {
  const fit = (key: string) =>
    laneThatFits(must(readKey(key)), 'ninths', 'plain', [root(0), root(1)], standard, MEDIUM_HAND, {
      fretMax: FRET_MAX,
    })
  expect(fit('G')).toMatchObject({ ask: root(0), highest: 14, folds: false })
  expect(fit('D')).toMatchObject({ ask: root(1), highest: 17, folds: false })
  expect(frets(lane('G', 'ninths', root(0), standard, 'plain'))).toBe(
    '3242xx 5354xx 7x777x 8797xx 10-9-10-9-x-x 12-10-12-11-x-x 14-x-14-14-13-x',
  )
})

test('a lane that begins at fret 1 keeps to twelve frets: what would lie further up goes on lower', () => {
  const c = laneOf(chordScale(must(readKey('C')), 'sevenths'), root(0), standard, MEDIUM_HAND, {
    fretMax: FRET_MAX,
    from: 1,
  })
  expect(frets(c)).toBe('8x998x 10-x-10-10-10-x 12-x-12-12-12-x 1x221x 3x343x 5x555x 7x776x')
  expect(c.folds).toEqual([4])
  expect(c.steps.reduce((sum, { hopFrets = 0 }) => sum + hopFrets, 0)).toBe(-1)
})

test('from any fret every step stands within an octave of frets, or says why not', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('C', 'Ab', 'F# dorian', 'E melodic minor'),
      fc.constantFrom(0, 1),
      fc.integer({ min: 1, max: 5 }),
      (key, string, from) => {
        const { steps } = laneOf(chordScale(must(readKey(key)), 'sevenths'), root(string), standard, MEDIUM_HAND, {
          fretMax: FRET_MAX,
          from,
        })
        for (const { shape, gap } of steps) {
          if (shape) expect((shape.frets[string] as number) - from).toBeGreaterThanOrEqual(0)
          if (shape) expect((shape.frets[string] as number) - from).toBeLessThan(12)
          else expect(gap).toBeDefined()
        }
      },
    ),
  ))

test('a stand-in takes its step’s place in the lane, in every key', () => {
  const ask = {
    depth: 'sevenths',
    school: 'honest',
    asks: [root(1)],
    fifthInBass: false,
    standing: [{ step: 2, kind: 'up' }],
  } as const
  for (const [key, symbol] of [
    ['Bb', 'Ebmaj7'],
    ['C', 'Fmaj7'],
  ] as const) {
    const { steps, lanes } = keyOnNeck({ ...ask, key: must(readKey(key)) }, standard, MEDIUM_HAND)
    expect([steps[1], lanes[0]?.steps[1]].map((step) => step && writeSymbol(step.chord, { ascii: true }))).toEqual([
      symbol,
      symbol,
    ])
    expect(steps[1]?.mode.name).toBe('Lydian')
    // The step after it stands where it stood.
    expect([lanes[0]?.folds, lanes[0]?.steps[2]?.gap]).toEqual([[], undefined])
  }
})

test('under a capo the first hop is counted from it', () => {
  const capoed = neckOf({
    ...STANDARD_INSTRUMENT,
    tuning: must(readTuning('D2 G2 D3 G3 B3 D4')),
    capo: { fret: 2, strings: 'all' },
  })
  const ask = {
    kind: 'tones',
    tones: [
      { number: 1, string: 1 },
      { number: 5, string: 2 },
      { number: 3, string: 4 },
    ],
    ring: [3, 5],
  } as const
  const a = laneOf(chordScale(must(readKey('A')), 'triads'), ask, capoed, MEDIUM_HAND, { fretMax: FRET_MAX + 2 })
  expect(frets(a)).toBe('x00000 x44030 x66050 x77070 x99090 x-11-11-0-10-0 x-13-12-0-12-0')
  expect(a.steps.map(({ hopFrets = 0 }) => hopFrets)).toEqual([0, 2, 2, 1, 2, 2, 2])
})

test('the capo: a lane on open strings in twelve keys, dashed where it passes the neck’s end', () => {
  const keys = capoKeys(must(readKey('G')), 0, { highest: 11 }, { lastFret: 18 })
  expect(keys.map(({ key }) => key.tonic).join(' ')).toBe('G Ab A Bb B C Db D Eb E F Gb')
  expect(keys.filter(({ isHigh }) => isHigh).map(({ fret }) => fret)).toEqual([8, 9, 10, 11])
  expect(capoKeys(must(readKey('C')), 5, { highest: 16 }, { lastFret: 18 })[0]?.key.tonic).toBe('G')
})

test.each([
  ['D2 G2 D3 G3 B3 D4', 'G major (Ionian)'],
  ['D2 A2 D3 F3 A3 D4', 'D natural minor (Aeolian)'],
  ['D2 A2 D3 G3 A3 D4', 'D major (Ionian)'],
  ['C2 G2 C3 G3 C4 E4', 'C major (Ionian)'],
  ['E2 A2 D3 G3 B3 E4', undefined],
])('the tuning %s is made for %s', (tuning, key) => {
  const found = tuningKey(tuned(tuning))
  expect(found && `${found.tonic} ${found.scale.name}`).toBe(key)
})

test('where the neck ends the lane goes on an octave lower, and says why', () => {
  const { steps, folds } = lane('C', 'sevenths', root(0))
  expect(folds).toEqual([7])
  expect(steps[6]).toMatchObject({ gap: 'past', hopFrets: -10 })
})

test('the fifth in the bass lies under the same hand, and a flat fifth is not added', () => {
  const steps = chordScale(must(readKey('Bb')), 'sevenths')
  const { steps: with5 } = laneOf(steps, root(1), standard, MEDIUM_HAND, { fretMax: FRET_MAX, fifthInBass: true })
  expect(writeFrets(with5[3]?.shape?.frets ?? [])).toBe('66878x')
  expect(writeFrets(with5[6]?.shape?.frets ?? [])).toBe('x-12-13-12-13-x')
})

describe('in an open tuning, by tone', () => {
  const open = tuned('D2,G2,D3,G3,B3,D4')
  const triads: LaneAsk = {
    kind: 'tones',
    tones: [
      { number: 1, string: 1 },
      { number: 5, string: 2 },
      { number: 3, string: 4 },
    ],
    ring: [3, 5],
  }
  test('roots on 5, fifths on 4, thirds on 2, strings 3 and 1 ringing: from the open strings up', () => {
    const made = lane('G', 'triads', triads, open)
    expect(frets(made)).toBe('x00000 x22010 x44030 x55050 x77070 x99080 x-11-10-0-10-0')
    const told = made.steps.map(({ shape, chord }) => {
      const [name] = laneNames(shape?.frets ?? [], chord, open)
      return name ? writeSymbol(name.chord, { ascii: true }) : ''
    })
    // The lane's own root is named first, with what the ringing G and D add.
    expect(told.slice(0, 6)).toEqual(['G', 'Am7add11', 'Bmaddb13', 'Cadd9', 'Dadd11', 'Em7'])
  })
  test('a ringing string tells what it is in each chord, though the chord has it not', () => {
    const ringing = lane('G', 'triads', triads, open).steps.map(({ shape }) =>
      [shape?.degrees[3], shape?.degrees[5]].join(' '),
    )
    // G and D over G, Am, Bm, C, D, Em, F#dim.
    expect(ringing).toEqual(['R 5', 'b7 11', 'b13 b3', '5 9', '11 R', 'b3 b7', 'b9 b13'])
  })
  test('of all ways to lay three tones on three strings the one with the most shapes is found', () => {
    const steps = chordScale(must(readKey('D')), 'triads')
    const neck = tuned('D2,A2,D3,G3,A3,D4')
    const made = tonesOn(steps, [1, 2, 3], [0, 4, 5], neck, MEDIUM_HAND, { fretMax: 14 })
    expect(made?.steps.filter(({ shape }) => shape)).toHaveLength(7)
    expect(tonesOn(steps, [1, 3], [4, 5], neck, MEDIUM_HAND, { fretMax: 17 })?.steps.every(({ shape }) => shape)).toBe(
      true,
    )
    expect(tonesOn(steps, [1], [], neck, MEDIUM_HAND, { fretMax: 14 })).toBeUndefined()
  })
  test('what can’t be had so is held as the nearest that can, under its own name', () => {
    const sevenths: LaneAsk = {
      ...triads,
      tones: triads.tones.map((tone) => (tone.number === 5 ? { ...tone, number: 7 } : tone)),
    }
    const { steps } = lane('G', 'sevenths', sevenths, open)
    expect(steps[1]).toMatchObject({
      shape: undefined,
      gap: 'reach',
      instead: { chord: { root: 'A', formula: ['R', 'b3', '5'] } },
    })
    expect(writeFrets(steps[1]?.instead?.shape.frets ?? [])).toBe('x22010')
  })
  test('two tones are enough', () => {
    const ask: LaneAsk = {
      kind: 'tones',
      tones: [
        { number: 1, string: 1 },
        { number: 3, string: 4 },
      ],
      ring: [],
    }
    expect(
      frets(lane('D', 'triads', ask, open))
        .split(' ')
        .slice(0, 3),
    ).toEqual(['x7xx7x', 'x9xx8x', 'x-11-x-x-10-x'])
  })
})

test('more tones than the chord has, or than there are strings, is told', () => {
  const ninth = lane('C', 'sevenths', { kind: 'order', strings: [1, 2, 3, 4], order: [1, 3, 7, 9] })
  expect(ninth.steps.every(({ shape, gap }) => shape === undefined && gap === 'no-tone')).toBe(true)
  const long = lane('C', 'sevenths', { kind: 'order', strings: [3, 4, 5], order: [1, 3, 5, 7] })
  expect(long.steps.every(({ gap }) => gap === 'strings')).toBe(true)
})

const necks: readonly Neck[] = [
  standard,
  ...['all fourths', 'D A D F# A D', 'D A D G A D'].flatMap((name) => {
    const tuning = readKnownTuning(name)
    return tuning.ok ? [neckOf({ ...STANDARD_INSTRUMENT, tuning: tuning.value })] : []
  }),
  tuned('B1,E2,A2,D3,G3,B3,E4'),
]
const keys = SCALES.filter(({ degrees }) => degrees.length === 7).flatMap((scale) =>
  NOTE_NAMES.flatMap((tonic) => keyOf(tonic, scale) ?? []),
)
const anyAsk = fc.oneof(
  fc.constantFrom(root(0), root(1), root(2)),
  fc.constant<LaneAsk>({ kind: 'turns', strings: [0, 1] }),
  fc.constantFrom<LaneAsk>(
    { kind: 'order', strings: [1, 2, 3, 4], order: [1, 5, 7, 3] },
    { kind: 'order', strings: [2, 3, 4, 5], order: [3, 7, 1, 5] },
    { kind: 'order', strings: [2, 3, 4], order: [1, 3, 5], forms: 3 },
  ),
)
/** A shape in words that don't depend on which search found it. */
const canHold = (shape: Frets, neck: Neck) =>
  handVerdict(shape, neck, MEDIUM_HAND, fingeringsOf(neck, shape, MEDIUM_HAND)[0]).kind !== 'beyond'

test('any scale, key, tuning and lane: only tones of the chord, in order, held, within the frets, and a plain search finds them', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...keys),
      fc.constantFrom(...DEPTHS),
      fc.constantFrom(...DEPTH_SCHOOLS),
      anyAsk,
      fc.constantFrom(...necks),
      (key, depth, school, ask, neck) => {
        const made = laneOf(chordScale(key, depth, school), ask, neck, MEDIUM_HAND, { fretMax: FRET_MAX })
        expect(made.steps.map(({ step }) => step)).toEqual([1, 2, 3, 4, 5, 6, 7])
        for (const { shape, chord, gap } of made.steps) {
          if (!shape) {
            expect(gap).toBeDefined()
            continue
          }
          expect(highestPressed(shape.frets)).toBeLessThanOrEqual(FRET_MAX)
          expect(canHold(shape.frets, neck)).toBe(true)
          expect(shape.degrees.filter((degree) => degree !== null)).toHaveLength(soundingStrings(shape.frets).length)
          const midis = soundingStrings(shape.frets).map((string) =>
            soundingMidi(neck, string, shape.frets[string] as number),
          )
          expect(midis).toEqual(midis.toSorted((a, b) => a - b))
          const order = shape.degrees.filter((degree): degree is NonNullable<typeof degree> => degree !== null)
          const found = searchVoicings({
            chord,
            neck,
            stringSets: [soundingStrings(shape.frets)],
            arrangement: { kind: 'list', degrees: order },
            omit: chord.formula.filter((degree) => !order.includes(degree)),
            doubling: false,
            fretMin: 1,
            fretMax: FRET_MAX,
            open: 'allow',
            reachLimitMm: 400,
            school: 'drop-fifth',
          })
          const all = Array.from({ length: found.count }, (_, row) => writeFrets(fretsAt(found, row)))
          expect(all).toContain(writeFrets(shape.frets))
        }
      },
    ),
    { numRuns: 60 },
  )
})

test('on one string the hops, and the way on to the octave, add up to twelve frets', () => {
  fc.assert(
    fc.property(fc.constantFrom(...keys), fc.constantFrom(0, 1, 2), (key, string) => {
      const made = laneOf(chordScale(key, 'sevenths'), root(string), standard, MEDIUM_HAND, { fretMax: FRET_MAX })
      if (made.steps.some(({ shape }) => !shape)) return
      const hops = made.steps.slice(1).reduce((sum, { hopFrets }) => sum + (hopFrets ?? 0), 0)
      const [first, last] = [made.steps[0], made.steps[6]]
      const fretOf = (step: typeof first) => step?.shape?.frets[string] ?? 0
      const left = (12 * 3 + fretOf(first) - fretOf(last)) % 12
      expect((hops + left) % 12).toBe(0)
      if (made.folds.length === 0) expect(hops + left).toBe(12)
    }),
  )
})

const tones: readonly ToneNumber[] = [1, 3, 5, 7]
test('a lane by tone puts each tone on its string, and lets ring what shall ring', () => {
  const strings = fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 3, maxLength: 4 })
  fc.assert(
    fc.property(
      fc.constantFrom(...keys),
      strings,
      fc.constantFrom(...necks.filter(({ open }) => open.length === 6)),
      (key, on, neck) => {
        const used = on.map((string, index) => ({ number: tones[index] as ToneNumber, string }))
        const ring = [0, 1, 2, 3, 4, 5].filter((string) => !on.includes(string)).slice(0, 1)
        const made = laneOf(chordScale(key, 'sevenths'), { kind: 'tones', tones: used, ring }, neck, MEDIUM_HAND, {
          fretMax: 14,
        })
        for (const { shape, chord } of made.steps) {
          if (!shape) continue
          for (const { number, string } of used) {
            const above =
              (soundingMidi(neck, string, shape.frets[string] as number) - pitchClassOf(chord.root) + 120) % 12
            const degree = chord.formula.find((one) => (number === 1 ? one === 'R' : stepOf(one) === number))
            expect(degree && degreePitchClass(degree)).toBe(above)
          }
          for (const string of ring) expect(shape.frets[string]).toBe(0)
        }
      },
    ),
    { numRuns: 60 },
  )
})

test('a chord in between lies at the fret that the hop leaps over', () => {
  const bdim7 = { root: 'B', formula: ['R', 'b3', 'b5', 'bb7'] } as const
  const shape = nearestShape(bdim7, 1, 2, standard, MEDIUM_HAND, FRET_MAX)
  expect(writeFrets(shape?.frets ?? [])).toBe('x2313x')
  // Nearer to the other octave, it lies there.
  expect(nearestShape(bdim7, 1, 13, standard, MEDIUM_HAND, FRET_MAX)?.frets[1]).toBe(14)
  expect(nearestShape(bdim7, 5, 2, standard, MEDIUM_HAND, FRET_MAX)).toBeUndefined()
})

test('one lane in twelve keys: by fourths, each key once, the first the one that is asked', () => {
  const question = {
    key: must(readKey('Bb')),
    depth: 'sevenths',
    school: 'honest',
    asks: [root(1)],
    fifthInBass: false,
  } as const
  const all = lanesOfAllKeys(question, root(1), standard, MEDIUM_HAND)
  expect(all.map(({ key }) => key.tonic).join(' ')).toBe('Bb Eb Ab Db Gb B E A D G C F')
  expect(frets(all[0]?.lane as Lane)).toBe(frets(lane('Bb', 'sevenths', root(1))))
})

test('whichever key is asked, each key stands in the same place with the same lane that fits, counted anew or not', () => {
  const asks = [root(0), root(1)]
  const row = (key: string) =>
    keyOnNeck(
      { key: must(readKey(key)), depth: 'sevenths', school: 'honest', asks, fifthInBass: false },
      standard,
      MEDIUM_HAND,
    ).fits
  expect(
    row('Bb')
      .map(({ key }) => key.tonic)
      .join(' '),
  ).toBe('G C F Bb Eb Ab Db Gb B E A D')
  expect(
    row('F#')
      .map(({ key }) => key.tonic)
      .join(' '),
  ).toBe('G C F Bb Eb Ab Db F# B E A D')
  for (const { key, fit } of row('F#'))
    expect(fit).toEqual(laneThatFits(key, 'sevenths', 'honest', asks, standard, MEDIUM_HAND, { fretMax: FRET_MAX }))
})
