import { readSymbol } from '@nestling/core/chord'
import { MEDIUM_HAND } from '@nestling/core/hand'
import { neckOf, STANDARD_INSTRUMENT } from '@nestling/core/neck'
import {
  type Card,
  chanceOf,
  checkCard,
  deckOf,
  nearestRule,
  readMaterial,
  runOf,
  writeCard,
} from '@nestling/core/practice'
import { must } from '@nestling/core/result'
import { readFrets } from '@nestling/core/voicing'
import { describe, expect, test } from 'vitest'
import { answerWords, cardWords, questionWords } from '../../words/cards.ts'
import { answeringOf, readAnswer } from './answering.ts'
import { shownOf } from './shownShape.ts'

const neck = neckOf(STANDARD_INSTRUMENT)
const steps = runOf(
  {
    material: must(readMaterial('m7', 6)),
    cycle: 'fourths',
    from: 'E',
    rule: nearestRule(6),
    fretMax: 15,
    random: chanceOf(1),
  },
  neck,
  MEDIUM_HAND,
)
const deck = Array.from({ length: 6 }, (_, seed) => deckOf(steps, seed, neck, MEDIUM_HAND)).flat()
const chord = must(readSymbol('C7'))
const frets = must(readFrets('x32310', 6))

test('every card can be answered right in the way that it is asked', () => {
  for (const card of deck) {
    const answering = answeringOf(card, 'letters')
    const { right } = checkCard(card, { kind: 'choice', choice: 9 }, neck, MEDIUM_HAND)
    const [first] = right
    if (!first) throw new Error(`no answer to ${writeCard(card)}`)
    const words = answerWords(first, card, 'letters')
    switch (answering.kind) {
      case 'one': {
        expect(answering.options.length, writeCard(card)).toBeLessThanOrEqual(9)
        const verdicts = answering.options.map(({ answer }) => checkCard(card, answer, neck, MEDIUM_HAND).verdict)
        expect(
          verdicts.filter((verdict) => verdict === 'right'),
          writeCard(card),
        ).toHaveLength(1)
        break
      }
      case 'some':
        expect(first.kind === 'degrees' && first.degrees.every((degree) => answering.degrees.includes(degree))).toBe(
          true,
        )
        break
      case 'text': {
        const given = readAnswer(words.replaceAll('♭', 'b').replaceAll('♯', '#'), answering.expects, 6)
        expect(given && checkCard(card, given, neck, MEDIUM_HAND).verdict, `${writeCard(card)}: ${words}`).toBe('right')
      }
    }
  }
})

test('what is typed and no answer is not taken for one', () => {
  expect(readAnswer('x32', 'frets', 6)).toBeUndefined()
  expect(readAnswer('E flat', 'note', 6)).toBeUndefined()
  expect(readAnswer('hm', 'symbol', 6)).toBeUndefined()
  expect(readAnswer(' Bb ', 'note', 6)).toEqual({ kind: 'note', note: 'Bb' })
  // As the player calls it.
  expect(readAnswer('h', 'note', 6, ['german', 'letters'])).toEqual({ kind: 'note', note: 'B' })
})

describe('a shape keeps its answer to itself until it is told', () => {
  const card: Card = { kind: 'degree', chord, frets, string: 2 }
  test('its degrees are kept back, and the string is marked', () => {
    expect(shownOf(card, neck, false)).toMatchObject({ asked: 2, degrees: Array(6).fill(undefined) })
    expect(shownOf(card, neck, true)?.degrees).toEqual([null, 'R', '3', 'b7', 'R', '3'])
  })
  test('a question without a shape shows none', () =>
    expect(shownOf({ kind: 'spell', root: 'A', degree: '#5' }, neck, false)).toBeUndefined())
})

test.each([
  [{ kind: 'spell', root: 'A', degree: '#5' }, 'Spell the ♯5 of A', '♯5 of A'],
  [{ kind: 'degree', chord, frets, string: 2 }, 'C7: which degree sounds on string 4?', 'a degree of C7'],
  [{ kind: 'damps', frets, string: 0 }, 'Which finger damps string 6?', 'which finger damps? x32310'],
  [{ kind: 'play', chord, shape: frets, root: 'Eb' }, 'Play this shape as E♭7', 'E♭7 in its shape'],
] as const)('%# is asked as: %s', (card, question, short) => {
  expect(questionWords(card, 'letters')).toBe(question)
  expect(cardWords(card, 'letters')).toBe(short)
})
