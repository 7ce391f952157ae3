/** The Map's question as an address, in letters, and back. */
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import { joiningTones, joiningWays, type MapChange } from '@nestling/core/map'
import { readStringSet, writeStringSet } from '@nestling/core/neck'
import {
  instrumentFor,
  type Player,
  type Question,
  type QuestionTexts,
  readWhatCanBe,
  writeQuestion,
} from '@nestling/core/request'
import type { Typed } from '../../state/asked.ts'
import { questionTextsIn } from '../../state/workbench/address.ts'
import { messageOf } from '../../words/errors.ts'

/** All string sets, neighbouring strings only, or one set by its string indices. */
export type ShownSets = 'all' | 'neighbouring' | readonly number[]

/** What is asked: one step to undo. */
export interface AskedMap {
  /** Without a bass, a top and strings: a map has them all. */
  readonly question: Question
  readonly change: MapChange
  readonly sets: ShownSets
  /** The frets of the place that was taken, as text; `undefined`: the easiest. */
  readonly place: string | undefined
}

export const UNCHANGED: MapChange = { kind: 'none' }
const FIRST: QuestionTexts = { chord: 'C', arrangement: 'close' }

/** The question with all that a map shows anyway left free, and the strings that were asked for as those that are shown. */
export function mapQuestion(question: Question): Pick<AskedMap, 'question' | 'sets'> {
  const { root, formula } = question.chord
  return {
    question: { ...question, chord: { root, formula }, strings: undefined, bass: undefined, top: undefined },
    sets: question.strings ?? 'all',
  }
}

/** @returns With what is wrong when the address can't be read; what is wrong loses only itself. */
export function readMap(
  query: URLSearchParams,
  player: Player,
): { readonly asked: AskedMap; readonly typed: Typed | undefined } {
  const texts = questionTextsIn(query)
  const { question, error } = readWhatCanBe(texts.chord === undefined ? { ...FIRST, ...texts } : texts, player, 'C')
  const mapped = mapQuestion(question)
  const strings = instrumentFor(question, player).tuning.strings.length
  return {
    asked: {
      ...mapped,
      sets: setsIn(query.get('sets'), strings) ?? mapped.sets,
      change: changeIn(query, mapped.question),
      place: query.get('place') ?? undefined,
    },
    typed: error && { line: texts.chord ?? '', problem: { message: messageOf(error), at: error.at } },
  }
}

function setsIn(text: string | null, strings: number): ShownSets | undefined {
  if (text === null) return undefined
  if (text === 'neighbouring') return text
  const read = readStringSet(text, strings)
  return read.ok ? read.value : undefined
}

function changeIn(query: URLSearchParams, { chord, arrangement }: Question): MapChange {
  const morph = query.get('morph')
  const target = morph === null ? undefined : readSymbol(`C${morph}`)
  if (target?.ok) return { kind: 'morph', formula: target.value.formula }
  const extension = joiningTones(chord.formula).find((one) => one === query.get('add'))
  const ways = joiningWays(chord.formula, arrangement)
  const way = ways.find((one) => one === query.get('way')) ?? ways[0]
  return extension && way ? { kind: 'extend', extension, way } : UNCHANGED
}

export function writeMap({ question, change, sets, place }: AskedMap, strings: number): string {
  const query = new URLSearchParams(writeQuestion(question, strings) as Record<string, string>)
  // As it would follow the letter of any root.
  if (change.kind === 'morph')
    query.set('morph', writeSymbol({ root: 'C', formula: change.formula }, { ascii: true }).slice(1))
  if (change.kind === 'extend') {
    query.set('add', change.extension)
    query.set('way', change.way)
  }
  if (sets !== 'all') query.set('sets', sets === 'neighbouring' ? sets : writeStringSet(sets, strings))
  if (place !== undefined) query.set('place', place)
  return `/map?${query}`
}

/** Whether a string set is shown. */
export function isShown(strings: readonly number[], sets: ShownSets): boolean {
  if (sets === 'all') return true
  if (sets === 'neighbouring')
    return strings.every((string, index) => index === 0 || string === (strings[index - 1] ?? 0) + 1)
  return strings.join() === sets.join()
}
