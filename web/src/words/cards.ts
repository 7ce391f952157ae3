/** Recall cards in words: what is asked, what was right, and why an answer is only nearly so. */
import { writeSymbol } from '@nestling/core/chord'
import { writeKey } from '@nestling/core/key'
import { stringNumber } from '@nestling/core/neck'
import { type NamingSystem, withSigns, writeNote } from '@nestling/core/pitch'
import type { Card, CardAnswer, Nearly } from '@nestling/core/practice'
import { counted, fretsWord } from './shapes.ts'

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh'] as const
const DEPTH_WORDS = {
  triads: 'as a triad',
  sevenths: 'as a seventh',
  ninths: 'as a ninth',
  elevenths: 'as an eleventh',
  thirteenths: 'as a thirteenth',
} as const

/** The question in one line. */
export function questionWords(card: Card, naming: NamingSystem): string {
  const symbol = (chord: Parameters<typeof writeSymbol>[0]) => writeSymbol(chord, { naming })
  const string = (index: number, count: number) => `string ${stringNumber(index, count)}`
  switch (card.kind) {
    case 'play':
      return `Play this shape as ${symbol({ ...card.chord, root: card.root })}`
    case 'degree':
      return `${symbol(card.chord)}: which degree sounds on ${string(card.string, card.frets.length)}?`
    case 'missing':
      return `${symbol(card.chord)}: which of its tones are silent?`
    case 'also':
      return `${symbol(card.chord)}: what else is this shape?`
    case 'damps':
      return `Which finger damps ${string(card.string, card.frets.length)}?`
    case 'step':
      return `The ${ORDINALS[card.step - 1]} chord of ${writeKey(card.key, { naming })}, ${DEPTH_WORDS[card.depth]}?`
    case 'spell':
      return `Spell the ${withSigns(card.degree)} of ${writeNote(card.root, naming)}`
    case 'name':
      return `Is this ${symbol(card.chord)}?`
    case 'moves':
      return `From ${symbol(card.from)} to ${symbol(card.to)}: which tones of ${symbol(card.from)} move?`
    case 'which':
      return `Hear it: ${symbol(card.chords[0])} or ${symbol(card.chords[1])}?`
    case 'heard-step':
      return `Hear ${writeNote(card.root, naming)} and another tone: which degree is it?`
  }
}

/** A card in a list: short. */
export function cardWords(card: Card, naming: NamingSystem): string {
  const symbol = (chord: Parameters<typeof writeSymbol>[0]) => writeSymbol(chord, { naming })
  switch (card.kind) {
    case 'play':
      return `${symbol({ ...card.chord, root: card.root })} in its shape`
    case 'step':
      return `${ORDINALS[card.step - 1]} chord of ${writeKey(card.key, { naming })}`
    case 'spell':
      return `${withSigns(card.degree)} of ${writeNote(card.root, naming)}`
    case 'missing':
      return `which tone is silent? ${symbol(card.chord)}`
    case 'also':
      return `what else is ${symbol(card.chord)}?`
    case 'degree':
      return `a degree of ${symbol(card.chord)}`
    case 'damps':
      return `which finger damps? ${fretsWord(card.frets)}`
    case 'name':
      return `is it ${symbol(card.chord)}?`
    case 'moves':
      return `${symbol(card.from)} to ${symbol(card.to)}`
    case 'which':
      return `${symbol(card.chords[0])} or ${symbol(card.chords[1])}, heard`
    case 'heard-step':
      return `a step from ${writeNote(card.root, naming)}, heard`
  }
}

/** An answer as a player says it. */
export function answerWords(answer: CardAnswer, card: Card, naming: NamingSystem): string {
  switch (answer.kind) {
    case 'frets':
      return fretsWord(answer.frets)
    case 'degrees':
      return answer.degrees.length === 0 ? 'none' : answer.degrees.map(withSigns).join(' ')
    case 'chord':
      return writeSymbol(answer.chord, { naming })
    case 'note':
      return writeNote(answer.note, naming)
    case 'finger':
      return answer.finger === 'none' ? 'no finger' : answer.finger === 'T' ? 'the thumb' : `finger ${answer.finger}`
    case 'yes':
      return answer.yes ? 'yes' : 'no'
    case 'choice':
      return card.kind === 'which'
        ? writeSymbol(card.chords[answer.choice === 1 ? 1 : 0], { naming })
        : String(answer.choice)
  }
}

export const NEARLY_WORDS: Readonly<Record<Nearly, string>> = {
  place: 'the chord, but not in this shape',
  sound: 'it sounds the same and is called otherwise here',
  some: 'some of it',
}

export const deckWords = ({ added, there }: { readonly added: number; readonly there: number }): string =>
  added === 0
    ? `All ${there} cards of it are there already.`
    : `${counted(added, 'card')} made${there > 0 ? `, ${there} were there` : ''}: a few of them each day.`
