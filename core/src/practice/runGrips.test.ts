import { describe, expect, test } from 'vitest'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT, stringIndex } from '../neck/index.ts'
import type { Playing } from '../request/index.ts'
import { must } from '../result/index.ts'
import { writeFrets } from '../voicing/index.ts'
import { nearestRule, type PlaceRule, readMaterial, readRunLine, runOf } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const nearest = nearestRule(6)
const onStrings = (...numbers: readonly number[]): PlaceRule => ({
  kind: 'in-turn',
  strings: numbers.map((number) => stringIndex(number, 6)),
})
const run = (suffix: string, playing: Playing, rule: PlaceRule = nearest) =>
  runOf(
    { material: must(readMaterial(suffix, 6)), cycle: 'fourths', from: 'G', rule, fretMax: 15, playing },
    neck,
    MEDIUM_HAND,
  )
const frets = (steps: ReturnType<typeof run>) => steps.map(({ shape }) => (shape ? writeFrets(shape.frets) : '–'))

describe('a run in a manner takes the grips of that manner', () => {
  test('barre chords of the two families, whichever is nearer', () =>
    expect(frets(run('', { manner: 'barre', ensemble: 'alone' })).slice(0, 5)).toEqual([
      '355433',
      'x35553',
      '133211',
      'x13331',
      'x68886',
    ]))
  test('open chords where there are any', () =>
    expect(frets(run('', { manner: 'open', ensemble: 'alone' }))).toEqual(
      expect.arrayContaining(['320003', 'x32010', '022100', 'x02220', 'xx0232', '133211']),
    ))
  test('comping on roots in turn keeps each to its string', () => {
    const steps = run('maj7', { manner: 'comp', ensemble: 'alone' }, onStrings(6, 5))
    expect(steps.map(({ string }) => string)).toEqual(steps.map((_, index) => index % 2))
    expect(frets(steps).slice(0, 2)).toEqual(['3x443x', 'x3545x'])
  })
  test('each tells its taste, whose parts add up', () => {
    for (const { taste } of run('9', { manner: 'funk', ensemble: 'alone' })) {
      const sum = taste?.parts.reduce((total, { value }) => total + value, 0)
      expect(sum).toBeCloseTo(taste?.total ?? Number.NaN, 9)
    }
  })
  test('the root stays silent only beside a bass player, and only where its string was left open', () => {
    const rootless = (ensemble: Playing['ensemble'], rule: PlaceRule) =>
      run('13', { manner: 'comp', ensemble }, rule).filter(({ shape }) => !shape?.degrees.includes('R')).length
    expect(rootless('alone', nearest)).toBe(0)
    expect(rootless('bass-player', onStrings(6))).toBe(0)
    expect(rootless('bass-player', nearest)).toBeGreaterThan(0)
  })
  test('the typed line names the manner, with or without what it is of', () => {
    const limits = { strings: 6, slowest: 20, fastest: 300, naming: ['letters'] } as const
    expect(must(readRunLine('m7 comping on 6', limits))).toMatchObject({ manner: 'comp', rule: { kind: 'in-turn' } })
    expect(must(readRunLine('maj7 barre chords fourths', limits))).toMatchObject({ manner: 'barre', cycle: 'fourths' })
    expect(must(readRunLine('m7 on 6', limits)).manner).toBeUndefined()
  })
})
