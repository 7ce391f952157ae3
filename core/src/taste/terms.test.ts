/** What each term says of everyday grips, to the hundredth; `easy` of an effort of 2 aside. */
import { expect, test } from 'vitest'
import { readSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { neckOf, STANDARD_INSTRUMENT } from '../neck/index.ts'
import { must } from '../result/index.ts'
import { readFrets } from '../voicing/index.ts'
import { compactFrets, type Ensemble, type Manner, tasteReader } from './index.ts'

const ROWS = [
  'comp alone Cmaj7 x3545x: upTheNeck 0.3, fifthOnRoot 0.1, uneven 0.09, diagonal 0.25',
  'comp alone Cmaj7 x3x453: bassApart 0.35, upTheNeck 0.3, uneven 0.69',
  'comp alone G13 3x345x: noFifth 0.75, noNinth 1.35, bassApart 0.35, upTheNeck 0.3, sixthString -0.35, uneven 0.28',
  'comp alone G13 3x34xx: noFifth 0.75, noNinth 1.35, undefined 8, bassApart 0.35, dark 1.85, upTheNeck 0.3, few 1.25, sixthString -0.35, uneven 0.24',
  'comp alone C9 x3233x: noFifth 0.75, upTheNeck 0.2, uneven 0.05',
  'comp alone C9 8x878x: undefined 8, bassApart 0.35, upTheNeck 0.7, sixthString -0.35, uneven 0.41',
  'comp alone Dm7 xx0211: openRings -0.35, upTheNeck 0.1, highBass 2.25, fifthOnRoot 0.1, uneven 0.16',
  'comp alone Am7 x0x55x: undefined 8, bassApart 0.35, openFar 0.7, upTheNeck 0.5, few 1.25, uneven 1.81',
  'comp alone Dm9 x5355x: noFifth 0.75, upTheNeck 0.3, uneven 0.17, turned 0.9',
  'comp alone Ebmaj7 xx8786: noRoot 12, fifthInBass 3.9, upTheNeck 0.6, highBass 2.25, doubled 0.75, waste 1.55, uneven 0.04, diagonal 0.25',
  'comp alone Cmaj7 x-15-14-12-12-x: upTheNeck 1.5, uneven 0.01, turned 1.8, diagonal 0.25',
  'comp bass-player G13 xx345x: noFifth 0.75, noNinth 1.35, noRoot 1.45, seventhInBass 0.46, upTheNeck 0.3, few 1.25, highBass 1.5, uneven 0.01',
  'comp bass-player C9 xx233x: noFifth 0.75, noRoot 1.45, thirdInBass 0.58, upTheNeck 0.2, few 1.25, highBass 1.5, uneven 0.06',
  'funk bass-player E9 x7677x: noFifth 0.75, upTheNeck 0.3, uneven 0.05',
  'funk bass-player Am7 xx5555: seventhInBass 0.46, upTheNeck 0.25, highBass 0.55, uneven 0.01',
  'barre alone F 133211: upTheNeck 0.2, sixthString -0.35, fifthOnRoot -0.5, uneven 0.11, fullTriad 0.75',
  'barre alone A 577655: upTheNeck 1, sixthString -0.35, fifthOnRoot -0.5, uneven 0.11, fullTriad 0.75',
  'barre alone C x35553: upTheNeck 0.6, fifthOnRoot -0.5, uneven 0.13, fullTriad 0.5',
  'barre alone Bm x24432: upTheNeck 0.4, fifthOnRoot -0.5, uneven 0.13, fullTriad 0.5',
  'barre alone E5 022xxx: openRings -0.35, upTheNeck 0.4, sixthString -0.35, fifthOnRoot -0.5, uneven 0.06',
  'open alone C#m x42120: openRings -0.35, upTheNeck 0.37, doubledThird 0.4, uneven 0.04, turned 0.9, fullTriad 0.5',
  'open alone G 320003: openRings -1.05, upTheNeck 0.74, sixthString -0.35, doubledThird 0.4, muddy 1.5, uneven 0.18, fullTriad 0.75',
  'open alone C x32010: openRings -0.7, upTheNeck 0.37, doubledThird 0.4, uneven 0.03, fullTriad 0.5',
  'open alone D xx0232: openRings -0.35, upTheNeck 0.74, few 1.25, highBass 0.75, fifthOnRoot 0.1, uneven 0.09, fullTriad 0.25',
  'open alone A x02220: openRings -0.7, upTheNeck 0.74, fifthOnRoot 0.1, uneven 0.13, fullTriad 0.5',
  'open alone C/G 332010: openRings -0.7, upTheNeck 0.37, sixthString -0.35, doubledThird 0.4, muddy 0.75, uneven 0.03, fullTriad 0.75',
  'open alone Em 0x2000: bassApart 3.4, openRings -1.4, upTheNeck 0.74, sixthString -0.35, uneven 0.75, fullTriad 0.5',
  'solo alone F xx3211: upTheNeck 0.27, highBass 2.25, uneven 0.04, turned 0.9, diagonal 0.25, fullTriad 0.25',
  'solo alone Cadd9 x32033: openRings -0.35, upTheNeck 0.54, doubled 0.75, uneven 0.13',
  'blues alone A7 x02020: openRings -1.05, upTheNeck 0.74, fifthOnRoot 0.1, uneven 0.19',
  'blues alone D7 x57778: upTheNeck 0.5, doubled 0.75, fifthOnRoot 0.1, uneven 0.07',
  'comp alone F/G 3x3213: bassApart 0.35, upTheNeck 0.1, many 2.1, sixthString -0.35, doubledTension 2.1, uneven 0.45, diagonal 0.25, bassAgain 1, fullTriad 0.5',
  'comp alone C 3x2010: fifthInBass 3.9, bassApart 0.35, openRings -0.7, upTheNeck 0.1, many 2.1, sixthString -0.35, doubledThird 0.4, uneven 0.31, fullTriad 0.5',
  'comp alone Dm11 x5x563: noFifth 0.75, noNinth 1.35, bassApart 0.35, upTheNeck 0.3, uneven 0.65, turned 0.9',
  'bossa alone C6 8x798x: bassApart 0.35, upTheNeck 0.7, sixthString -0.35, uneven 0.37, diagonal 0.25',
  'comp alone Fmaj9 1x0010: undefined 8, bassApart 0.35, openRings -1.05, openAmid 1.5, upTheNeck 0.1, many 2.1, sixthString -0.35, tensionUnder 2.35, uneven 0.22',
  'comp alone Gm7 3x333x: bassApart 0.35, upTheNeck 0.3, sixthString -0.35, uneven 0.41',
  'comp alone C x32013: openRings -0.35, upTheNeck 0.1, many 2.1, uneven 0.13, fullTriad 0.5',
  'open alone C xx5553: fifthInBass 3.9, upTheNeck 1.11, few 1.25, highBass 0.75, uneven 0.04, fullTriad 0.25',
  'comp alone Cmaj7 xx2000: noRoot 12, thirdInBass 3.9, openRings -1.05, upTheNeck 0.2, highBass 2.25, doubledThird 0.4, doubled 0.75, waste 1.55, uneven 0.04',
  'comp alone C6/9 x3223x: noFifth 0.75, upTheNeck 0.2, uneven 0.01',
  'comp alone E7 12-11-12-x-x-x: noFifth 0.75, dark 1.85, upTheNeck 1.3, few 1.25, sixthString -0.35, uneven 0.06',
  'comp alone C7 x3x310: noFifth 0.75, bassApart 0.35, openRings -0.35, upTheNeck 0.1, doubled 0.75, waste 1.55, uneven 0.69',
  'comp alone Cmaj9 xx0000: noRoot 12, tensionInBass 9.9, openRings -1.4, highBass 2.25, uneven 0.01',
  'comp alone C7 x3xx13: undefined 16, bassApart 0.7, upTheNeck 0.1, few 1.25, doubled 0.75, waste 1.55, uneven 0.38, turned 0.9',
  'barre alone Am 577xxx: undefined 8, thinSilent 5.7, dark 1.85, upTheNeck 1, few 6.2, sixthString -0.35, waste 1.55, fifthOnRoot -0.5, uneven 0.06',
  'comp alone Em x720xx: stretch 5.69, noFifth 3, dark 1.85, upTheNeck 0.2, few 1.25, waste 1.55, unison 1.35, uneven 0.14, turned 1.8',
  'barre alone D7 x57575: upTheNeck 1, fifthOnRoot -0.5, uneven 0.19',
  'funk alone A7 5x565x: bassApart 0.35, upTheNeck 0.25, sixthString -0.35, uneven 0.49',
] as const

const neck = neckOf(STANDARD_INSTRUMENT)

test.each(ROWS)('%s', (row) => {
  const [asked = '', terms = ''] = row.split(': ')
  const [manner, ensemble, symbol = '', text = ''] = asked.split(' ')
  const frets = must(readFrets(text, 6))
  const reader = tasteReader(must(readSymbol(symbol)), neck, MEDIUM_HAND, {
    manner: manner as Manner,
    ensemble: ensemble as Ensemble,
    open: frets.includes(0) ? 'allow' : 'never',
    bassAsked: false,
  })
  const held = { effort: 2, isCrowded: false }
  const { total, parts } = reader.tasteOf(frets, held)
  const told = parts
    .filter(({ term }) => term !== 'easy')
    .map(({ term, value }) => `${term} ${Number(value.toFixed(2))}`)
  expect(told.join(', ')).toBe(terms)
  // The ways to the same number agree; the hand comes on top, and what no hand holds lies far behind.
  const compact = compactFrets(frets)
  expect(reader.withoutHand(compact, 0) + reader.ofHand(held)).toBeCloseTo(total, 9)
  expect(reader.total(compact, 0, held)).toBeCloseTo(total, 9)
  expect(reader.total(compact, 0, undefined)).toBeGreaterThan(total + 500)
  expect(reader.ofHand({ ...held, isCrowded: true }) - reader.ofHand(held)).toBeCloseTo(1.2, 9)
  expect(reader.ofHand({ ...held, effort: 3 })).toBeGreaterThan(reader.ofHand(held))
})
