/** The Map's question as an address, in letters, and back. */
import { readSymbol, writeSymbol } from '@nestling/core/chord'
import type { MapChange } from '@nestling/core/map'
import { EXTENSIONS } from '@nestling/core/near'
import { type Player, type Question, type QuestionTexts, readWhatCanBe, writeQuestion } from '@nestling/core/request'
import type { Typed } from '../../state/asked.ts'
import { questionTextsIn } from '../../state/workbench/address.ts'
import { messageOf } from '../../words/errors.ts'

export interface MapAddress {
  readonly texts: QuestionTexts
  readonly morph: string | undefined
  readonly add: string | undefined
  readonly way: string | undefined
}

/** What is asked: one step to undo. */
export interface AskedMap {
  readonly question: Question
  readonly change: MapChange
}

const FIRST: QuestionTexts = { chord: 'C', arrangement: 'close' }

export const readMapAddress = (query: URLSearchParams): MapAddress => ({
  texts: questionTextsIn(query),
  morph: query.get('morph') ?? undefined,
  add: query.get('add') ?? undefined,
  way: query.get('way') ?? undefined,
})

/** @returns With what is wrong when the address can't be read; what is wrong loses only itself. */
export function readMap(
  address: MapAddress,
  player: Player,
): { readonly asked: AskedMap; readonly typed: Typed | undefined } {
  const { question, error } = readWhatCanBe(address.texts.chord === undefined ? FIRST : address.texts, player, 'C')
  return {
    asked: { question, change: changeIn(address) },
    typed: error && { line: address.texts.chord ?? '', problem: { message: messageOf(error), at: error.at } },
  }
}

function changeIn({ morph, add, way }: MapAddress): MapChange {
  const target = morph === undefined ? undefined : readSymbol(`C${morph}`)
  if (target?.ok) return { kind: 'morph', formula: target.value.formula }
  const extension = EXTENSIONS.find((one) => one === add)
  if (extension) return { kind: 'extend', extension, way: way === 'fifth-gives-way' ? way : 'root-moves' }
  return { kind: 'none' }
}

export function writeMap({ question, change }: AskedMap, strings: number): string {
  const query = new URLSearchParams(writeQuestion(question, strings) as Record<string, string>)
  // As it would follow the letter of any root.
  if (change.kind === 'morph')
    query.set('morph', writeSymbol({ root: 'C', formula: change.formula }, { ascii: true }).slice(1))
  if (change.kind === 'extend') {
    query.set('add', change.extension)
    query.set('way', change.way)
  }
  return `/map?${query}`
}
