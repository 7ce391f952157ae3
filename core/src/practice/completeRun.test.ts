import { describe, expect, test } from 'vitest'
import { readKey } from '../key/index.ts'
import { completeKeyLine, readKeyLine } from '../lane/index.ts'
import { must } from '../result/index.ts'
import { completeRunLine, type RunLineLimits, readRunLine } from './index.ts'

const LIMITS: RunLineLimits = { strings: 6, slowest: 20, fastest: 300, naming: ['letters'] }

describe('a half-typed line of a key goes on', () => {
  const lines = (text: string, strings = 6) => completeKeyLine(text, strings, ['letters'])
  test.each([
    ['D', 'D minor'],
    ['D', 'D 6 5'],
    ['Bb tri', 'Bb triads'],
    ['E sh', 'E shells'],
    ['F# d', 'F# dorian'],
    ['tri', 'triads'],
    ['G triads 4', 'G triads 432'],
  ])('%s with %s', (text, line) => expect(lines(text)).toContain(line))
  test('not with strings behind the steps of a progression, nor where no key is', () => {
    const C = { key: must(readKey('C')), depth: 'sevenths' } as const
    expect(completeKeyLine('1 4', 6, ['letters'], C)).toEqual([])
    expect(lines('Xy')).toEqual([])
    expect(lines('  ')).toEqual([])
  })
  test('with the sets of a neck of four or seven strings', () => {
    expect(lines('G 7', 7)).toEqual(['G 765', 'G 7654', 'G 7 6'])
    expect(lines('G 5', 4)).toEqual([])
  })
  test('only with lines that can be read', () => {
    const offered = ['D', 'D ', 'Bb m', 'Gm triads ', 'A 6', 'C rootless '].flatMap((text) => lines(text))
    expect(offered.length).toBeGreaterThan(25)
    for (const line of offered) expect(readKeyLine(line, 6).ok, line).toBe(true)
  })
})

describe('a half-typed line of a run goes on', () => {
  const lines = (text: string) => completeRunLine(text, LIMITS)
  test.each([
    ['m', 'm7'],
    ['D', 'Dm'],
    ['m7 ', 'm7 on 6'],
    ['m7 on 5', 'm7 on 5 and 6'],
    ['maj7 f', 'maj7 fourths'],
    ['m7 on 5 and 6 fou', 'm7 on 5 and 6 fourths'],
    ['maj7 dr', 'maj7 drop2 4321'],
  ])('%s with %s', (text, line) => expect(lines(text)).toContain(line))
  test('wishes alone only where something is practised', () => {
    expect(lines('she')).toEqual([])
    expect(completeRunLine('she', { ...LIMITS, formula: ['R', '3', '5', '7'] })).toEqual(['shells'])
  })
  test('only with lines that can be read', () => {
    const offered = ['m', 'C', 'm7 ', 'maj7 on 5 ', 'dim7 min', '7 s'].flatMap(lines)
    expect(offered.length).toBeGreaterThan(25)
    for (const line of offered) expect(readRunLine(line, LIMITS).ok, line).toBe(true)
  })
})
