import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { fretsAt, readFrets, searchVoicings, writeFrets } from '../voicing/index.ts'
import { fingeringsOf, handOn, handVerdict, MEDIUM_HAND } from './index.ts'
import { A_HUNDRED_OTHERS, ALONG_THE_NECK, EIGHTY_MORE, EVERY_PLAYERS, UNSEEN } from './teachers.testkit.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const first = (frets: string): string =>
  fingeringsOf(neck, must(readFrets(frets)), MEDIUM_HAND)[0]
    ?.fingers.map((finger) => finger ?? 'x')
    .join('') ?? 'none'

describe('the fingers that teachers put on a grip come first', () => {
  test.each(EVERY_PLAYERS)('%s: %s', (frets, ...taught) => expect(taught).toContain(first(frets)))

  // Each that is left is told in docs/engine.md.
  test.each([
    ['made with the rules', EIGHTY_MORE, ['xx0230 xxx23x', '320033 21xx33', 'xx1213 xx1324']],
    ['more', A_HUNDRED_OTHERS, ['1x1233 1x2344', 'x3x343 x1x243', 'xx2233 xx1123', '3x3455 1x2344']],
    ['along the neck', ALONG_THE_NECK, ['4x544x 1x423x']],
    ['written later', UNSEEN, ['xx0432 xxx432', 'x-8-7-8-10-x x2134x', 'x4647x x1314x', 'xxx878 xxx213']],
  ])('of eighty %s at least 95 in a hundred', (_, list, left) => {
    expect(list.length).toBeGreaterThanOrEqual(80)
    const other = list.filter(([frets, ...taught]) => !taught.includes(first(frets)))
    expect(other.map(([frets]) => `${frets} ${first(frets)}`)).toEqual(left)
    expect(other.length).toBeLessThanOrEqual(list.length / 20)
  })
})

describe('what players hold, the hand holds', () => {
  test.each(['x6858x', 'x-8-10-7-10-x', 'x4525x', 'x5747x', '4524xx', 'x5356x', 'x54557'])('%s', (frets) =>
    expect(first(frets)).not.toBe('none'),
  )

  test('a full A form may be held with four single fingers, and a ring finger that bridges three strings under a lower one may not', () => {
    const ways = fingeringsOf(neck, must(readFrets('x24442')), MEDIUM_HAND).map(({ fingers }) =>
      fingers.map((finger) => finger ?? 'x').join(''),
    )
    expect(ways[0]).toBe('x12341')
    expect(ways).not.toContain('x13331')
    // At the edge, and where the thinner string is silent, it may.
    for (const [frets, way] of [
      ['xx2444', 'xx1333'],
      ['x2444x', 'x1333x'],
      ['x3233x', 'x2133x'],
    ] as const)
      expect(
        fingeringsOf(neck, must(readFrets(frets)), MEDIUM_HAND).map(({ fingers }) =>
          fingers.map((f) => f ?? 'x').join(''),
        ),
      ).toContain(way)
  })

  test('every drop 2 of a seventh or sixth chord on neighbouring strings within its easy reach', () => {
    const { canHold } = handOn(neck, MEDIUM_HAND)
    let held = 0
    for (const symbol of ['C7', 'Cmaj7', 'Cm7', 'Cm7b5', 'Cdim7', 'C6', 'Cm6', 'Cm(maj7)']) {
      const found = searchVoicings({
        chord: must(readSymbol(symbol)),
        neck,
        arrangement: { kind: 'named', name: 'drop-2' },
        school: 'drop-fifth',
        omit: [],
        stringSets: [
          [0, 1, 2, 3],
          [1, 2, 3, 4],
          [2, 3, 4, 5],
        ],
        doubling: false,
        fretMin: 1,
        fretMax: 15,
        reachLimitMm: MEDIUM_HAND.comfortableMm,
        open: 'never',
      })
      for (let row = 0; row < found.count; row++) {
        const frets = fretsAt(found, row)
        expect([writeFrets(frets), canHold(frets)]).toEqual([writeFrets(frets), true])
        held++
      }
    }
    expect(held).toBeGreaterThan(70)
  })
})

describe('the verdict', () => {
  const verdict = (text: string, hand = MEDIUM_HAND) => {
    const frets = must(readFrets(text))
    return handVerdict(frets, neck, hand, fingeringsOf(neck, frets, hand)[0])
  }
  test.each([
    ['x32010', 'easy', undefined],
    ['x6858x', 'stretch', 'pair'], // middle and ring two frets apart
    ['3xx7xx', 'stretch', 'reach'],
    ['1xx7xx', 'beyond', 'reach'],
    ['123456', 'beyond', 'fingers'],
  ])('on %s: %s, by its %s', (frets, kind, limit) => {
    const said = verdict(frets)
    expect([said.kind, 'limit' in said ? said.limit.kind : undefined]).toEqual([kind, limit])
  })

  test('x6858x: middle to ring 51 mm, easy up to 38', () => {
    const said = verdict('x6858x')
    expect(said).toMatchObject({ limit: { fingers: [2, 3], limitMm: 38 } })
    expect('limit' in said && said.limit.kind === 'pair' && Math.round(said.limit.mm)).toBe(51)
  })

  test('where there is a fingering it is never beyond, and where there is none always', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.integer({ min: 0, max: 9 })), { minLength: 6, maxLength: 6 }), (frets) => {
        const fingering = fingeringsOf(neck, frets, MEDIUM_HAND)[0]
        const { kind } = handVerdict(frets, neck, MEDIUM_HAND, fingering)
        expect(kind === 'beyond').toBe(fingering === undefined)
      }),
    )
  })
})
