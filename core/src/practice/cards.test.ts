import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Chord, readSymbol, writeSymbol } from '../chord/index.ts'
import { MEDIUM_HAND } from '../hand/index.ts'
import { readKey } from '../key/index.ts'
import { neckOf, STANDARD_INSTRUMENT, stringIndex } from '../neck/index.ts'
import type { Degree, NoteName } from '../pitch/index.ts'
import { must } from '../result/index.ts'
import { type Frets, readFrets, writeFrets } from '../voicing/index.ts'
import { type Card, type CardAnswer, cardsOf, checkCard, keyCards, rightAnswers } from './index.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const chord = (symbol: string): Chord => must(readSymbol(symbol))
const shape = (text: string): Frets => must(readFrets(text, 6))
const string = (number: number) => stringIndex(number, 6)
const told = (answer: CardAnswer): string => {
  switch (answer.kind) {
    case 'frets':
      return writeFrets(answer.frets)
    case 'degrees':
      return answer.degrees.join(' ')
    case 'chord':
      return writeSymbol(answer.chord, { ascii: true })
    case 'note':
      return answer.note
    case 'finger':
      return String(answer.finger)
    case 'yes':
      return answer.yes ? 'yes' : 'no'
    case 'choice':
      return String(answer.choice)
  }
}
const right = (card: Card) => rightAnswers(card, neck, MEDIUM_HAND).map(told)
const check = (card: Card, answer: CardAnswer) => {
  const { verdict, nearly } = checkCard(card, answer, neck, MEDIUM_HAND)
  return nearly ? `${verdict}: ${nearly}` : verdict
}
const frets = (text: string): CardAnswer => ({ kind: 'frets', frets: shape(text) })
const degrees = (...all: Degree[]): CardAnswer => ({ kind: 'degrees', degrees: all })
const symbol = (text: string): CardAnswer => ({ kind: 'chord', chord: chord(text) })
const note = (name: NoteName): CardAnswer => ({ kind: 'note', note: name })

