/**
 * The typed line of a run: `m7 on 5 and 6 fourths from E 80`, `maj7 drop2 4321 from fret 5`, `Gdim=xx532x`. Anything may be
 * left out but what is practised; what is not said stays as it was.
 */
import { type Chord, type Formula, readSymbol } from '../chord/index.ts'
import { type StringIndex, stringIndex } from '../neck/index.ts'
import { type NamingSystem, type NoteName, readNote } from '../pitch/index.ts'
import { type ShapesLineError, shapeAt } from '../request/index.ts'
import { fail, ok, piece, type Result, requireAt, type TextErrorOf } from '../result/index.ts'
import { type Manner, mannerNamed } from '../taste/index.ts'
import type { Frets } from '../voicing/index.ts'
import type { Cycle } from './cycle.ts'
import { type Material, type OwnShape, readSuffix } from './material.ts'
import type { PlaceRule } from './run.ts'
import { type Grip, gripAt, ordersOf, rulesOrders, small, type Word } from './runWords.ts'

export type RunLineError =
  | TextErrorOf<{
      /** A word that says nothing of a run. */
      not_a_run_word: object
      run_string: { strings: number }
      run_tempo: { slowest: number; fastest: number }
      nothing_to_run: object
      /** So many strings have no usual order of this chord: it has to be named. */
      lane_order_missing: { strings: number }
    }>
  | ShapesLineError

export interface RunLine {
  readonly material?: Material
  readonly cycle?: Cycle
  readonly from?: NoteName
  readonly down?: boolean
  readonly rule?: PlaceRule
  /** `m7 comping on 6`: its grips are those of a manner. */
  readonly manner?: Manner
  /** The fret near which it begins; 0 at the nut. */
  readonly near?: number
  readonly bars?: number
  readonly tempo?: number
}

