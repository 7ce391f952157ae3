import { describe, expect, test } from 'vitest'
import { CATALOGUE, readSymbol, writeSymbol } from '../chord/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { degreePitchClass, type NoteName } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { readFrets } from '../voicing/index.ts'
import { namesOf, namesOfTones } from './index.ts'
import { EVERY_PLAYERS, TWO_HUNDRED_MORE, UNSEEN } from './players.testkit.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const plain = (symbol: string) => writeSymbol(must(readSymbol(symbol)), { ascii: true })
const names = (frets: string, key?: readonly NoteName[]) =>
  namesOf(must(readFrets(frets)), neck, { key }).map(({ chord }) => writeSymbol(chord, { ascii: true }))
const grips = (table: string) =>
  table
    .trim()
    .split(/\s+/)
    .map((line) => {
      const [frets, called] = line.split('=') as [string, string]
      return [frets, called.split('|').map(plain)] as const
    })

describe('a grip is called what players call it', () => {
  test.each(grips(EVERY_PLAYERS))('%s is %j', (frets, called) => expect(called).toContain(names(frets)[0]))

  // Each that is left is told in docs/engine.md.
  test.each([
    ['made with the rules', TWO_HUNDRED_MORE, ['3x3010 G13sus4']],
    ['that the rules were not made from', UNSEEN, ['2x233x Gb7#5', '244322 Gb']],
  ])('of two hundred %s at least 95 in a hundred first and 99 among the first three', (_, list, left) => {
    const more = grips(list)
    expect(more.length).toBeGreaterThanOrEqual(200)
    const other = more.filter(([frets, called]) => !called.includes(names(frets)[0] ?? ''))
    expect(other.map(([frets]) => `${frets} ${names(frets)[0]}`)).toEqual(left)
    expect(other.length).toBeLessThanOrEqual(more.length / 20)
    const third = more.filter(
      ([frets, called]) =>
        !names(frets)
          .slice(0, 3)
          .some((one) => called.includes(one)),
    )
    expect(third.length).toBeLessThanOrEqual(more.length / 100)
  })
})

test('of a chord over its root with only the perfect fifth missing the own name comes first', () => {
  let compared = 0
  const complete = new Set(CATALOGUE.map(({ mask }) => mask))
  for (const { formula, mask, suffix, rare } of CATALOGUE) {
    if (rare || suffix === 'm7add11' || !formula.includes('5') || formula.length < 4) continue
    const sounded = mask & ~(1 << degreePitchClass('5'))
    // C7♯11 without its fifth is C7♭5, all of it; C6 without it Am/C, and Cm7add11 Cm11 without its ninth too.
    if (complete.has(sounded) || (formula.length === 4 && formula.includes('6'))) continue
    const first = namesOfTones({ mask: sounded, lowest: 0, openBass: false, second: 0 })[0]
    expect(`C${suffix}: ${first && writeSymbol(first.chord, { ascii: true })}`).toBe(
      `C${suffix}: ${plain(`C${suffix}`)}`,
    )
    compared++
  }
  expect(compared).toBeGreaterThan(30)
})

test.each([
  ['5x553x', 'Am11'],
  ['7x775x', 'Bm11'],
  ['3x331x', 'Gm11'],
  ['8x886x', 'Cm11'],
  ['8x775x', 'C6/9'],
  ['x-7-10-7-8-x', 'Cadd9/E'],
  ['x322xx', 'Am/C'],
  ['x5x47x', 'Bm/D'],
  ['x312xx', 'Adim/C'],
  ['x1211x', 'C7#5/Bb'],
  ['3x3213', 'F/G'],
  ['55xxxx', 'D5/A'],
  ['xx0010', 'C/D'],
  ['3x355x', 'G13sus4'],
])('%s is %s first of all', (frets, called) => expect(names(frets)[0]).toBe(plain(called)))

test('where the tone that tells two chords apart is silent, both are named', () => {
  expect(names('8x88xx').slice(0, 2)).toEqual(['Cm7', 'Cm7b5'])
  expect(names('8x78xx')).toEqual(expect.arrayContaining(['Cm6', 'Cdim7']))
})

test('a symmetrical chord goes up from its bass', () =>
  expect(names('xx2323').slice(0, 4)).toEqual(['Edim7', 'Gdim7/E', 'Bbdim7/E', 'C#dim7/E']))

test('in a key a name belongs when its bass does too', () => {
  const bFlat: readonly NoteName[] = ['Bb', 'C', 'D', 'Eb', 'F', 'G', 'A']
  const named = names('xx4545', bFlat)
  expect(named[0]).toBe('F#dim7')
  expect(named.indexOf('F#dim7')).toBeLessThan(named.indexOf('Adim/F#'))
})

test('the root is spelled together with the bass', () => {
  for (const frets of ['x3232x', 'x5454x', 'x7676x', 'xx4545'])
    expect(names(frets).filter((name) => /\/(B#|E#|Cb|Fb)$/.test(name))).toEqual([])
})
