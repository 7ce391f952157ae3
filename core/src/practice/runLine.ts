/**
 * The typed line of a run: `m7 on 5 and 6 fourths from E 80`. Anything may be left out but what is practised; what is not
 * said stays as it was.
 */
import { readSymbol } from '../chord/index.ts'
import { type StringIndex, stringIndex } from '../neck/index.ts'
import { type NamingSystem, type NoteName, readNote } from '../pitch/index.ts'
import { fail, ok, piece, type Result, type TextErrorOf } from '../result/index.ts'
import type { Cycle } from './cycle.ts'
import { type Material, readSuffix } from './material.ts'
import type { PlaceRule } from './run.ts'

export type RunLineError = TextErrorOf<{
  /** A word that says nothing of a run. */
  not_a_run_word: object
  run_string: { strings: number }
  run_tempo: { slowest: number; fastest: number }
  nothing_to_run: object
}>

export interface RunLine {
  readonly material?: Material
  readonly cycle?: Cycle
  readonly from?: NoteName
  readonly down?: boolean
  readonly rule?: PlaceRule
  readonly bars?: number
  readonly tempo?: number
}

export interface RunLineLimits {
  readonly strings: number
  readonly slowest: number
  readonly fastest: number
  /** Ways of naming notes, the player's own first. */
  readonly naming: readonly NamingSystem[]
}

const CYCLE_WORDS: Readonly<Record<string, Cycle>> = {
  fourths: 'fourths',
  fifths: 'fifths',
  semitones: 'semitones',
  chromatic: 'semitones',
  shuffle: 'shuffle',
  shuffled: 'shuffle',
  random: 'shuffle',
  stay: 'stay',
}
const TWO_WORDS: Readonly<Record<string, Cycle>> = {
  'whole tones': 'whole-tones',
  'minor thirds': 'minor-thirds',
  'major thirds': 'major-thirds',
}
/** Said between the words, and meaning nothing by themselves. */
const FILLERS = new Set(['by', 'in', 'at', 'string', 'strings', 'root', 'roots', 'turn', 'each', 'the', 'a', 'minute'])
const BARS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4 }
/** Roots of a nearest place lie on these, the lowest of a guitar. */
export const NEAREST_STRINGS = [6, 5, 4] as const

export const nearestRule = (strings: number): PlaceRule => ({
  kind: 'nearest',
  strings: NEAREST_STRINGS.filter((number) => number <= strings).map((number) => stringIndex(number, strings)),
})

/** The first word is what is practised, unless it says something else of the run. */
export function readRunLine(text: string, limits: RunLineLimits): Result<RunLine, RunLineError> {
  const words = [...text.matchAll(/[^\s,]+/g)].map(({ 0: word, index: at }) => ({ word, at }))
  let line: RunLine = {}
  for (let index = 0; index < words.length; index++) {
    const { word, at } = words[index] as (typeof words)[number]
    const small = word.toLowerCase()
    const next = words[index + 1]
    const pair = TWO_WORDS[`${small} ${next?.word.toLowerCase() ?? ''}`]
    const cycle = CYCLE_WORDS[small]
    if (pair || small === 'whole-tones' || small === 'minor-thirds' || small === 'major-thirds') {
      line = { ...line, cycle: pair ?? (small as Cycle) }
      if (pair) index++
    } else if (cycle) line = { ...line, cycle }
    else if (small === 'up' || small === 'down') line = { ...line, down: small === 'down' }
    else if (small === 'nearest') line = { ...line, rule: nearestRule(limits.strings) }
    else if (small === 'from') {
      const note = next && readNote(next.word, limits.naming)
      if (!next || !note) return fail({ code: 'not_a_run_word', at: next?.at ?? at, text: piece(next?.word ?? word) })
      line = { ...line, from: note }
      index++
    } else if (small === 'on') {
      const strings = readOn(words.slice(index + 1), limits.strings)
      if (!strings.ok) return strings.error.text === '' ? fail({ ...strings.error, at, text: piece(word) }) : strings
      line = { ...line, rule: { kind: 'in-turn', strings: strings.value.strings } }
      index += strings.value.words
    } else if (/^\d+$/.test(word) && (Number(word) >= limits.slowest || /^\d{2,}$/.test(word)) && line.material) {
      const bars = next?.word.toLowerCase().startsWith('bar') === true
      if (!bars && (Number(word) < limits.slowest || Number(word) > limits.fastest))
        return fail({ code: 'run_tempo', at, text: piece(word), slowest: limits.slowest, fastest: limits.fastest })
      line = bars ? { ...line, bars: Number(word) } : { ...line, tempo: Number(word) }
      if (bars) index++
    } else if ((BARS[small] ?? Number(word)) <= 4 && next?.word.toLowerCase().startsWith('bar')) {
      line = { ...line, bars: BARS[small] ?? Number(word) }
      index++
    } else if (FILLERS.has(small) && !(small === 'a' && line.material === undefined)) continue
    else if (!line.material) {
      const arpeggio = small === 'arpeggio' || small === 'arpeggios'
      const named = arpeggio ? words[++index] : { word, at }
      const read = named && materialWord(named.word, arpeggio, limits.naming)
      if (!named || !read)
        return fail({ code: 'not_a_run_word', at: named?.at ?? at, text: piece(named?.word ?? word) })
      line = { ...line, ...read }
    } else if (small.startsWith('arpeggio') && line.material.kind === 'chord')
      line = { ...line, material: { kind: 'arpeggio', formula: line.material.formula } }
    else return fail({ code: 'not_a_run_word', at, text: piece(word) })
  }
  return words.length === 0 ? fail({ code: 'nothing_to_run', at: 0, text: '' }) : ok(line)
}

/** `m7`, or a whole symbol, whose root begins the run. */
function materialWord(
  word: string,
  arpeggio: boolean,
  naming: readonly NamingSystem[],
): Pick<RunLine, 'material' | 'from'> | undefined {
  const kind = arpeggio ? 'arpeggio' : 'chord'
  const suffix = readSuffix(word)
  if (suffix) return { material: { kind, formula: suffix } }
  const whole = readSymbol(word, naming)
  return whole.ok ? { material: { kind, formula: whole.value.formula }, from: whole.value.root } : undefined
}

interface Word {
  readonly word: string
  readonly at: number
}
/** `5 and 6`, `strings 5 6 in turn`, `6`: string numbers, as many as follow. */
function readOn(
  words: readonly Word[],
  count: number,
): Result<{ readonly strings: readonly StringIndex[]; readonly words: number }, RunLineError> {
  const strings: StringIndex[] = []
  let used = 0
  for (const { word, at } of words) {
    const isFiller = /^(and|then|string|strings)$/i.test(word)
    const number = Number(word)
    if (!isFiller && !/^\d{1,2}$/.test(word)) break
    if (!isFiller) {
      // Larger numbers are a tempo.
      if (number > 12 && strings.length > 0) break
      if (number < 1 || number > count) return fail({ code: 'run_string', at, text: piece(word), strings: count })
      const string = stringIndex(number, count)
      if (!strings.includes(string)) strings.push(string)
    }
    used++
  }
  return strings.length > 0
    ? ok({ strings, words: used })
    : fail({ code: 'run_string', at: 0, text: piece(words[0]?.word ?? ''), strings: count })
}
