/** Practice in words: materials, places, cycles, grades, what the ear found. */
import { writeSymbol } from '@nestling/core/chord'
import type { StringVerdict } from '@nestling/core/ear'
import { stringNumber } from '@nestling/core/neck'
import type { NamingSystem } from '@nestling/core/pitch'
import { type Cycle, type LogGrade, type Material, type PlaceRule, writeSuffix } from '@nestling/core/practice'
import { askWords } from './lane.ts'
import { counted, fretsWord } from './shapes.ts'

const SUFFIX_WORDS: Readonly<Record<string, string>> = {
  maj: 'Major triads',
  m: 'Minor triads',
  dim: 'Diminished triads',
  '+': 'Augmented triads',
  7: 'Sevenths',
  maj7: 'Major sevenths',
  m7: 'Minor sevenths',
  m7b5: 'Half-diminished sevenths',
  dim7: 'Diminished sevenths',
  6: 'Sixths',
  m6: 'Minor sixths',
  9: 'Ninths',
  maj9: 'Major ninths',
  m9: 'Minor ninths',
  13: 'Thirteenths',
}
/** What is offered to be practised: the chords that everybody meets first. */
export const USUAL_SUFFIXES = [
  'maj7',
  'm7',
  '7',
  'm7b5',
  'dim7',
  'm6',
  '6',
  'maj',
  'm',
  'm9',
  'maj9',
  '9',
  '13',
] as const

/** `7b9` is told with its signs. */
export const suffixSigns = (suffix: string): string =>
  suffix === 'maj' ? '' : suffix.replaceAll('b', '♭').replaceAll('#', '♯')

export const suffixWords = (suffix: string): string => SUFFIX_WORDS[suffix] ?? `${suffixSigns(suffix)} chords`

/** @param title A tune's or a set's name, where there is one. */
export function materialWords(material: Material, title = '', naming: NamingSystem = 'letters'): string {
  if (title !== '') return title
  switch (material.kind) {
    case 'chord':
      return suffixWords(writeSuffix(material.formula))
    case 'arpeggio':
      return `Arpeggios of ${suffixWords(writeSuffix(material.formula)).toLowerCase()}`
    case 'shapes': {
      const [first] = material.shapes
      if (!first) return 'Nothing'
      const symbol = writeSymbol(first.chord, { naming })
      return material.shapes.length === 1
        ? `${symbol} ${fretsWord(first.frets)}`
        : `${counted(material.shapes.length, 'shape')} from ${symbol}`
    }
  }
}

export const CYCLE_WORDS: Readonly<Record<Cycle, string>> = {
  fourths: 'by fourths',
  fifths: 'by fifths',
  semitones: 'by semitones',
  'whole-tones': 'by whole tones',
  'minor-thirds': 'by minor thirds',
  'major-thirds': 'by major thirds',
  shuffle: 'shuffled',
  stay: 'as it stands',
}

export function placeWords(rule: PlaceRule, count: number): string {
  if (rule.kind === 'orders')
    return `as ${rule.orders.map((one) => askWords({ kind: 'order', ...one }, count)).join(' or ')}`
  const { kind, strings } = rule
  const numbers = strings.map((string) => stringNumber(string, count))
  if (kind === 'nearest') return 'at the nearest place'
  return numbers.length === 1 ? `on string ${numbers[0]}` : `on strings ${numbers.join(' and ')} in turn`
}

export const GRADE_WORDS: Readonly<Record<LogGrade, string>> = {
  lost: 'lost',
  hard: 'hard',
  had: 'had it',
  easy: 'easy',
  played: 'not graded',
}

/** `3:+1 4:0 6:r`, as the log keeps them. */
export const faultsOf = (verdicts: readonly StringVerdict[]): string =>
  verdicts
    .flatMap((verdict, string) => {
      const number = stringNumber(string, verdicts.length)
      switch (verdict.kind) {
        case 'off':
          return [`${number}:${verdict.by > 0 ? '+1' : '-1'}`]
        case 'missing':
          return [`${number}:0`]
        case 'rings':
          return [`${number}:r`]
        default:
          return []
      }
    })
    .join(' ')

/** `3:+1 6:r` as a row of words, a string by its number: "3 a fret high, 6 rang". */
export function faultsWords(faults: string): string {
  return faults
    .split(' ')
    .flatMap((fault) => {
      const [string, what] = fault.split(':')
      return what === undefined ? [] : [`${string} ${FAULT_WORDS[what] ?? ''}`]
    })
    .join(', ')
}
export const FAULT_WORDS: Readonly<Record<string, string>> = {
  '+1': 'a fret high',
  '-1': 'a fret low',
  0: 'not heard',
  r: 'rang',
}

/** "two frets up": how the first finger goes on. */
export function hopWords(frets: number): string {
  if (frets === 0) return 'stays in its place'
  return `${counted(Math.abs(frets), 'fret')} ${frets > 0 ? 'up' : 'down'}`
}

/** A pause is offered after so many minutes of play, and after so many more the round is the last one. */
export const PAUSE_AFTER_MIN = 20
export const LAST_ROUND_AFTER_MIN = 30

/** One sentence about the hand, or nothing while it is fresh. */
export function pauseWords(minutes: number): string | undefined {
  if (minutes < PAUSE_AFTER_MIN) return undefined
  const played = `${Math.floor(minutes)} minutes played.`
  return minutes < LAST_ROUND_AFTER_MIN
    ? `${played} After this round, five for the hand.`
    : `${played} The round ends here: five minutes for the hand.`
}
