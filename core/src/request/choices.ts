/** What each word of a question may be changed to; every choice is a whole question, so that it can be counted and taken. */
import { omittableDegrees } from '../chord/index.ts'
import { COMMON_TUNINGS, type Fret, type Instrument, type StringSet, type Tuning, writeTuning } from '../neck/index.ts'
import { stepOf } from '../pitch/index.ts'
import { MANNERS, type Manner, openStringsIn } from '../taste/index.ts'
import { ARRANGEMENT_NAMES } from '../voicing/index.ts'
import { DEFAULT_FRET_MAX } from './fields.ts'
import { instrumentFor } from './instrument.ts'
import type { Player, Question } from './types.ts'

export const CHOICE_FIELDS = [
  'manner',
  'arrangement',
  'strings',
  'bass',
  'top',
  'omit',
  'open',
  'doubling',
  'place',
  'tuning',
] as const
export type ChoiceField = (typeof CHOICE_FIELDS)[number]

/** Played in another manner: strings, arrangement and frets are free again, and open strings are as it has them. */
export const inManner = (question: Question, manner: Manner | undefined): Question => ({
  ...question,
  manner,
  open: manner === undefined ? 'never' : openStringsIn(manner),
  arrangement: { kind: 'any' },
  strings: undefined,
  fretMin: 1,
  fretMax: DEFAULT_FRET_MAX,
})

/** The questions that one word offers, in the order in which they are listed. */
export function choicesOf(field: ChoiceField, question: Question, player: Player): readonly Question[] {
  const { formula } = question.chord
  switch (field) {
    case 'manner':
      return [undefined, ...MANNERS].map((manner) =>
        manner === question.manner ? question : inManner(question, manner),
      )
    case 'arrangement':
      return [
        { ...question, arrangement: { kind: 'any' } },
        ...ARRANGEMENT_NAMES.map((name) => ({ ...question, arrangement: { kind: 'named' as const, name } })),
      ]
    case 'strings': {
      const count = instrumentFor(question, player).tuning.strings.length
      return [undefined, ...usualStringSets(count, formula.length)].map((strings) => ({ ...question, strings }))
    }
    case 'bass':
      return [undefined, ...formula].map((bass) => ({ ...question, bass }))
    case 'top':
      return [undefined, ...formula].map((top) => ({ ...question, top }))
    case 'omit':
      return [undefined, [], ...omittableDegrees(formula).map((degree) => [degree])].map((omit) => ({
        ...question,
        omit,
      }))
    case 'open':
      return (['never', 'allow', 'require'] as const).map((open) => ({ ...question, open }))
    case 'doubling':
      return [undefined, true, false].map((doubling) => ({ ...question, doubling }))
    case 'place':
      return placesOf(question, instrumentFor(question, player)).map(([fretMin, fretMax]) => ({
        ...question,
        fretMin,
        fretMax,
      }))
    case 'tuning': {
      const now = instrumentFor(question, player).tuning.strings.length
      return [undefined, ...tuningsOffered(player).slice(1)].map((tuning) => ({
        ...question,
        tuning,
        strings: (tuning ?? player.instrument.tuning).strings.length === now ? question.strings : undefined,
      }))
    }
  }
}

/** The whole neck as it is searched by default, then positions of some five frets, and where the question looks now. */
function placesOf(
  { fretMin, fretMax }: Question,
  { frets, lastReachableFret }: Instrument,
): readonly (readonly [Fret, Fret])[] {
  const last = Math.min(frets, lastReachableFret)
  const places: (readonly [Fret, Fret])[] = [
    [1, DEFAULT_FRET_MAX],
    [1, 4],
    [3, 7],
    [5, 9],
    [7, 11],
    [9, 13],
    [12, last],
  ]
  const isNow = ([low, high]: readonly [Fret, Fret]) => low === fretMin && high === fretMax
  const there = places.filter(([low, high]) => isNow([low, high]) || high <= Math.max(last, DEFAULT_FRET_MAX))
  return there.some(isNow) ? there : [...there, [fretMin, fretMax]]
}

/** The instrument's own tuning, the common ones, the player's own; each once. */
export const tuningsOffered = ({ instrument, ownTunings }: Pick<Player, 'instrument' | 'ownTunings'>) =>
  [instrument.tuning, ...COMMON_TUNINGS, ...ownTunings].filter(
    (tuning, index, all): tuning is Tuning =>
      all.findIndex((one) => writeTuning(one) === writeTuning(tuning)) === index,
  )

/**
 * Sets of neighbouring strings first, then sets with one gap; as many strings as the chord has tones (four at most), then
 * one fewer, then one more.
 */
export function usualStringSets(strings: number, tones: number): readonly StringSet[] {
  const most = Math.min(tones, strings, 4)
  return [most, most - 1, most + 1].filter((size) => size >= 2).flatMap((size) => neighbouringSets(strings, size))
}

/** Sets of so many neighbouring strings, the highest first, then those with one gap. */
export function neighbouringSets(strings: number, size: number): readonly StringSet[] {
  const sets: StringSet[] = []
  if (size > strings) return sets
  for (let low = strings - size; low >= 0; low--) sets.push(Array.from({ length: size }, (_, index) => low + index))
  for (let low = strings - size - 1; low >= 0; low--)
    for (let gap = 1; gap < size; gap++)
      sets.push(Array.from({ length: size }, (_, index) => low + index + (index >= gap ? 1 : 0)))
  return sets
}

/** Another question, by what it gives up. */
export interface WayOut {
  readonly giveUp: 'reach' | 'strings' | 'arrangement' | 'bass' | 'omit'
  readonly question: Question
}

/** Questions that still find something where this one finds nothing, by what each gives up. */
export function waysOut(question: Question, player: Player): readonly WayOut[] {
  const strings = instrumentFor(question, player).tuning.strings.length
  const sets = usualStringSets(strings, question.chord.formula.length).filter(
    (set) => set.join() !== question.strings?.join(),
  )
  return [
    { giveUp: 'reach', question: { ...question, span: LONGER_SPAN } },
    ...(question.strings === undefined
      ? []
      : sets.map((set) => ({ giveUp: 'strings' as const, question: { ...question, strings: set } }))),
    ...(question.arrangement.kind === 'any'
      ? []
      : [{ giveUp: 'arrangement' as const, question: { ...question, arrangement: { kind: 'any' as const } } }]),
    ...(question.bass === undefined && question.top === undefined
      ? []
      : [{ giveUp: 'bass' as const, question: { ...question, bass: undefined, top: undefined } }]),
    ...(question.omit === undefined ? [] : [{ giveUp: 'omit' as const, question: { ...question, omit: undefined } }]),
    ...fewerTones(question),
  ]
}

/** More tones than strings, and no school that leaves out enough: the fifth goes, then the lower extensions, then the root. */
function fewerTones(question: Question): readonly WayOut[] {
  const { formula } = question.chord
  const tooMany = question.strings === undefined ? 0 : formula.length - question.strings.length
  if (tooMany <= 0) return []
  const highest = formula.at(-1)
  const extensions = formula.filter((degree) => stepOf(degree) > 7 && degree !== highest)
  const omit = [...formula.filter((degree) => degree === '5'), ...extensions, 'R' as const].slice(0, tooMany)
  return omit.length === tooMany ? [{ giveUp: 'omit', question: { ...question, omit } }] : []
}

/** Frets from the lowest to the highest finger when the player lifts the reach limit. */
const LONGER_SPAN = 7
