/** How each choice of a word is written in the sentence and in its list. */
import { type Build, type ChoiceField, instrumentFor, type Setting } from '@nestling/core/build'
import { tuningLetters } from '@nestling/core/neck'
import type { Degree, NamingSystem } from '@nestling/core/pitch'
import { degreeName, degreeSign } from '../../../neck/tone.ts'
import { arrangementWords, stringsApart } from '../../../neck/words.ts'

const omissionWords = (omit: readonly Degree[] | undefined): string =>
  omit === undefined ? 'what it must' : omit.length === 0 ? 'nothing' : `the ${omit.map(degreeSign).join(' and the ')}`

const toneWords = (degree: Degree | undefined): string =>
  degree === undefined ? 'any tone' : degree === 'R' ? 'the root' : `the ${degreeSign(degree)}`

const OPEN_WORDS = { never: 'no open strings', allow: 'open strings too', require: 'an open string' } as const

/** The word as it stands in the sentence. */
export function wordOf(field: ChoiceField, build: Build, setting: Setting, naming: NamingSystem): string {
  const { tuning } = instrumentFor(build, setting)
  switch (field) {
    case 'arrangement':
      return arrangementWords(build.arrangement)
    case 'strings':
      return build.strings === undefined
        ? 'any strings'
        : `strings ${stringsApart(build.strings, tuning.strings.length)}`
    case 'bass':
      return toneWords(build.bass)
    case 'top':
      return toneWords(build.top)
    case 'omit':
      return omissionWords(build.omit)
    case 'open':
      return OPEN_WORDS[build.open]
    case 'tuning':
      return tuning.name === 'standard' ? 'standard' : tuningLetters(tuning, naming)
  }
}

/** The same in the list of choices, where there is room to say more. */
export function choiceWords(field: ChoiceField, build: Build, setting: Setting, naming: NamingSystem): string {
  const word = wordOf(field, build, setting, naming)
  if (field === 'bass' || field === 'top') {
    const degree = build[field]
    return degree === undefined || degree === 'R' ? word : `${degreeSign(degree)} · the ${degreeName(degree)}`
  }
  if (field === 'tuning') {
    const { tuning } = instrumentFor(build, setting)
    const letters = tuningLetters(tuning, naming)
    return tuning.name === letters ? letters : `${tuning.name} · ${letters}`
  }
  return word.replace(/^strings /, '')
}
