/** How each choice of a word is written in the sentence and in its list. */

import { tuningLetters } from '@nestling/core/neck'
import type { Degree, NamingSystem } from '@nestling/core/pitch'
import {
  type ChoiceField,
  DEFAULT_FRET_MAX,
  instrumentFor,
  type Player,
  playingOf,
  type Question,
} from '@nestling/core/request'
import { degreeName, degreeSign } from './degrees.ts'
import { MANNER_WORDS } from './manners.ts'
import { arrangementWords, stringsApart } from './shapes.ts'

const omissionWords = (omit: readonly Degree[] | undefined): string =>
  omit === undefined
    ? 'what doesn’t fit'
    : omit.length === 0
      ? 'nothing'
      : `the ${omit.map(degreeSign).join(' and the ')}`

const toneWords = (degree: Degree | undefined): string =>
  degree === undefined ? 'any tone' : degree === 'R' ? 'the root' : `the ${degreeSign(degree)}`

const OPEN_WORDS = { never: 'no open strings', allow: 'open strings too', require: 'an open string' } as const

const placeWord = ({ fretMin, fretMax }: Pick<Question, 'fretMin' | 'fretMax'>): string =>
  fretMin === 1 && fretMax === DEFAULT_FRET_MAX ? 'the whole neck' : `frets ${fretMin} to ${fretMax}`

/** The word as it stands in the sentence. */
export function wordOf(field: ChoiceField, question: Question, player: Player, naming: NamingSystem): string {
  const { tuning } = instrumentFor(question, player)
  switch (field) {
    case 'manner':
      return MANNER_WORDS[playingOf(question, player).manner]
    case 'arrangement':
      return arrangementWords(question.arrangement)
    case 'strings':
      return question.strings === undefined
        ? 'any strings'
        : `strings ${stringsApart(question.strings, tuning.strings.length)}`
    case 'bass':
      return toneWords(question.bass)
    case 'top':
      return toneWords(question.top)
    case 'omit':
      return omissionWords(question.omit)
    case 'open':
      return OPEN_WORDS[question.open]
    case 'doubling':
      return question.doubling === undefined
        ? 'doubled where strings are left'
        : question.doubling
          ? 'tones doubled'
          : 'no tone doubled'
    case 'place':
      return placeWord(question)
    case 'tuning':
      return tuning.name === 'standard' ? 'standard' : tuningLetters(tuning, naming)
  }
}

/** The same in the list of choices, where there is room to say more. */
export function choiceWords(field: ChoiceField, question: Question, player: Player, naming: NamingSystem): string {
  const word = wordOf(field, question, player, naming)
  if (field === 'bass' || field === 'top') {
    const degree = question[field]
    return degree === undefined || degree === 'R' ? word : `${degreeSign(degree)} · the ${degreeName(degree)}`
  }
  if (field === 'manner' && question.manner === undefined) return `${word}, as is usual`
  if (field === 'tuning') {
    const { tuning } = instrumentFor(question, player)
    const letters = tuningLetters(tuning, naming)
    return tuning.name === letters ? letters : `${tuning.name} · ${letters}`
  }
  return word.replace(/^strings /, '')
}
