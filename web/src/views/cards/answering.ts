/** How a card is answered: typed, one of several, or some of several; and what a player gave as an answer. */
import { readSymbol } from '@nestling/core/chord'
import type { Degree, NamingSystem } from '@nestling/core/pitch'
import { degreePitchClass, readNote } from '@nestling/core/pitch'
import type { Card, CardAnswer } from '@nestling/core/practice'
import { fretsIn } from '../../state/links.ts'
import { answerWords } from '../../words/cards.ts'

export interface Option {
  readonly words: string
  readonly answer: CardAnswer
}

export type Answering =
  | { readonly kind: 'text'; readonly expects: 'frets' | 'symbol' | 'note'; readonly example: string }
  | { readonly kind: 'one'; readonly options: readonly Option[] }
  | { readonly kind: 'some'; readonly degrees: readonly Degree[] }

/** Steps that are told apart by ear first: as far as an octave. */
const HEARD_STEPS: readonly Degree[] = ['b3', '3', '11', 'b5', '5', '13', 'b7', '7', '9']
/** Nine digits answer nine choices; the right one is among them, and none that sounds like it. */
const heardAmong = (right: Degree): readonly Degree[] => {
  const others = HEARD_STEPS.filter((one) => degreePitchClass(one) !== degreePitchClass(right))
  return [...others.slice(0, 8), right].toSorted((a, b) => degreePitchClass(a) - degreePitchClass(b))
}

export function answeringOf(card: Card, naming: NamingSystem): Answering {
  const one = (answers: readonly CardAnswer[]): Answering => ({
    kind: 'one',
    options: answers.map((answer) => ({ answer, words: answerWords(answer, card, naming) })),
  })
  switch (card.kind) {
    case 'play':
      return { kind: 'text', expects: 'frets', example: 'x6878x' }
    case 'also':
    case 'step':
      return { kind: 'text', expects: 'symbol', example: 'C6/A' }
    case 'spell':
      return { kind: 'text', expects: 'note', example: 'E#' }
    case 'degree':
      return one(card.chord.formula.map((degree) => ({ kind: 'degrees', degrees: [degree] })))
    case 'heard-step':
      return one(heardAmong(card.degree).map((degree) => ({ kind: 'degrees', degrees: [degree] })))
    case 'damps':
      return one((['T', 1, 2, 3, 4, 'none'] as const).map((finger) => ({ kind: 'finger', finger })))
    case 'name':
      return one([true, false].map((yes) => ({ kind: 'yes', yes })))
    case 'which':
      return one([0, 1].map((choice) => ({ kind: 'choice', choice })))
    case 'missing':
      return { kind: 'some', degrees: card.chord.formula }
    case 'moves':
      return { kind: 'some', degrees: card.from.formula }
  }
}

/** `undefined` where the text is no such answer. */
export function readAnswer(
  text: string,
  expects: 'frets' | 'symbol' | 'note',
  strings: number,
  naming: readonly NamingSystem[] = ['letters'],
): CardAnswer | undefined {
  if (expects === 'frets') {
    const frets = fretsIn(text.trim(), strings)
    return frets && { kind: 'frets', frets }
  }
  if (expects === 'note') {
    const note = readNote(text, naming)
    return note && { kind: 'note', note }
  }
  const read = readSymbol(text.trim(), naming)
  return read.ok ? { kind: 'chord', chord: read.value } : undefined
}