describe('each kind, with right, nearly right and wrong answers', () => {
  test('this shape on another root', () => {
    const card: Card = { kind: 'play', chord: chord('Cmaj7'), shape: shape('x3545x'), root: 'Eb' }
    expect(right(card)).toEqual(['x6878x'])
    expect(check(card, frets('x6878x'))).toBe('right')
    expect(check(card, frets('11-x-12-12-11-x'))).toBe('nearly: place')
    expect(check(card, frets('x6868x'))).toBe('wrong')
  })
  test('the degree on a string', () => {
    const card: Card = { kind: 'degree', chord: chord('Cm7b5'), frets: shape('x3434x'), string: string(4) }
    expect(right(card)).toEqual(['b5'])
    expect(check(card, degrees('b5'))).toBe('right')
    expect(check(card, degrees('#11'))).toBe('nearly: sound')
    expect(check(card, degrees('5'))).toBe('wrong')
  })
  test('the tones that are not played', () => {
    const card: Card = { kind: 'missing', chord: chord('C13'), frets: shape('8x89xx') }
    expect(right(card)).toEqual(['5 9 13'])
    expect(check(card, degrees('13', '9', '5'))).toBe('right')
    expect(check(card, degrees('5', '9'))).toBe('nearly: some')
    expect(check(card, degrees('3'))).toBe('wrong')
  })
  test('another name of it', () => {
    const card: Card = { kind: 'also', chord: chord('Am7'), frets: shape('5x555x') }
    expect(right(card)).toContain('C6/A')
    expect(check(card, symbol('C6/A'))).toBe('right')
    expect(check(card, symbol('Am7'))).toBe('wrong')
  })
  test('the finger that damps a string', () => {
    const card: Card = { kind: 'damps', frets: shape('3x343x'), string: string(5) }
    expect(right(card)).toHaveLength(1)
    const [finger] = rightAnswers(card, neck, MEDIUM_HAND)
    expect(check(card, finger as CardAnswer)).toBe('right')
    expect(check(card, { kind: 'finger', finger: 'none' })).toBe('wrong')
    // A string that nothing silences, outside the grip, is not struck.
    expect(right({ kind: 'damps', frets: shape('xx0232'), string: string(6) })).toEqual(['none'])
  })
  test('a step of a key', () => {
    const [, , third] = keyCards(must(readKey('A')), 'sevenths')
    expect(right(third as Card)).toEqual(['C#m7'])
    expect(check(third as Card, symbol('C#m7'))).toBe('right')
    expect(check(third as Card, symbol('Dbm7'))).toBe('nearly: sound')
    expect(check(third as Card, symbol('Cm7'))).toBe('wrong')
    expect(
      keyCards(must(readKey('A')), 'triads')
        .map((card) => right(card)[0])
        .join(' '),
    ).toBe('A Bm C#m D E F#m G#dim')
  })
  test('a tone spelled', () => {
    const card: Card = { kind: 'spell', root: 'A', degree: '#5' }
    expect(right(card)).toEqual(['E#'])
    expect([note('E#'), note('F'), note('E')].map((answer) => check(card, answer))).toEqual([
      'right',
      'nearly: sound',
      'wrong',
    ])
  })
  test('whether a name is right', () => {
    const card = (name: string): Card => ({ kind: 'name', frets: shape('x6868x'), chord: chord(name) })
    expect([right(card('Eb7')), right(card('Ebmaj7'))]).toEqual([['yes'], ['no']])
    expect(check(card('Ebmaj7'), { kind: 'yes', yes: false })).toBe('right')
    expect(check(card('Ebmaj7'), { kind: 'yes', yes: true })).toBe('wrong')
  })
  test('the tones that move', () => {
    const card: Card = { kind: 'moves', from: chord('Dm7'), to: chord('G7') }
    expect(right(card)).toEqual(['5 b7'])
    expect(check(card, degrees('b7', '5'))).toBe('right')
    expect(check(card, degrees('b7'))).toBe('nearly: some')
    expect(check(card, degrees('R'))).toBe('wrong')
  })
  test('what is heard', () => {
    const which: Card = { kind: 'which', chords: [chord('Cmaj7'), chord('C7')], heard: 1 }
    expect([check(which, { kind: 'choice', choice: 1 }), check(which, { kind: 'choice', choice: 0 })]).toEqual([
      'right',
      'wrong',
    ])
    const step: Card = { kind: 'heard-step', root: 'D', degree: '5' }
    expect([check(step, degrees('5')), check(step, degrees('4'))]).toEqual(['right', 'wrong'])
  })
  test('an answer of another kind is wrong, not an error', () => {
    expect(check({ kind: 'spell', root: 'A', degree: '3' }, frets('x3545x'))).toBe('wrong')
    expect(check({ kind: 'play', chord: chord('C'), shape: shape('x3555x'), root: 'D' }, note('D'))).toBe('wrong')
  })
})

test('every card of every shape has right answers, and each of them is right', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('Cmaj7 x3545x', 'G7 3x343x', 'Am7 5x555x', 'C x32010', 'Bm7b5 x2323x', 'C9 x3233x', 'C13 8x899x'),
      fc.subarray<NoteName>(['E', 'Bb', 'F#'], { minLength: 1 }),
      (grip, roots) => {
        const [name = '', text = ''] = grip.split(' ')
        const cards = cardsOf(chord(name), shape(text), roots, neck, MEDIUM_HAND)
        expect(cards.length).toBeGreaterThan(8)
        expect(cards.filter(({ kind }) => kind === 'play').length).toBe(text.includes('0') ? 0 : roots.length)
        for (const card of cards)
          for (const answer of rightAnswers(card, neck, MEDIUM_HAND)) expect(check(card, answer)).toBe('right')
      },
    ),
    { numRuns: 20 },
  ))