export interface RunLineLimits {
  readonly strings: number
  readonly slowest: number
  readonly fastest: number
  /** Ways of naming notes, the player's own first. */
  readonly naming: readonly NamingSystem[]
  /** Of the chord that was practised before the line: wishes alone are about it. */
  readonly formula?: Formula | undefined
  /** What frets without a name are called. */
  readonly nameOf?: (frets: Frets) => Chord | undefined
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

/** Where another chord is practised: as the one before it, as far as it has the tones. */
export function ruleFor(rule: PlaceRule, formula: Formula, strings: number): PlaceRule {
  if (rule.kind !== 'orders') return rule
  const orders = rulesOrders(rule.orders, formula)
  return orders.length > 0 ? { kind: 'orders', orders } : nearestRule(strings)
}

/** The first word is what is practised, unless it says something else of the run. */
export function readRunLine(text: string, limits: RunLineLimits): Result<RunLine, RunLineError> {
  const words: Word[] = [...text.matchAll(/[^\s,]+/g)].map(({ 0: word, index: at }) => ({ word, at }))
  if (words.length === 0) return fail({ code: 'nothing_to_run', at: 0, text: '' })
  const pieces = words.map(({ word, at }) => ({ text: word, at }))
  const shapeNaming = { strings: limits.strings, naming: limits.naming, nameOf: limits.nameOf ?? (() => undefined) }
  let line: RunLine = {}
  let grip: Grip = { sets: [] }
  const shapes: OwnShape[] = []
  for (let index = 0; index < words.length; ) {
    const shape = shapeAt(pieces, index, shapeNaming)
    if (shape && !shape.ok) return shape
    if (shape?.ok) {
      shapes.push(shape.value.shape)
      index += shape.value.count
      continue
    }
    const held = line.material || limits.formula ? gripAt(words, index, limits.strings, grip) : undefined
    if (held) {
      grip = held.grip
      index += held.count
      continue
    }
    const read = runWordAt(words, index, line, limits)
    if (!read.ok) return read
    line = { ...line, ...read.value.line }
    index += read.value.count
  }
  if (shapes.length > 0) {
    const [first] = shapes
    return ok({ ...line, ...(first ? { from: first.chord.root } : {}), material: { kind: 'shapes', shapes } })
  }
  const isHeld = grip.sets.length > 0 || grip.rootless || grip.withoutFifth || grip.order || grip.arrangement
  if (!isHeld) return ok(line)
  const formula = line.material && line.material.kind !== 'shapes' ? line.material.formula : limits.formula
  const orders = formula ? ordersOf(grip, formula, limits.strings) : []
  if ('word' in orders)
    return fail({ code: 'lane_order_missing', at: orders.at, text: piece(orders.word), strings: orders.word.length })
  if (orders.length === 0) return fail({ code: 'nothing_to_run', at: 0, text: '' })
  return ok({ ...line, rule: { kind: 'orders', orders } })
}

interface RunWord {
  readonly line: RunLine
  readonly count: number
}

function runWordAt(
  words: readonly Word[],
  index: number,
  line: RunLine,
  limits: RunLineLimits,
): Result<RunWord, RunLineError> {
  const { word, at } = requireAt(words, index)
  const lower = word.toLowerCase()
  const next = words[index + 1]
  const said = (more: RunLine, count = 1): Result<RunWord, RunLineError> => ok({ line: more, count })
  const wrong = (one: Word | undefined): Result<RunWord, RunLineError> =>
    fail({ code: 'not_a_run_word', at: one?.at ?? at, text: piece(one?.word ?? word) })
  const pair = TWO_WORDS[`${lower} ${small(next)}`]
  if (pair) return said({ cycle: pair }, 2)
  if (lower === 'whole-tones' || lower === 'minor-thirds' || lower === 'major-thirds') return said({ cycle: lower })
  const cycle = CYCLE_WORDS[lower]
  if (cycle) return said({ cycle })
  if (lower === 'up' || lower === 'down') return said({ down: lower === 'down' })
  if (lower === 'nearest') return said({ rule: nearestRule(limits.strings) })
  const manner = mannerNamed(lower) ?? (lower === 'open' ? 'open' : undefined)
  if (manner) return said({ manner }, /^(chords?|grips?|guitar)$/.test(small(next)) ? 2 : 1)
  if (lower === 'nut') return said({ near: 0 })
  if (lower === 'from' || /^(frets?|position)$/.test(lower)) {
    const behind = lower === 'from' && small(next) === 'fret' ? 2 : lower === 'from' && small(next) === 'the' ? 2 : 1
    const there = words[index + behind]
    if (small(there) === 'nut') return said({ near: 0 }, behind + 1)
    const fret = /^\d{1,2}$/.test(small(there)) ? Number(there?.word) : undefined
    if (fret !== undefined && fret <= MOST_NEAR) return said({ near: fret }, behind + 1)
    const note = lower === 'from' && next ? readNote(next.word, limits.naming) : undefined
    return note ? said({ from: note }, 2) : wrong(there ?? next)
  }
  if (lower === 'on' && (words.length === index + 1 || !gripAt(words, index + 1, limits.strings, { sets: [] }))) {
    const strings = readOn(words.slice(index + 1), limits.strings)
    if (!strings.ok) return strings.error.text === '' ? fail({ ...strings.error, at, text: piece(word) }) : strings
    return said({ rule: { kind: 'in-turn', strings: strings.value.strings } }, strings.value.words + 1)
  }
  if (lower === 'on' || lower === 'or') return said({})
  if (/^turns?$/.test(lower) && /^\d$/.test(small(next))) {
    const strings = readOn(words.slice(index + 1), limits.strings)
    return strings.ok
      ? said({ rule: { kind: 'in-turn', strings: strings.value.strings } }, strings.value.words + 1)
      : strings
  }
  const areBars = small(next).startsWith('bar')
  if ((BARS[lower] ?? Number(word)) <= 4 && areBars) return said({ bars: BARS[lower] ?? Number(word) }, 2)
  if (/^\d+$/.test(word) && (Number(word) >= limits.slowest || /^\d{2,}$/.test(word)) && line.material) {
    if (areBars) return said({ bars: Number(word) }, 2)
    return Number(word) < limits.slowest || Number(word) > limits.fastest
      ? fail({ code: 'run_tempo', at, text: piece(word), slowest: limits.slowest, fastest: limits.fastest })
      : said({ tempo: Number(word) })
  }
  if (FILLERS.has(lower) && !(lower === 'a' && line.material === undefined)) return said({})
  if (!line.material) {
    const arpeggio = lower === 'arpeggio' || lower === 'arpeggios'
    const named = arpeggio ? next : { word, at }
    const read = named && materialWord(named.word, arpeggio, limits.naming)
    return read ? said(read, arpeggio ? 2 : 1) : wrong(named)
  }
  if (lower.startsWith('arpeggio') && line.material.kind === 'chord')
    return said({ material: { kind: 'arpeggio', formula: line.material.formula } })
  return wrong({ word, at })
}

/** No run begins further up. */
const MOST_NEAR = 24

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
