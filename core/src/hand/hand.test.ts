import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { COMMON_TUNINGS, fingertipMm, neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { type Frets, readFrets } from '../voicing/index.ts'
import {
  calibratedHand,
  type Fingering,
  type FingeringOptions,
  fingeringsOf,
  type HandProfile,
  handOn,
  MEDIUM_HAND,
  pairReachMm,
  pluckersOf,
  reachMm,
  reachVerdict,
  registerWarnings,
  scaledHand,
  silentStrings,
} from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const shape = (text: string): Frets => must(readFrets(text))
const fingers = (fingering: Fingering | undefined) => fingering?.fingers.map((finger) => finger ?? '·').join('')
const best = (text: string, options: FingeringOptions = {}) => fingeringsOf(neck, shape(text), MEDIUM_HAND, options)[0]

/** Shapes as a hand meets them: any frets within a window of six. */
const anyShape = (strings: number) =>
  fc
    .record({
      low: fc.integer({ min: 1, max: 11 }),
      places: fc.array(fc.option(fc.integer({ min: -1, max: 5 }), { nil: undefined }), {
        minLength: strings,
        maxLength: strings,
      }),
    })
    .map(({ low, places }): Frets => places.map((place) => (place === undefined ? null : place < 0 ? 0 : low + place)))
    .filter((frets) => frets.some((fret) => fret !== null))

const anyHand = fc.integer({ min: 70, max: 140 }).map((percent): HandProfile => scaledHand(percent / 100, 'any'))

describe('reach', () => {
  test.each([
    // 0.7 of a fret's own place and 0.3 of the one behind it: 648 · (2^(−(n−1)/12)·0.3 + 2^(−n/12)·0.7), from the nut.
    ['x6878x', 50.9],
    ['x3535x', 60.5],
    ['022000', 0],
    ['000000', 0],
  ])('%s takes %d mm', (text, mm) => expect(reachMm(neck, shape(text))).toBeCloseTo(mm, 0))

  test('four frets at the first are farther than five at the ninth', () =>
    expect(reachMm(neck, [1, 4, null, null, null, null])).toBeGreaterThan(
      reachMm(neck, [9, 12, null, null, null, null]),
    ))

  test('what a hand can hold, a larger hand can hold; comfort never turns into strain', () => {
    const order = ['comfortable', 'stretch', 'beyond']
    fc.assert(
      fc.property(
        anyHand,
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        (hand, more, mm) => {
          const larger = scaledHand(hand.comfortableMm / MEDIUM_HAND.comfortableMm + more / 100, 'larger')
          expect(order.indexOf(reachVerdict(larger, mm))).toBeLessThanOrEqual(order.indexOf(reachVerdict(hand, mm)))
        },
      ),
    )
  })

  test('a hand is measured by what it holds at two places', () => {
    const widest = [
      { low: 1, high: 4 },
      { low: 7, high: 12 },
    ]
    const hand = calibratedHand(neck, widest)
    const reach = (low: number, high: number) => fingertipMm(648, high) - fingertipMm(648, low)
    expect(hand.comfortableMm).toBeCloseTo((reach(1, 4) + reach(7, 12)) / 2, 6)
    expect(hand.pairsMm[0] / hand.comfortableMm).toBeCloseTo(0.5, 6)
    expect(calibratedHand(neck, [])).toBe(MEDIUM_HAND)
  })
})

describe('fingerings', () => {
  test.each([
    ['x6878x', '·1324·'],
    ['133211', '134211'],
    ['x02210', '··231·'],
    ['x32010', '·32·1·'],
    ['xx0232', '···132'],
    ['5x555x', '2·333·'],
    ['x3233x', '·2133·'],
  ])('%s is held %s', (text, expected) => expect(fingers(best(text))).toBe(expected))

  test('barre or separate fingers: both are offered', () => {
    const all = fingeringsOf(neck, shape('x02220'), MEDIUM_HAND).map(fingers)
    expect(all).toContain('··123·')
    expect(all).toContain('··111·')
  })
  test('the thumb takes the lowest string when it may', () => {
    const all = fingeringsOf(neck, shape('133211'), MEDIUM_HAND, { thumb: true }).map(fingers)
    expect(all).toContain('T34211')
    expect(fingeringsOf(neck, shape('133211'), MEDIUM_HAND).map(fingers).join()).not.toContain('T')
  })
  test('six different frets are too many for four fingers', () =>
    expect(fingeringsOf(neck, shape('135246'), MEDIUM_HAND)).toEqual([]))
  test('an open string under a flat finger would be stopped', () => {
    for (const fingering of fingeringsOf(neck, shape('x20220'), MEDIUM_HAND))
      for (const { from, to } of fingering.barres) expect(from <= 2 && to >= 2).toBe(false)
  })
  test('three tips side by side have room at the 2nd fret and none at the 15th', () => {
    const wide = neckOf({ ...STANDARD_INSTRUMENT, frets: 20, lastReachableFret: 20 })
    const crowding = (fret: number) =>
      fingeringsOf(wide, [null, null, fret, fret, fret, null], MEDIUM_HAND).find(({ barres }) => barres.length === 0)
        ?.cost.crowding
    expect(crowding(2)).toBe(0)
    expect(crowding(15)).toBeGreaterThan(0)
  })

  test('no finger crosses another, each presses one fret, and no two stand farther apart than the hand allows', () => {
    let seen = 0
    fc.assert(
      fc.property(anyShape(6), anyHand, fc.boolean(), (frets, hand, thumb) => {
        for (const fingering of fingeringsOf(neck, frets, hand, { thumb })) {
          const pressed = frets.flatMap((fret, string) =>
            fret === null || fret === 0 ? [] : [{ fret, string, finger: fingering.fingers[string] }],
          )
          for (const one of pressed) {
            expect(one.finger).not.toBeNull()
            for (const other of pressed) {
              if (one.finger === other.finger) expect(one.fret).toBe(other.fret)
              if (one.finger === 'T' || other.finger === 'T' || one.finger === null || other.finger === null) continue
              if (one.finger === undefined || other.finger === undefined) continue
              if (one.finger < other.finger) expect(one.fret).toBeLessThanOrEqual(other.fret)
              const apart = Math.abs(fingertipMm(648, one.fret) - fingertipMm(648, other.fret))
              expect(apart).toBeLessThanOrEqual(pairReachMm(hand, one.finger, other.finger) + 1e-9)
            }
          }
          seen++
        }
      }),
    )
    expect(seen).toBeGreaterThan(100)
  })

  test('the quick finder gives the first of all fingerings, for any shape, hand and tuning', () => {
    const necks = COMMON_TUNINGS.map((tuning) => neckOf({ ...STANDARD_INSTRUMENT, tuning }))
    let held = 0
    fc.assert(
      fc.property(fc.constantFrom(...necks), fc.nat(), anyHand, fc.boolean(), (any, seed, hand, thumb) => {
        const [frets] = fc.sample(anyShape(any.open.length), { numRuns: 1, seed }) as [Frets]
        const [plain] = fingeringsOf(any, frets, hand, { thumb })
        const quickHand = handOn(any, hand, { thumb })
        const quick = quickHand.bestFingering(frets)
        expect(quickHand.canHold(frets)).toBe(plain !== undefined)
        expect(quick?.total.toFixed(9)).toBe(plain?.total.toFixed(9))
        expect(quickHand.leastEffort(frets)?.toFixed(9)).toBe(plain?.total.toFixed(9))
        const hold = quickHand.bestHold(frets)
        expect(hold?.effort.toFixed(9)).toBe(plain?.total.toFixed(9))
        expect(hold?.fingers).toEqual(quick?.fingers)
        expect(hold?.isCrowded).toBe(quick && quick.cost.crowding > 0)
        if (plain) held++
      }),
      { numRuns: 400 },
    )
    expect(held).toBeGreaterThan(50)
  })
})

describe('strings that must not sound', () => {
  const told = (text: string, pluck: 'pick' | 'fingers') => {
    const fingering = best(text)
    return fingering && silentStrings(neck, shape(text), fingering, pluck)
  }
  test('3x443x with a pick: string 5 is damped by the finger on string 6', () =>
    expect(told('3x443x', 'pick')).toMatchObject([
      { string: 1, kind: 'damped', how: 'flat', wouldSound: 45 },
      { string: 5, kind: 'damped', how: 'flat', wouldSound: 64 },
    ]))
  test('a string between open ones has no finger near: with a pick it leaks, with fingers it is not plucked', () => {
    expect(told('0x0230', 'pick')).toMatchObject([{ string: 1, kind: 'leaks', wouldSound: 45 }])
    expect(told('0x0230', 'fingers')).toMatchObject([{ string: 1, kind: 'not-plucked' }])
  })
  test('every silent string is told once, and no sounding one', () => {
    fc.assert(
      fc.property(anyShape(6), (frets) => {
        const [fingering] = fingeringsOf(neck, frets, MEDIUM_HAND)
        if (!fingering) return
        const silent = silentStrings(neck, frets, fingering, 'pick').map(({ string }) => string)
        expect(silent).toEqual(frets.flatMap((fret, string) => (fret === null ? [string] : [])))
      }),
    )
  })
})

test.each([
  ['x6878x', '·pima·'],
  ['x02210', '·ppima'],
  ['3x443x', 'p·ima·'],
  ['xx7x8x', '··p·i·'],
])('%s is plucked %s', (text, expected) =>
  expect(
    pluckersOf(shape(text))
      .map((letter) => letter ?? '·')
      .join(''),
  ).toBe(expected),
)

describe('register', () => {
  test.each([
    ['a major third on low E blurs', [40, 44], ['muddy']],
    ['the same third an octave up is clear', [52, 56], []],
    ['a fifth on low E is clear', [40, 47], []],
    ['a second below E3 blurs', [50, 52], ['muddy']],
  ])('%s', (_, midis, kinds) => expect(registerWarnings(midis, false).map(({ kind }) => kind)).toEqual(kinds))
  test('with a bass player, tones below E3 are told', () => {
    expect(registerWarnings([43, 58, 62], true)).toEqual([{ kind: 'bass-range', midis: [43] }])
    expect(registerWarnings([43, 58, 62], false)).toEqual([])
  })
})
